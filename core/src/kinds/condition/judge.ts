import type { ConditionCheck, Reading, ValueOf } from '../../contracts';
import type { ConditionNumbers, Finding, FindingId } from '../../findings';
import { NOT_MEASURED, shown, type Seen, type Shown } from '../kind';

type Lead = ConditionCheck['marked'];

const LEADS = {
  watch: 'marked',
  adjust: 'putRight',
  turn: 'edgeSpent',
  replace: 'damaged',
} as const satisfies Record<Lead, FindingId>;

/** What was seen: sound, marked or damaged, and what the sheet has done then. */
export function judgeCondition(check: ConditionCheck, { main }: Seen): Shown {
  const { value } = main;
  if (value.kind !== 'condition') return shown([NOT_MEASURED]);
  if (value.grade === 'sound') return shown([{ id: 'inside', numbers: { shows: 'condition' } }]);
  return shown([whatWasSeen(check, value)]);
}

function whatWasSeen(check: ConditionCheck, value: ValueOf<'condition'>): Finding {
  const found = [...value.seen, ...(value.found ? [value.found] : [])].join(', ');
  const lead: Lead = value.grade === 'marked' ? check.marked : check.damaged;
  const numbers: ConditionNumbers = { grade: value.grade, found };
  return { id: LEADS[lead], numbers };
}

/** Damage does not heal: it stays until a new part, a turn or a repair is on record. */
export function spoiltCondition(check: ConditionCheck, { value }: Reading): Finding | undefined {
  return value.kind === 'condition' && value.grade === 'damaged'
    ? whatWasSeen(check, value)
    : undefined;
}
