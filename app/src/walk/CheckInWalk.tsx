import { createContext, useContext, useEffect } from 'react';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import type { Check, MachineFile, Walk } from '@green-tally/core/contracts';
import { live } from '@green-tally/core/history';
import { verdictOf, type Standing } from '@green-tally/core/plan';
import { unreadPlaces, type WalkStop } from '@green-tally/core/walk';
import { accepted, proposeWork } from '@green-tally/core/work';
import { SyncLine } from '../session/SyncLine';
import { put, useAction, useClock, useSession, useToday } from '../store';
import { HeadRow, Quiet, Screen, Skeleton, SPACE } from '../ui';
import { BothTook } from './BothTook';
import { CheckTitle, Progress } from './CheckParts';
import { DecideOtherwise } from './DecideOtherwise';
import { EntryStep } from './EntryStep';
import type { Taken } from './entries';
import { useComing } from './Glimpse';
import { KeysHelp } from './keys/KeysHelp';
import { useKeys } from './keys/useKeys';
import { newReading } from './session';
import { PhotoStrip } from './photos/PhotoStrip';
import { struckBy } from './checkStep';
import { useCheckStep } from './useCheckStep';
import { askedFor } from './useStand';
import { afterwards, useWhere } from './useWhere';
import { VerdictStep } from './VerdictStep';
import { WhileOpen } from './WhileOpen';

/** To keep a reading here takes less, and the screen is drawn once for it, with its verdict. */
const SIGN_MS = 150;

/** Drawn before it is asked for, and not seen. */
export const Ahead = createContext(false);

export interface CheckInWalkProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly check: Check;
  readonly walk: Walk;
  /** hears which check comes after one whose verdict is shown; undefined while it is taken */
  readonly onNext: (of: string, id: string | undefined) => void;
  /** shows another check of the walk */
  readonly onGo: (id: string) => void;
}

/**
 * One check of the walk: set the machine, take the reading, hear the verdict, put it right, read it
 * as left.
 */
export function CheckInWalk(props: CheckInWalkProps) {
  const { file, standing, check, walk, onNext, onGo } = props;
  const router = useRouter();
  const clock = useClock();
  const today = useToday();
  const { data: session } = useSession();
  const by = session?.person?.name ?? '';
  const own = live(file.readings).filter((r) => r.walkId === walk.id && r.checkId === check.id);
  const where = useWhere(file, walk);
  const { stops, stands } = where;
  const at = stops.findIndex((s) => s.check.id === check.id);
  const stop = stops[at];
  const { next, change } = afterwards(where, check);
  const verdict = standing.verdicts.find((v) => v.check.id === check.id);
  const unread = unreadPlaces(check, own);
  const asked = askedFor(check, file, stands);
  const stand =
    asked.length || stands.stand?.position !== check.position ? undefined : stands.stand;
  const again = stop?.state === 'again';
  const { step, tell } = useCheckStep({ check, unread, again, confirmed: stand !== undefined });
  const go = (id: string | undefined) =>
    id && id !== check.id ? onGo(id) : router.replace(`/walk/${file.machine.id}`);
  const nextId = next?.check.id;
  const goNext = () => go(nextId);
  useKeys([
    { key: 'j', does: 'next check of the walk', run: () => go(stops[at + 1]?.check.id) },
    { key: 'k', does: 'check before it', run: () => go(stops[at - 1]?.check.id) },
    ...(step.at === 'verdict' ? [{ key: 'Enter', does: 'on to what is next', run: goNext }] : []),
  ]);

  useEffect(() => {
    onNext(check.id, step.at === 'verdict' ? nextId : undefined);
  }, [step.at, check.id, nextId, onNext]);

  const coming = useComing();
  const taking = { file, check, walk, by, stand };
  const take = useAction(
    async (taken: readonly Taken[], note: string, last: boolean) => {
      if (step.at !== 'entering') return;
      const { wish, settled } = step;
      const readings = taken.map(({ place, value, strikes, tool }) => {
        const old = own.find((r) => r.id === strikes) ?? struckBy(wish, own, { place, value });
        const about = {
          ...taking,
          place,
          tool: tool ?? null,
          state: wish.state,
          now: clock(),
          note,
          renewed: (wish.renewed || (old?.renewed ?? false)) && value.kind !== 'skip',
          repaired: (wish.repaired || (old?.repaired ?? false)) && value.kind !== 'skip',
          settled,
          strikes: old?.id ?? null,
        };
        return newReading(about, value);
      });
      if (last) {
        const laid = { ...file, readings: [...file.readings, ...readings] };
        await coming.glimpse(() => verdictOf(laid, check, today));
      }
      try {
        await put(readings.map((body) => ({ kind: 'reading' as const, body })));
      } catch (error) {
        coming.over();
        throw error;
      }
    },
    undefined,
    SIGN_MS,
  );
  const skip = useAction(async (why: string) => {
    await put(
      unread.map((place) => ({
        kind: 'reading' as const,
        body: newReading(
          { ...taking, place, state: 'asFound', now: clock() },
          { kind: 'skip', why },
        ),
      })),
    );
    go(nextId);
  });
  const proposal = verdict
    ? proposeWork(verdict, { others: standing.verdicts, times: file.times })
    : undefined;
  const addToWork = useAction(async () => {
    if (!proposal) return;
    const acceptedAt = clock().toISOString();
    const machineId = file.machine.id;
    await put([
      {
        kind: 'work',
        body: accepted(proposal, { id: uuidv7(), machineId, acceptedBy: by, acceptedAt }),
      },
    ]);
  });

  const head = <CheckHead file={file} stops={stops} at={at} />;
  const photos = <PhotoStrip file={file} check={check} walk={walk} />;

  if (step.at !== 'verdict')
    return (
      <EntryStep
        head={head}
        photos={photos}
        file={file}
        walk={walk}
        check={check}
        verdict={verdict}
        step={step}
        tell={tell}
        stands={stands}
        asked={asked}
        own={own}
        because={stop?.state === 'again' ? stop.because : undefined}
        take={take}
        coming={coming}
        skip={skip}
      />
    );
  if (!verdict)
    return (
      <Screen head={head} title={check.component}>
        <CheckTitle check={check} />
        <Skeleton what="the verdict" />
      </Screen>
    );
  return (
    <VerdictStep
      head={head}
      photos={photos}
      both={<BothTook file={file} walk={walk} check={check} own={own} />}
      beside={<WhileOpen file={file} walk={walk} check={check} stops={stops} />}
      verdict={verdict}
      facts={standing.facts}
      otherwise={<DecideOtherwise file={file} standing={standing} verdict={verdict} />}
      own={own}
      work={{
        proposed: proposal !== undefined,
        accepted: standing.work.some((w) => w.checkId === check.id && !w.done),
        add: addToWork,
      }}
      begin={(wish) => tell({ type: 'begin', wish: { ...wish, since: clock().toISOString() } })}
      next={{ last: next === undefined, change, go: goNext }}
    />
  );
}

interface CheckHeadProps extends Pick<CheckInWalkProps, 'file'> {
  readonly stops: readonly WalkStop[];
  readonly at: number;
}

/** The way back, how far the walk has come, what waits to be sent: there once, not ahead too. */
const CheckHead = ({ file, stops, at }: CheckHeadProps) =>
  useContext(Ahead) ? null : (
    <View style={styles.head}>
      <HeadRow
        back={{
          to: `/walk/${file.machine.id}`,
          title: `${file.machine.model} · ${file.machine.serial}`,
          label: 'Back to the walk',
        }}
      >
        <Quiet>{`${at + 1} of ${stops.length}`}</Quiet>
        <SyncLine />
      </HeadRow>
      <Progress stops={stops} at={at} />
      <KeysHelp />
    </View>
  );

const styles = StyleSheet.create({ head: { gap: SPACE.s, paddingBottom: SPACE.xs } });
