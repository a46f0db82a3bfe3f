import type { ConditionCheck } from '../../contracts';
import type { ConditionNumbers, FindingId } from '../../findings';
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
  const found = [...value.seen, ...(value.found ? [value.found] : [])].join(', ');
  const lead: Lead = value.grade === 'marked' ? check.marked : check.damaged;
  const numbers: ConditionNumbers = { grade: value.grade, found };
  return shown([{ id: LEADS[lead], numbers }]);
}
