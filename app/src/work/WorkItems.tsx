import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { MachineFile, WorkLine } from '@green-tally/core/contracts';
import { countsFrom } from '@green-tally/core/intervals';
import type { Standing, StandingWork } from '@green-tally/core/plan';
import { partsUsed, takenHeavy, workedOn, type WorkPart } from '@green-tally/core/work';
import { useToday } from '../store';
import { Buttons, Card, Chip, Go, Heading, Notice, Press, Quiet, Strong, TickLine } from '../ui';
import { dayWords, weekdayWords } from '../yard/words';
import { Answers } from './Answers';
import { untilWords } from './words';
import { WorkCard } from './WorkCard';
import { WorkedForm } from './WorkedForm';
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
      <Accepted lines={of('accepted')} file={file} standing={standing} {...shared} />
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

/** Who worked on it, how long, and what was fitted. */
function doneWords(item: StandingWork): string {
  const worked = workedOn(item);
  if (!worked.length) return '';
  const minutes = worked.reduce((sum, w) => sum + w.minutes, 0);
  const hands = [...new Set(worked.flatMap((w) => w.hands))].join(', ');
  const parts = partsUsed(item).map((p) => `${p.quantity} × ${p.number}`);
  return ` (${minutes} min, ${hands}${parts.length ? `, ${parts.join(', ')}` : ''})`;
}

interface Shared {
  readonly machineId: string;
  readonly hours: number;
  readonly work: Work;
}
interface LinesProps extends Shared {
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

/** Yes, or something else. */
function Decide({ line, machineId, work, hours }: Shared & { readonly line: WorkLine }) {
  const today = useToday();
  const [more, setMore] = useState(false);
  const name = line.component;
  return (
    <>
      <Buttons>
        <Press
          title="Accept into work"
          label={`Accept into work: ${line.component}`}
          disabled={work.accept.busy}
          onPress={() => void work.accept.run([{ machineId, work: line.work }])}
          small
        />
        <SomethingElse name={name} shown={!more} onPress={() => setMore(true)} />
      </Buttons>
      {more ? (
        <Answers
          line={line}
          name={name}
          now={{ today, hours }}
          busy={work.say.busy || work.accept.busy}
          onSay={(said) => work.say.run([{ machineId, work: line.work }], said)}
          onAccept={(changed, proposed) =>
            work.accept.run([{ machineId, work: changed, proposed: proposed ?? null }])
          }
          onClose={() => setMore(false)}
        />
      ) : null}
    </>
  );
}

interface SomethingElseProps {
  readonly name: string;
  readonly shown: boolean;
  readonly onPress: () => void;
}

/** Opens what else there is to say of some work. */
function SomethingElse({ name, shown, onPress }: SomethingElseProps) {
  return shown ? (
    <Press title="Something else…" label={`Something else: ${name}`} small onPress={onPress} />
  ) : null;
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

interface HeavyPartsProps {
  readonly parts: readonly WorkPart[];
  /** numbers of those that the heavy one is taken for */
  readonly taken: readonly string[];
  readonly onToggle: (number: string) => void;
}

/** Where a part has a heavy one beside it, the one who accepts the work chooses. */
function HeavyParts({ parts, taken, onToggle }: HeavyPartsProps) {
  const offered = parts.flatMap(({ number, name, heavy }) =>
    heavy ? [{ number, name, heavy }] : [],
  );
  if (!offered.length) return null;
  return (
    <>
      {offered.map(({ number, name, heavy }) => (
        <TickLine
          key={number}
          testID={`heavy ${number}`}
          line={`${heavy.name}, ${heavy.number}, in the place of ${name}${heavy.together ? `: all ${heavy.together} at once` : ''}`}
          about={heavy.because}
          on={taken.includes(number)}
          onPress={() => onToggle(number)}
        />
      ))}
    </>
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

interface AcceptedProps extends LinesProps {
  readonly file: MachineFile;
  readonly standing: Standing;
}

function Accepted({ lines, standing, ...shared }: AcceptedProps) {
  if (!lines.length) return null;
  return (
    <Card testID="accepted">
      <Heading>{`In work: ${lines.length}`}</Heading>
      {lines.map((line) => {
        const item = standing.work.find((w) => w.id === line.item?.id);
        return item ? (
          <AcceptedItem key={line.key} {...{ line, item, standing }} {...shared} />
        ) : null;
      })}
    </Card>
  );
}

interface AcceptedItemProps extends Omit<AcceptedProps, 'lines'> {
  readonly line: WorkLine;
  readonly item: StandingWork;
}

function AcceptedItem({ line, item, file, standing, machineId, work, hours }: AcceptedItemProps) {
  const today = useToday();
  const [open, setOpen] = useState<'worked' | 'more' | undefined>();
  const name = line.component;
  const close = () => setOpen(undefined);
  if (open === 'worked')
    return <WorkedForm {...{ file, standing, item, name, work }} onDone={close} />;
  return (
    <WorkCard line={line}>
      <Quiet>
        {`accepted by ${item.acceptedBy}, ${dayWords(item.acceptedAt.slice(0, 10))}${item.visit ? `; visit ${weekdayWords(item.visit.startsOn)}` : ''}`}
      </Quiet>
      <AsProposed item={item} />
      {item.asksReading ? (
        <Go
          to={`/walk/${machineId}?only=${item.checkId}`}
          label={`Read it as left: ${name}`}
          testID={`as left ${item.checkId}`}
        >
          <Strong tone="blue">{`Worked on${doneWords(item)}. Read it as left ›`}</Strong>
        </Go>
      ) : null}
      <Buttons>
        {item.from === 'task' ? (
          <Go to={`/due/${machineId}`} label={`Tick it: ${name}`}>
            <Strong tone="pine">Tick it under Due ›</Strong>
          </Go>
        ) : (
          <Press
            title={item.asksReading ? 'Done again' : 'Done: say so'}
            label={`Done: ${name}`}
            testID={`worked ${item.checkId}`}
            onPress={() => setOpen('worked')}
            small
          />
        )}
        <Press
          title="Withdraw"
          label={`Withdraw: ${name}`}
          disabled={work.withdraw.busy}
          onPress={() => void work.withdraw.run(item)}
          small
        />
        <SomethingElse name={name} shown={open !== 'more'} onPress={() => setOpen('more')} />
      </Buttons>
      {open === 'more' ? (
        <Answers
          line={line}
          name={name}
          now={{ today, hours }}
          busy={work.say.busy}
          onSay={(said) => work.say.run([{ machineId, work: line.work }], said)}
          onClose={close}
        />
      ) : null}
    </WorkCard>
  );
}

/** How it was proposed, where the one who accepted it changed it. */
function AsProposed({ item: { proposed, acceptedBy } }: { item: StandingWork }) {
  if (!proposed) return null;
  const parts = proposed.parts.map((p) => `${p.quantity} × ${p.number}`);
  const all = [proposed.decision, `${proposed.minutes} min`, ...parts].join(', ');
  return <Quiet testID="as proposed">{`Proposed: ${all}. Changed by ${acceptedBy}.`}</Quiet>;
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
