import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import type { Check, MachineFile, Reading, Walk } from '@green-tally/core/contracts';
import { needsHand } from '@green-tally/core/findings';
import type { Standing } from '@green-tally/core/plan';
import type { CheckVerdict } from '@green-tally/core/verdict';
import {
  checksFor,
  nextStop,
  unreadPlaces,
  walkPlan,
  type WalkStop,
  walkStops,
} from '@green-tally/core/walk';
import { proposeWork } from '@green-tally/core/work';
import { SyncLine } from '../session/SyncLine';
import { put, troubleText, useClock, useDraft, useMachine, useSession } from '../store';
import {
  Body,
  Card,
  Heading,
  Loading,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  Strong,
  Tap,
  useOnce,
  usePalette,
} from '../ui';
import { CountEntry } from './CountEntry';
import type { EntryProps, Taken } from './entries';
import { MeasureEntry } from './MeasureEntry';
import { PositionBanner } from './PositionBanner';
import { SeenEntry } from './SeenEntry';
import { SeriesEntry } from './SeriesEntry';
import { newReading, positionConfirmedAt } from './session';
import { TensionEntry } from './TensionEntry';
import { TextEntry } from './TextEntry';
import { VerdictCard } from './VerdictCard';

/** One check of the walk: set the machine, take the reading, hear the verdict, put it right, read it as left. */
export function CheckScreen() {
  const { machineId, checkId } = useLocalSearchParams<{ machineId: string; checkId: string }>();
  const { file, standing, error, isLoading, again } = useMachine(machineId);
  const router = useRouter();
  if (!file || !standing) {
    return (
      <Screen>
        {isLoading ? (
          <Loading what="the check" />
        ) : (
          <Notice
            tone="rust"
            title="This check cannot be shown"
            text={troubleText(error)}
            action={{ title: 'Try again', onPress: again }}
          />
        )}
      </Screen>
    );
  }
  const check = checksFor(file.machine, file.sheets).find((c) => c.id === checkId);
  if (!check)
    return (
      <Screen>
        <Notice
          title={`${file.machine.serial} has no such check`}
          text="Its spec sheet may have changed."
          action={{
            title: 'To the machine',
            onPress: () => router.replace(`/machine/${machineId}`),
          }}
        />
      </Screen>
    );
  const verdict = standing.verdicts.find((v) => v.check.id === check.id);
  const walk = standing.walk && !standing.walk.finishedAt ? standing.walk : undefined;
  if (!walk) return <OutsideWalk file={file} check={check} verdict={verdict} standing={standing} />;
  return (
    <CheckInWalk
      key={check.id}
      file={file}
      standing={standing}
      check={check}
      verdict={verdict}
      walk={walk}
    />
  );
}

function OutsideWalk({
  file,
  check,
  verdict,
  standing,
}: {
  file: MachineFile;
  check: Check;
  verdict: CheckVerdict | undefined;
  standing: Standing;
}) {
  const router = useRouter();
  return (
    <Screen
      footer={
        <Press
          fill="pine"
          title="Start a walk to measure it"
          onPress={() => router.push(`/walk/${file.machine.id}`)}
        />
      }
    >
      <Row style={{ justifyContent: 'space-between' }}>
        <BackTap file={file} to={`/machine/${file.machine.id}`} />
        <SyncLine />
      </Row>
      <CheckTitle check={check} />
      {verdict ? (
        <VerdictCard verdict={verdict} facts={standing.facts} />
      ) : (
        <Notice title="Not measured yet" text={check.how} />
      )}
      <WhyCard check={check} />
    </Screen>
  );
}

interface CheckInWalkProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly check: Check;
  readonly verdict: CheckVerdict | undefined;
  readonly walk: Walk;
}

/** What is being entered now; undefined shows the verdict. */
interface Entering {
  readonly state: Reading['state'];
  readonly places: readonly string[];
  readonly strike: boolean;
  readonly renewed: boolean;
  readonly linksOut: number;
}

function CheckInWalk({ file, standing, check, verdict, walk }: CheckInWalkProps) {
  const router = useRouter();
  const clock = useClock();
  const { data: session } = useSession();
  const struck = new Set(file.readings.map((r) => r.strikes));
  const own = file.readings.filter(
    (r) => r.walkId === walk.id && r.checkId === check.id && !struck.has(r.id),
  );
  const plan = useMemo(() => walkPlan(file.machine, file.sheets), [file.machine, file.sheets]);
  const stops = walkStops(plan.checks, walk, file.readings);
  const at = stops.findIndex((s) => s.check.id === check.id);
  const stop = stops[at];
  const unread = unreadPlaces(check, own);
  const fresh: Entering = {
    state: 'asFound',
    places: check.places,
    strike: false,
    renewed: false,
    linksOut: 0,
  };
  const [chosen, setChosen] = useState<Entering | 'verdict' | undefined>();
  const [begunAt, setBegunAt] = useState('');
  const entering =
    chosen === 'verdict'
      ? undefined
      : (chosen ?? (unread.length || stop?.state === 'again' ? fresh : undefined));
  const [note, setNote] = useDraft(`note|${walk.id}|${check.id}`);
  const [skipping, setSkipping] = useState(false);
  const [skipWhy, setSkipWhy] = useDraft(`skip|${walk.id}|${check.id}`);
  const [settled, setSettled] = useState(false);
  const [, setLooked] = useState(0);
  const confirmedAt = positionConfirmedAt(walk.id, check.position);
  const next = nextStop(stops, check.id);
  const go = (id: string | undefined) =>
    router.replace(
      id && id !== check.id ? `/walk/${file.machine.id}/${id}` : `/walk/${file.machine.id}`,
    );
  useStepKeys(
    () => go(stops[at + 1]?.check.id),
    () => go(stops[at - 1]?.check.id),
  );

  const begin = (wish: Entering) => {
    setBegunAt(clock().toISOString());
    setSettled(false);
    setChosen(wish);
  };
  const current = own.filter(
    (r) =>
      r.state === (entering?.state ?? 'asFound') &&
      (chosen === undefined && stop?.state !== 'again'
        ? true
        : begunAt !== '' && r.takenAt >= begunAt),
  );
  const take = useOnce(async (taken: readonly Taken[]) => {
    if (!entering) return;
    await put(
      taken.map(({ place, value }) => {
        const old = entering.strike
          ? own.findLast(
              (r) =>
                r.place === place &&
                r.value.kind === value.kind &&
                r.state === entering.state &&
                r.takenAt < begunAt,
            )
          : undefined;
        return {
          kind: 'reading' as const,
          body: newReading(
            {
              file,
              check,
              walk,
              place,
              state: entering.state,
              now: clock(),
              by: session?.person?.name ?? '',
              note: note.trim(),
              renewed: (entering.renewed || (old?.renewed ?? false)) && value.kind !== 'skip',
              settled,
              strikes: old?.id ?? null,
            },
            value,
          ),
        };
      }),
    );
    setNote('');
  });
  const skip = useOnce(async () => {
    if (!skipWhy.trim()) return;
    await put(
      unread.map((place) => ({
        kind: 'reading' as const,
        body: newReading(
          {
            file,
            check,
            walk,
            place,
            state: 'asFound' as const,
            now: clock(),
            by: session?.person?.name ?? '',
          },
          { kind: 'skip', why: skipWhy.trim() },
        ),
      })),
    );
    setSkipWhy('');
    setSkipping(false);
    go(next?.check.id);
  });

  const proposal = verdict ? proposeWork(verdict, standing.verdicts) : undefined;
  const addToWork = useOnce(async () => {
    if (proposal)
      await put([
        {
          kind: 'work',
          body: {
            ...proposal,
            id: uuidv7(),
            machineId: file.machine.id,
            acceptedBy: session?.person?.name ?? '',
            acceptedAt: clock().toISOString(),
            withdrawnAt: null,
          },
        },
      ]);
  });

  const head = (
    <View style={{ gap: 8, paddingBottom: 4 }}>
      <Row style={{ justifyContent: 'space-between' }}>
        <BackTap file={file} to={`/walk/${file.machine.id}`} />
        <Quiet>{`${at + 1} of ${stops.length}`}</Quiet>
        <SyncLine />
      </Row>
      <Progress stops={stops} at={at} />
    </View>
  );

  if (!entering && verdict) {
    const inWork = standing.work.some((w) => w.checkId === check.id && !w.done);
    const fix = FIX[verdict.decision];
    const again = verdict.places.some((p) => p.state === 'asLeft') ? 'asLeft' : 'asFound';
    const linksBefore = Math.max(
      0,
      ...own.map((r) => (r.state === again && r.value.kind === 'travel' ? r.value.linksOut : 0)),
    );
    const needy = verdict.places.filter((p) => needsHand(p.decision)).map((p) => p.place);
    const links = verdict.places.map(
      (p) => p.plan?.choices.find((c) => c.action === 'shorten' && c.fits)?.linksOut ?? 0,
    );
    return (
      <Screen
        testID="check verdict"
        head={head}
        footer={
          <>
            {fix ? (
              <Press
                fill={fix.fill}
                title={fix.title}
                testID="put right"
                onPress={() =>
                  begin({
                    state: 'asLeft',
                    places: needy,
                    strike: false,
                    renewed: verdict.decision === 'replace',
                    linksOut: verdict.decision === 'shorten' ? Math.max(1, ...links) : 0,
                  })
                }
              />
            ) : null}
            {verdict.decision === 'remeasure' ? (
              <Press
                fill="violet"
                title="Measure again"
                testID="measure again"
                onPress={() => begin({ ...fresh, places: needy })}
              />
            ) : null}
            <View style={{ flexDirection: 'row', gap: 8 }}>
              {proposal ? (
                <Press
                  style={{ flex: 1 }}
                  title={inWork ? 'In work' : 'Add to work'}
                  disabled={inWork}
                  onPress={() => void addToWork()}
                  small
                />
              ) : null}
              {own.some((r) => r.value.kind !== 'skip' && r.value.kind !== 'look') ? (
                <Press
                  style={{ flex: 1 }}
                  title="It was wrong"
                  label="The reading was wrong: strike it and measure again"
                  onPress={() =>
                    begin({
                      ...fresh,
                      places: needy.length ? needy : check.places,
                      state: again,
                      strike: true,
                      linksOut: linksBefore,
                    })
                  }
                  small
                />
              ) : null}
              <Press
                style={{ flex: 1 }}
                title={next ? 'Next ›' : 'To the walk ›'}
                testID="next check"
                onPress={() => go(next?.check.id)}
                {...(fix || verdict.decision === 'remeasure' ? {} : { fill: 'pine' as const })}
                small
              />
            </View>
          </>
        }
      >
        <CheckTitle check={check} />
        <VerdictCard verdict={verdict} facts={standing.facts} />
        <WhyCard check={check} />
      </Screen>
    );
  }

  const wish = entering ?? fresh;
  const ready = confirmedAt !== '';
  const frame = (body: ReactNode, footer: ReactNode) => (
    <Screen
      testID="check"
      beside={check.kind === 'measure' || check.kind === 'series'}
      head={head}
      footer={
        skipping ? (
          <>
            <TextEntry
              label="Why is it not measured?"
              value={skipWhy}
              onChange={setSkipWhy}
              hint="cover seized, too dark, part missing"
            />
            <View style={{ flexDirection: 'row', gap: 8 }}>
              <Press style={{ flex: 1 }} title="Back" onPress={() => setSkipping(false)} small />
              <Press
                style={{ flex: 1 }}
                fill="violet"
                title="Skip it"
                disabled={!skipWhy.trim()}
                onPress={() => void skip()}
                small
              />
            </View>
          </>
        ) : ready && (wish.state === 'asFound' || !check.runsToSettle || settled) ? (
          footer
        ) : ready ? (
          <Press
            fill="pine"
            title="Run, made safe, looked again"
            onPress={() => setSettled(true)}
          />
        ) : undefined
      }
    >
      <PositionBanner
        walkId={walk.id}
        check={check}
        confirmedAt={confirmedAt}
        now={clock}
        onChange={() => setLooked((n) => n + 1)}
      />
      <CheckTitle check={check} />
      {stop?.because && stop.state === 'again' ? (
        <Notice
          title="Look again"
          text={`${stop.because.component} was worked on: ${stop.because.why}.`}
        />
      ) : null}
      {wish.state === 'asLeft' ? (
        <Notice
          tone="blue"
          title={wish.renewed ? 'Renewed: now as left' : 'Put right: now as left'}
          text={
            check.runsToSettle
              ? 'An adjuster moves after the first run. Everyone clear, doors shut, run it a minute, make safe again, then look and enter what you see.'
              : 'Make safe before you reach in. Enter what it reads now; only an as-left reading that holds closes the work.'
          }
        />
      ) : null}
      {ready ? body : <WhyCard check={check} open />}
      {ready && wish.state === 'asFound' && !skipping ? (
        <>
          <TextEntry
            label="Note"
            value={note}
            onChange={setNote}
            hint="anything worth keeping with the reading"
          />
          <Row>
            <Press title="Skip, say why" onPress={() => setSkipping(true)} small />
            {verdict && own.length ? (
              <Press title="See the verdict" onPress={() => setChosen('verdict')} small />
            ) : null}
          </Row>
          <WhyCard check={check} />
        </>
      ) : null}
    </Screen>
  );
  const props: Omit<EntryProps, 'check'> = {
    file,
    walk,
    state: wish.state,
    places: wish.places,
    readings: current,
    verdict,
    draftKey: `draft|${walk.id}|${check.id}|${wish.state}`,
    linksOut: wish.linksOut,
    onTake: take,
    onDone: () => setChosen('verdict'),
    frame,
  };
  switch (check.kind) {
    case 'measure':
      return check.places.length > 1 || check.takeUp ? (
        <SeriesEntry {...props} check={check} />
      ) : (
        <MeasureEntry {...props} check={check} />
      );
    case 'series':
      return <SeriesEntry {...props} check={check} />;
    case 'mark':
    case 'feel':
      return <TensionEntry {...props} check={check} />;
    case 'count':
      return <CountEntry {...props} check={check} />;
    default:
      return <SeenEntry {...props} check={check} />;
  }
}

const FIX: Partial<
  Record<CheckVerdict['decision'], { readonly title: string; readonly fill: 'blue' | 'rust' }>
> = {
  adjust: { title: 'Adjust now, then measure as left', fill: 'blue' },
  shorten: { title: 'Shorten now, then measure as left', fill: 'blue' },
  turn: { title: 'Turn now, then count as left', fill: 'rust' },
  replace: { title: 'Renew now, then measure as left', fill: 'rust' },
};

function BackTap({
  file,
  to,
}: {
  file: MachineFile;
  to: `/walk/${string}` | `/machine/${string}`;
}) {
  const router = useRouter();
  return (
    <Tap
      label={to.startsWith('/walk') ? 'Back to the walk' : 'Back to the machine'}
      onPress={() => router.replace(to)}
      style={{ justifyContent: 'center' }}
    >
      <Strong>{`‹ ${file.machine.model} · ${file.machine.serial}`}</Strong>
    </Tap>
  );
}

function CheckTitle({ check }: { check: Check }) {
  return (
    <View>
      <Quiet>{`${check.station} · ${check.stationName}`}</Quiet>
      <Heading style={{ fontSize: 26, lineHeight: 32 }}>{check.component}</Heading>
      <Quiet>{check.measures}</Quiet>
    </View>
  );
}

/** How and why, with the cautions; folded unless open. */
function WhyCard({ check, open = false }: { check: Check; open?: boolean }) {
  const [shown, setShown] = useState(open);
  if (!shown)
    return <Press title="How, and why this limit?" onPress={() => setShown(true)} small />;
  return (
    <Card>
      <Heading>How</Heading>
      <Body>{check.how}</Body>
      <Heading>Why</Heading>
      <Body>{check.why}</Body>
      <Heading>Mind</Heading>
      {check.safety.map((s) => (
        <Body key={s}>{s}</Body>
      ))}
      <Quiet>{`Source: ${check.source}. The maker's manual goes before this sheet.`}</Quiet>
    </Card>
  );
}

/** How far the walk is: a bar for each station as wide as it has checks, filled as they are done; the one being taken is framed. */
function Progress({ stops, at }: { stops: readonly WalkStop[]; at: number }) {
  const palette = usePalette();
  const stations = [...new Set(stops.map((s) => s.check.station))];
  const here = stops[at]?.check.station;
  return (
    <View
      role="img"
      aria-label={`Check ${at + 1} of ${stops.length}, ${stops.filter((s) => s.state === 'done').length} done`}
      style={{ flexDirection: 'row', gap: 4 }}
    >
      {stations.map((station) => {
        const own = stops.filter((s) => s.check.station === station);
        const share = own.filter((s) => s.state === 'done').length / own.length;
        return (
          <View
            key={station}
            style={{
              flex: own.length,
              minWidth: 6,
              height: 12,
              borderRadius: 4,
              borderWidth: 2,
              borderColor: station === here ? palette.pine : palette.line,
              backgroundColor: palette.card,
              overflow: 'hidden',
            }}
          >
            <View
              style={{ width: `${share * 100}%`, height: '100%', backgroundColor: palette.pine }}
            />
          </View>
        );
      })}
    </View>
  );
}

/** `j` and `k` go to the next and the previous check, when nothing is being typed. */
function useStepKeys(forward: () => void, back: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === 'j') forward();
      if (event.key === 'k') back();
    };
    globalThis.addEventListener?.('keydown', onKey);
    return () => globalThis.removeEventListener?.('keydown', onKey);
  });
}
