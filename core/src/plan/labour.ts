import type { Check, WorkItem } from '../contracts';
import { zeroOrMore } from '../units';
import { leastMovingOrder, type MoveCosts } from '../walk';

/** What several work items of one machine take together, minutes. */
export interface Labour {
  /** on the items themselves */
  readonly work: number;
  /** each opened once */
  readonly covers: readonly Part[];
  /** how the machine is set for them, each way once, in the order that moves it least */
  readonly positions: readonly Part[];
  readonly minutes: number;
  /** h, to the quarter hour, rounded up */
  readonly hours: number;
}
interface Part {
  readonly name: string;
  readonly minutes: number;
}

/** What a work item brings to the labour of a visit. */
export type LabourItem = Pick<WorkItem, 'checkId' | 'minutes' | 'cover'>;

/**
 * Labour of work that is done in one visit: every cover is opened once, at its dearest, and the
 * machine is set once for each position, in the order that moves it least.
 * @param checks of the machine; a check it no longer has brings no position
 * @throws InputError naming the field
 */
export function labourOf(
  items: readonly LabourItem[],
  checks: readonly Check[],
  costs: MoveCosts,
): Labour {
  const covers = new Map<string, number>();
  items.forEach(({ minutes, cover }, i) => {
    zeroOrMore(`items.${i}.minutes`, minutes);
    if (!cover) return;
    zeroOrMore(`items.${i}.cover.minutes`, cover.minutes);
    covers.set(cover.name, Math.max(covers.get(cover.name) ?? 0, cover.minutes));
  });
  const work = items.reduce((sum, i) => sum + i.minutes, 0);
  const parts = {
    covers: [...covers].map(([name, minutes]) => ({ name, minutes })),
    positions: positionsOf(items, checks, costs),
  };
  const minutes =
    work + [...parts.covers, ...parts.positions].reduce((sum, p) => sum + p.minutes, 0);
  return { work, ...parts, minutes, hours: Math.ceil(minutes / 15) / 4 };
}

/** The positions that some work is done in; it is not known how the machine stands before the first. */
function positionsOf(
  items: readonly LabourItem[],
  checks: readonly Check[],
  costs: MoveCosts,
): Part[] {
  const byId = new Map(checks.map((c) => [c.id, c.position]));
  const names = [
    ...new Set(items.flatMap((i) => (i.minutes > 0 ? (byId.get(i.checkId) ?? []) : []))),
  ];
  const { order, steps } = leastMovingOrder(
    names.map((position, i) => ({ id: String(i), station: 1, position })),
    costs,
    0,
  );
  const [first] = order;
  return first
    ? [
        { name: first.position, minutes: costs.usual },
        ...steps.map(({ to, minutes }) => ({ name: to, minutes })),
      ]
    : [];
}
