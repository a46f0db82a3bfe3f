import type { Part, WorkItem } from '../contracts';
import type { ProposedWork } from './propose';

/** A line of parts of some work: how many are fitted, and how many are ordered. */
export type WorkPart = WorkItem['parts'][number];

/** A part of the sheet, and how many of it are fitted. */
export interface Fitted {
  readonly part: Part;
  readonly quantity: number;
  /** all of its check at once: how many are fitted, and how long it takes; where that is known */
  readonly whole?: { readonly quantity: number; readonly minutes: number } | undefined;
}

/**
 * What is fitted and ordered for some parts: under the number that is ordered now, with what each
 * needs beside it, in whole boxes where it is sold so. The same number is named once.
 */
export function partLines(fitted: readonly Fitted[]): WorkPart[] {
  const lines = new Map<string, WorkPart>();
  const add = (line: WorkPart) => {
    const known = lines.get(line.number);
    const quantity = (known?.quantity ?? 0) + line.quantity;
    lines.set(line.number, boxed({ ...known, ...line, quantity }));
  };
  for (const one of fitted) add(lineOf(one));
  for (const { part, quantity } of fitted)
    for (const { number, name, each } of part.needs ?? [])
      add({ number, name, quantity: each * quantity, neededBy: orderedAs(part).number });
  return [...lines.values()];
}

const orderedAs = ({ number, name, supersededBy }: Part) => supersededBy ?? { number, name };

function lineOf({ part, quantity, whole }: Fitted): WorkPart {
  const { number, name } = orderedAs(part);
  const heavy = heavyOf(part.heavy, whole);
  return {
    number,
    name,
    quantity,
    ...(part.supersededBy ? { instead: part.number } : {}),
    ...(part.soldIn === undefined ? {} : { soldIn: part.soldIn }),
    ...(heavy ? { heavy } : {}),
  };
}

/** One that is never mixed is offered only where it is known how many there are of all. */
function heavyOf(heavy: Part['heavy'], whole: Fitted['whole']): WorkPart['heavy'] {
  if (!heavy?.all) return heavy;
  return whole && { ...heavy, together: whole.quantity, minutes: whole.minutes };
}

/** How many are ordered, where they are not sold one by one. */
function boxed(line: WorkPart): WorkPart {
  const { soldIn, quantity } = line;
  return soldIn === undefined ? line : { ...line, order: soldIn * Math.ceil(quantity / soldIn) };
}

/** What changes of some work when a heavy part is taken. */
type Heavied = Pick<ProposedWork, 'minutes' | 'reason' | 'parts'>;

/**
 * The work with the heavy part in the place of the standard one, and with what goes with it. One
 * that is never mixed goes in everywhere at once.
 * @param number of the standard part
 */
export function takenHeavy<W extends Heavied>(work: W, number: string): W {
  const standard = work.parts.find((line) => line.number === number);
  const taken = standard?.heavy;
  if (!taken) return work;
  const { together = standard.quantity } = taken;
  return {
    ...work,
    minutes: taken.minutes ?? work.minutes,
    reason: taken.together
      ? `${work.reason} The heavy ones go in all ${together} at once.`
      : work.reason,
    parts: work.parts.map((line): WorkPart => {
      if (line.neededBy === number)
        return {
          ...line,
          neededBy: taken.number,
          quantity: Math.ceil((line.quantity * together) / standard.quantity),
        };
      if (line !== standard) return line;
      return { number: taken.number, name: taken.name, quantity: together, instead: number };
    }),
  };
}

/**
 * Accepted work with the heavy part in the place of one that is short; how it was stays beside it.
 * @param number of the standard part
 * @returns undefined where the work has no such part, or no heavy one may go in its place
 */
export function substituted(item: WorkItem, number: string): WorkItem | undefined {
  if (!item.parts.some((line) => line.number === number && line.heavy)) return undefined;
  const { decision, minutes, parts } = item;
  return { ...takenHeavy(item, number), proposed: item.proposed ?? { decision, minutes, parts } };
}
