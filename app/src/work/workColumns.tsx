import type { WorkLine, WorkList } from '@green-tally/core/contracts';
import { DecisionBadge, Quiet, Strong, type Column } from '../ui';
import { dayWords } from '../yard/words';
import { ANSWER_WORDS, FROM_WORDS, labourWords, sumsWords, untilWords } from './words';

/** Work with the machine it is on. */
export type WorkRow = WorkList['rows'][number];

/** The decision, or where the work came from. */
export const doing = ({ work }: WorkLine): string =>
  work.from === 'verdict' ? work.decision : FROM_WORDS[work.from];

/** What it takes and costs, what the owner said, and where it stands. */
export const about = (line: WorkLine): string =>
  [
    labourWords(line.work),
    line.work.from === 'verdict' ? sumsWords(line.sums) : line.work.reason,
    ...(line.owner ? [`Owner: ${ANSWER_WORDS[line.owner.answer].toLowerCase()}.`] : []),
    ...standWords(line),
  ]
    .filter(Boolean)
    .join(' · ');

function standWords({ putOff, item }: WorkLine): string[] {
  if (putOff) return [`Put off until ${untilWords(putOff.until)}: ${putOff.why}`];
  if (!item) return [];
  if (item.asksReading) return ['Worked on: to be read as left'];
  return [
    item.visit
      ? `Visit ${dayWords(item.visit.startsOn)}, ${item.visit.technician}`
      : 'No visit yet',
  ];
}

/** Work as a table, for a wide screen. */
export const WORK_COLUMNS: readonly Column<WorkRow>[] = [
  {
    key: 'machine',
    title: 'Machine',
    flex: 1.1,
    by: (r) => r.machine.serial,
    cell: ({ machine }) => (
      <>
        <Strong>{machine.serial}</Strong>
        <Quiet>{machine.model}</Quiet>
      </>
    ),
  },
  {
    key: 'harvest',
    title: 'Harvest',
    flex: 1.2,
    by: (r) => r.harvest,
    cell: (r) => <Quiet>{`${r.machine.customer}, ${dayWords(r.harvest)}`}</Quiet>,
  },
  {
    key: 'component',
    title: 'Component',
    flex: 1.6,
    by: (r) => r.line.component,
    cell: ({ line }) => <Strong>{line.component}</Strong>,
  },
  {
    key: 'decision',
    title: 'Decision',
    flex: 1.1,
    by: (r) => r.line.work.decision,
    cell: ({ line }) =>
      line.work.from === 'verdict' ? (
        <DecisionBadge decision={line.work.decision} />
      ) : (
        <Strong tone="violet">{FROM_WORDS[line.work.from]}</Strong>
      ),
  },
  {
    key: 'labour',
    title: 'Labour and parts',
    flex: 2,
    by: (r) => r.line.work.minutes,
    cell: ({ line }) => <Quiet>{labourWords(line.work)}</Quiet>,
  },
  {
    key: 'now',
    title: 'Now, or left',
    flex: 2,
    by: (r) => -(r.line.sums?.left ?? r.line.sums?.ifItGoes ?? 0),
    cell: ({ line }) => (
      <Quiet>{line.work.from === 'verdict' ? sumsWords(line.sums) : line.work.reason}</Quiet>
    ),
  },
  {
    key: 'owner',
    title: 'Owner, and where it stands',
    flex: 1.3,
    by: (r) => r.line.owner?.answer ?? '',
    cell: ({ line }) => (
      <>
        {line.owner ? <Strong>{ANSWER_WORDS[line.owner.answer]}</Strong> : null}
        {standWords(line).map((text) => (
          <Quiet key={text}>{text}</Quiet>
        ))}
      </>
    ),
  },
];
