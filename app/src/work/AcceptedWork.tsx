import { useState } from 'react';
import type { MachineFile, WorkLine } from '@green-tally/core/contracts';
import type { Standing, StandingWork } from '@green-tally/core/plan';
import { partsUsed, workedOn } from '@green-tally/core/work';
import { useToday } from '../store';
import { Buttons, Card, Go, Heading, Press, Quiet, Strong } from '../ui';
import { dayWords, weekdayWords } from '../yard/words';
import { Answers } from './Answers';
import { SomethingElse, type OfMachine } from './DecideLine';
import { WorkCard } from './WorkCard';
import { WorkedForm } from './WorkedForm';

interface AcceptedProps extends OfMachine {
  readonly lines: readonly WorkLine[];
  readonly file: MachineFile;
  readonly standing: Standing;
}

/** What is in work: what was done of it, and what else there is to say. */
export function AcceptedWork({ lines, standing, ...shared }: AcceptedProps) {
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

/** Who worked on it, how long, and what was fitted. */
export function doneWords(item: StandingWork): string {
  const worked = workedOn(item);
  if (!worked.length) return '';
  const minutes = worked.reduce((sum, w) => sum + w.minutes, 0);
  const hands = [...new Set(worked.flatMap((w) => w.hands))].join(', ');
  const parts = partsUsed(item).map((p) => `${p.quantity} × ${p.number}`);
  return ` (${minutes} min, ${hands}${parts.length ? `, ${parts.join(', ')}` : ''})`;
}
