import type { Check, VanList, WorkItem } from '../contracts';
import { atPlace } from '../kinds';

/** What is done on one machine in one visit. */
export interface Job {
  readonly serial: string;
  readonly items: readonly Pick<WorkItem, 'checkId' | 'decision' | 'places' | 'parts'>[];
  readonly checks: readonly Check[];
}

/** What the kinds of work want beside the parts. Shop rule. */
const TOOLS: Readonly<Record<WorkItem['decision'], readonly string[]>> = {
  replace: ['spanners and pullers', 'torque wrench', 'new locking hardware'],
  shorten: ['chain breaker', 'connecting and half links', 'spanners'],
  adjust: ['spanners', 'feeler gauges'],
  turn: ['spanners', 'torque wrench'],
  remeasure: [],
  watch: [],
  due: ['grease gun', 'drain pan and rags'],
};

type Loaded = Pick<VanList, 'parts' | 'litres' | 'grease' | 'gauges' | 'tools'>;

/**
 * What is loaded for some jobs together: parts each number once, in whole boxes where they are sold
 * so; oils by product and litres, grease by product and strokes; the gauge of every check that is read
 * as left; tools of the kinds of work there are.
 */
export function vanList(jobs: readonly Job[]): Loaded {
  const parts = new Map<string, Loaded['parts'][number]>();
  const litres = new Map<string, number>();
  const grease = new Map<string, number>();
  const gauges = new Set<string>();
  const tools = new Set<string>();
  for (const { serial, items, checks } of jobs) {
    const byId = new Map(checks.map((c) => [c.id, c]));
    for (const item of items) {
      for (const { number, name, quantity, order } of item.parts) {
        const there = parts.get(number) ?? { number, name, quantity: 0, for: [] };
        parts.set(number, {
          ...there,
          quantity: there.quantity + (order ?? quantity),
          for: there.for.includes(serial) ? there.for : [...there.for, serial],
        });
      }
      for (const tool of TOOLS[item.decision]) tools.add(tool);
      const check = byId.get(item.checkId);
      if (!check) continue;
      gauges.add(check.tool.name);
      pour(check, item, litres, grease);
    }
  }
  return {
    parts: [...parts.values()].sort((a, b) => (a.number < b.number ? -1 : 1)),
    litres: listed(litres, (product, amount) => ({ product, litres: amount })),
    grease: listed(grease, (product, amount) => ({ product, strokes: amount })),
    gauges: [...gauges].sort(),
    tools: [...tools].sort(),
  };
}

/** What a service wants of oil or grease, at all its places. */
function pour(
  check: Check,
  item: Job['items'][number],
  litres: Map<string, number>,
  grease: Map<string, number>,
): void {
  if (check.kind !== 'service') return;
  const places = item.places.length ? item.places : check.places;
  for (const place of places) {
    const { asks, amount, product } = atPlace(check, place);
    if (amount === undefined || asks === 'done') continue;
    const into = asks === 'litres' ? litres : grease;
    into.set(product, (into.get(product) ?? 0) + amount);
  }
}

const listed = <T>(sums: ReadonlyMap<string, number>, row: (key: string, sum: number) => T): T[] =>
  [...sums].sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, sum]) => row(key, sum));
