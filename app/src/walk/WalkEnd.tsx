import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { MachineFile, Walk } from '@green-tally/core/contracts';
import { needsHand } from '@green-tally/core/findings';
import type { Standing } from '@green-tally/core/plan';
import { summaryOf, type WalkSummary } from '@green-tally/core/summary';
import { DECISION_WORDS } from '@green-tally/core/verdict';
import { VerdictSummary } from '../machine/VerdictSummary';
import { put, useAction, useClock, useOutgoing, useSession } from '../store';
import {
  Body,
  Card,
  DecisionCounts,
  Go,
  Heading,
  Notice,
  Press,
  Quiet,
  Screen,
  SPACE,
  Strong,
  Title,
  useWide,
} from '../ui';
import { momentWords } from '../yard/words';
import { useWhere } from './useWhere';
import { WalkHead } from './WalkHead';

interface WalkEndProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly walk: Walk;
}

/**
 * What a walk came to, before it is signed for: by decision, put right, set aside, not read, worth
 * nothing. Afterwards the same stands to be looked at.
 */
export function WalkEnd({ file, standing, walk }: WalkEndProps) {
  const router = useRouter();
  const clock = useClock();
  const wide = useWide();
  const { data: session } = useSession();
  const name = session?.person?.name ?? '';
  const { stops, stands } = useWhere(file, walk);
  const runs = stands.facts?.run === 'running';
  const { readings, photos } = file;
  const { verdicts } = standing;
  const sum = summaryOf({ walk, checks: stops.map((s) => s.check), readings, photos, verdicts });
  const finish = useAction(async () => {
    await put([{ kind: 'walk', body: { ...walk, finishedAt: clock().toISOString() } }]);
    router.replace(`/due/${file.machine.id}`);
  });
  return (
    <Screen
      testID="walk end"
      title={`End of the walk: ${file.machine.serial}`}
      full
      footer={
        walk.finishedAt ? undefined : (
          <>
            {finish.trouble ? <Strong tone="rust">{finish.trouble}</Strong> : null}
            <Press
              fill="pine"
              title={runs ? 'Stop it and make it safe first' : `Finish: ${name}`}
              testID="finish walk"
              disabled={runs}
              loading={finish.busy}
              onPress={() => void finish.run()}
            />
          </>
        )
      }
    >
      <WalkHead machine={file.machine} />
      {walk.finishedAt ? null : (
        <Go to={`/walk/${file.machine.id}`} label="Back to the walk">
          <Strong tone="pine">‹ Back to the walk</Strong>
        </Go>
      )}
      <Title>What this walk came to</Title>
      <Quiet>{aboutWords(walk, sum)}</Quiet>
      <Waiting machineId={file.machine.id} />
      <View testID="decisions">
        {sum.decisions.length ? (
          <DecisionCounts
            counts={Object.fromEntries(sum.decisions.map((d) => [d.decision, d.verdicts.length]))}
          />
        ) : (
          <Body>Nothing was read.</Body>
        )}
      </View>
      <View style={wide ? styles.columns : styles.one}>
        <View style={wide ? styles.column : styles.one}>
          <Found machineId={file.machine.id} sum={sum} />
        </View>
        <View style={wide ? styles.column : styles.one}>
          <Doubts sum={sum} />
        </View>
      </View>
      <Quiet>
        Once it is finished a reading is only struck, with a reason, and read anew in another walk.
      </Quiet>
    </Screen>
  );
}

function Waiting({ machineId }: { readonly machineId: string }) {
  const waiting = useOutgoing(machineId)?.filter((o) => o.state === 'waiting').length ?? 0;
  return waiting ? <Quiet>{`${waiting} of it wait on this phone to be sent.`}</Quiet> : null;
}

function aboutWords({ startedAt, finishedAt, by }: Walk, { people, photos }: WalkSummary): string {
  const others = people.filter((p) => p !== by);
  return [
    `Begun ${momentWords(startedAt)} by ${[by, ...others].join(', ')}`,
    ...(finishedAt ? [`finished ${momentWords(finishedAt)}`] : []),
    ...(photos ? [`${photos} ${photos === 1 ? 'photo' : 'photos'}`] : []),
  ].join(' · ');
}

/** What needs a hand, each with its numbers; what is to be watched by name. */
function Found({ machineId, sum }: { readonly machineId: string; readonly sum: WalkSummary }) {
  const loud = sum.decisions.filter((d) => needsHand(d.decision)).flatMap((d) => d.verdicts);
  const watched = sum.decisions.find((d) => d.decision === 'watch')?.verdicts ?? [];
  return (
    <>
      {loud.length ? (
        <Card testID="needs a hand">
          <Heading>{`Needs a hand: ${loud.length}`}</Heading>
          {loud.map((verdict) => (
            <VerdictSummary key={verdict.check.id} verdict={verdict} machineId={machineId} />
          ))}
        </Card>
      ) : null}
      <Listed
        title="Put right in this walk"
        lines={sum.putRight.map(
          (v) => `${v.check.component}: now ${DECISION_WORDS[v.decision].toLowerCase()}`,
        )}
      />
      <Listed title="To be watched" lines={watched.map((v) => v.check.component)} />
    </>
  );
}

/** What does not count, or was not looked at, and why. */
function Doubts({ sum }: { readonly sum: WalkSummary }) {
  const at = (places: readonly string[], all: readonly string[]) =>
    places.length === all.length ? '' : `: ${places.join(', ')}`;
  return (
    <>
      {sum.worthless.length ? (
        <Notice
          tone="rust"
          title="Worth nothing: read in another position"
          text={sum.worthless.map(({ check }) => check.component).join(', ')}
        />
      ) : null}
      <Listed
        title="Set aside"
        lines={sum.setAside.map(({ check, place, why }) => {
          const where = check.places.length > 1 ? `, ${place}` : '';
          return `${check.component}${where}: ${why}`;
        })}
      />
      <Listed
        title="Not read, stays due"
        lines={sum.undone.map(
          ({ check, places }) => `${check.component}${at(places, check.places)}`,
        )}
      />
      <Listed
        title="Struck"
        lines={sum.struck.map(({ check, place, said, by }) => {
          const where = check.places.length > 1 ? `, ${place}` : '';
          return `${check.component}${where}: ${said} (${by})`;
        })}
      />
    </>
  );
}

/** So many lines are told; the rest are counted. */
const MOST_LINES = 12;

function Listed({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  if (!lines.length) return null;
  const left = lines.length - MOST_LINES;
  const rows: ReactNode[] = lines
    .slice(0, MOST_LINES)
    .map((line) => <Body key={line}>{line}</Body>);
  return (
    <Card testID={title.toLowerCase()}>
      <Heading>{`${title}: ${lines.length}`}</Heading>
      {rows}
      {left > 0 ? <Quiet>{`and ${left} more`}</Quiet> : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: SPACE.l },
  column: { flex: 1, gap: SPACE.m },
  one: { gap: SPACE.m },
});
