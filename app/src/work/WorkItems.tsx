import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { MachineFile, WorkLine } from '@green-tally/core/contracts';
import { countsFrom } from '@green-tally/core/intervals';
import type { Standing, StandingWork } from '@green-tally/core/plan';
import { takenHeavy } from '@green-tally/core/work';
import { Card, Chip, Heading, Notice, Press, Quiet, Strong } from '../ui';
import { dayWords } from '../yard/words';
import { AcceptedWork, doneWords } from './AcceptedWork';
import { Decide, HeavyParts, type OfMachine } from './DecideLine';
import { untilWords } from './words';
import { WorkCard } from './WorkCard';
import type { Work } from './useWork';

interface WorkItemsProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly lines: readonly WorkLine[];
  readonly work: Work;
  /** what was decided to be left, and why */
  readonly left: readonly { readonly name: string; readonly said: string }[];
}

/**
 * What was decided and waits to be accepted, what is due beside it, what was put off, what is in work,
 * and what has been put right.
 */
export function WorkItems({ file, standing, lines, work, left }: WorkItemsProps) {
  const machineId = file.machine.id;
  const of = (state: WorkLine['state']) => lines.filter((l) => l.state === state);
  const name = (checkId: string) =>
    standing.verdicts.find((v) => v.check.id === checkId)?.check.component ?? checkId;
  const shared = { machineId, hours: standing.facts.hours, work };
  const known = of('called').length + of('accepted').length + of('beside').length;
  return (
    <>
      <Called lines={of('called')} {...shared} />
      <AcceptedWork lines={of('accepted')} file={file} standing={standing} {...shared} />
      <Beside lines={of('beside')} {...shared} />
      <PutOff lines={of('putOff')} {...shared} />
      <LeftAlone items={left} />
      {known ? null : <NoWork machineId={machineId} unknown={standing.walkState === 'none'} />}
      <PutRight
        done={standing.work.filter((w) => w.done)}
        harvest={file.machine.harvest.start}
        name={name}
      />
    </>
  );
}

interface PutRightProps {
  readonly done: readonly StandingWork[];
  /** first day of harvest */
  readonly harvest: string;
  readonly name: (checkId: string) => string;
}

/** What has been put right this season; of earlier ones how much. */
function PutRight({ done, harvest, name }: PutRightProps) {
  const from = countsFrom(harvest);
  const now = done.filter((w) => w.acceptedAt >= from);
  if (!done.length) return null;
  return (
    <Card testID="put right">
      <Heading>{`Put right this season: ${now.length}`}</Heading>
      {now.map((w) => (
        <Quiet key={w.id}>
          {w.from === 'task'
            ? `${w.task?.text ?? name(w.checkId)}: ticked`
            : `${name(w.checkId)}: ${w.decision}, closed by a reading${doneWords(w)}`}
        </Quiet>
      ))}
      {done.length > now.length ? (
        <Quiet>{`${done.length - now.length} in earlier seasons.`}</Quiet>
      ) : null}
    </Card>
  );
}

interface LinesProps extends OfMachine {
  readonly lines: readonly WorkLine[];
}

function Called({ lines, machineId, work, hours }: LinesProps) {
  // numbers of standard parts, by check, for which the heavy one is taken
  const [heavy, setHeavy] = useState<Readonly<Record<string, readonly string[]>>>({});
  if (!lines.length) return null;
  const shown = lines.map((line) => ({
    ...line,
    work: (heavy[line.work.checkId] ?? []).reduce(takenHeavy, line.work),
  }));
  const toggle = (checkId: string, number: string) => {
    const chosen = heavy[checkId] ?? [];
    const next = chosen.includes(number) ? chosen.filter((n) => n !== number) : [...chosen, number];
    setHeavy({ ...heavy, [checkId]: next });
  };
  return (
    <Card edge="pine" testID="proposed">
      <Heading>{`Decided, not yet accepted: ${lines.length}`}</Heading>
      {shown.map((line, i) => (
        <WorkCard key={line.key} line={line}>
          <HeavyParts
            parts={lines[i]?.work.parts ?? []}
            taken={heavy[line.work.checkId] ?? []}
            onToggle={(number) => toggle(line.work.checkId, number)}
          />
          <Decide line={line} {...{ machineId, work, hours }} />
        </WorkCard>
      ))}
      {lines.length > 1 ? (
        <Press
          fill="pine"
          title={`Accept all ${lines.length}`}
          testID="accept all"
          loading={work.accept.busy}
          onPress={() => void work.accept.run(shown.map((l) => ({ machineId, work: l.work })))}
        />
      ) : null}
    </Card>
  );
}

const FEW = 3;

/** Services, what is to be looked at again, and tasks: folded where there are many. */
function Beside({ lines, ...shared }: LinesProps) {
  const [all, setAll] = useState(false);
  if (!lines.length) return null;
  const shown = all ? lines : lines.slice(0, FEW);
  return (
    <Card testID="beside">
      <Heading>{`Services, rechecks, tasks: ${lines.length}`}</Heading>
      {shown.map((line) => (
        <WorkCard key={line.key} line={line}>
          <Decide line={line} {...shared} />
        </WorkCard>
      ))}
      {lines.length > FEW ? (
        <Chip
          title={all ? 'Show fewer' : `Show all ${lines.length}`}
          on={all}
          testID="all beside"
          onPress={() => setAll(!all)}
        />
      ) : null}
    </Card>
  );
}

function PutOff({ lines, machineId, work }: LinesProps) {
  if (!lines.length) return null;
  return (
    <Card testID="put off list">
      <Heading>{`Put off: ${lines.length}`}</Heading>
      {lines.map((line) => (
        <WorkCard key={line.key} line={line}>
          {line.putOff ? (
            <Quiet>
              {`Until ${untilWords(line.putOff.until)}: ${line.putOff.why} (${line.putOff.by}, ${dayWords(line.putOff.at.slice(0, 10))})`}
            </Quiet>
          ) : null}
          <Press
            title="Decide it now"
            label={`Decide it now: ${line.component}`}
            small
            disabled={work.say.busy}
            onPress={() =>
              void work.say.run([{ machineId, work: line.work }], { what: 'decideNow' })
            }
          />
        </WorkCard>
      ))}
    </Card>
  );
}

function LeftAlone({ items }: { items: WorkItemsProps['left'] }) {
  return items.length ? (
    <Card testID="left alone">
      <Heading>{`Left, by decision: ${items.length}`}</Heading>
      {items.map(({ name, said }) => (
        <View key={name}>
          <Strong>{name}</Strong>
          <Quiet>{said}</Quiet>
        </View>
      ))}
      <Quiet>A new reading asks anew.</Quiet>
    </Card>
  ) : null;
}

function NoWork({ machineId, unknown }: { machineId: string; unknown: boolean }) {
  const router = useRouter();
  return unknown ? (
    <Notice
      title="No work known"
      text="Nothing was measured this season: walk the machine first."
      action={{ title: 'Start the walk', onPress: () => router.push(`/walk/${machineId}`) }}
    />
  ) : (
    <Notice tone="pine" title="No work due" text="What was measured holds through this harvest." />
  );
}
