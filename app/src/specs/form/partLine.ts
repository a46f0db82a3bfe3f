import { z } from 'zod';
import { HeavyPart, Part } from '@green-tally/core/contracts';

/*
 * A part as a line of text:
 *
 *   LM-7712 | Chopper knife | 1 | Opposite mates together. | boxes of 4; needs 1 × LM-7715 Bolt set
 *
 * After the fourth bar: how it is sold and what goes with it, by semicolons:
 *   boxes of 4 · now LM-2 New name · heavy LM-3 Heavy one: when it is taken · needs 2 × LM-4 Kit
 *   A heavy one that is never mixed: heavy all LM-3 Heavy one: when it is taken
 */

export const PART_LINE =
  'number | name | how many | why its mates come along | boxes of 4; now LM-2 New name; heavy LM-3 Heavy one: when; needs 2 × LM-4 Kit';

/** A part as its line; what it does not have is left out. */
export function printPartLine(part: Record<string, unknown>): string {
  const { number, name, each, with: mates = '' } = Part.parse(part);
  const sold = printSold(part);
  const cells = [number, name, String(each), mates, sold];
  while (cells.at(-1) === '') cells.pop();
  return cells.join(' | ');
}

type Sold = Omit<Part, 'number' | 'name' | 'each' | 'with'>;

/** How a part is sold and what goes with it; what else a part says is passed over. */
export function printSold(part: Sold | Record<string, unknown>): string {
  const { soldIn, supersededBy, heavy, needs = [] } = SoldSoFar.parse({ needs: [], ...part });
  return [
    ...(soldIn ? [`boxes of ${soldIn}`] : []),
    ...(supersededBy ? [`now ${supersededBy.number} ${supersededBy.name}`] : []),
    ...(heavy
      ? [`heavy ${heavy.all ? 'all ' : ''}${heavy.number} ${heavy.name}: ${heavy.because}`]
      : []),
    ...needs.map((n) => `needs ${n.each} × ${n.number} ${n.name}`),
  ].join('; ');
}

/** How a part is sold, as it was written; a piece that is none of these is told. */
export function readSold(text: string): Sold | { readonly trouble: string } {
  const sold: z.input<typeof SoldSoFar> = { needs: [] };
  for (const piece of text
    .split(/;\s*(?=boxes |now |heavy |needs )/)
    .map((p) => p.trim())
    .filter(Boolean)) {
    const boxes = /^boxes of (\d+)$/.exec(piece);
    const now = /^now (\S+) (.+)$/.exec(piece);
    const heavy = /^heavy (all )?(\S+) (.+?): (.+)$/.exec(piece);
    const needs = /^needs (\d+) [×x] (\S+) (.+)$/.exec(piece);
    if (boxes) sold.soldIn = Number(boxes[1]);
    else if (now) sold.supersededBy = { number: now[1] ?? '', name: now[2] ?? '' };
    else if (heavy)
      sold.heavy = {
        number: heavy[2] ?? '',
        name: heavy[3] ?? '',
        because: heavy[4] ?? '',
        ...(heavy[1] ? { all: true } : {}),
      };
    else if (needs)
      sold.needs.push({ each: Number(needs[1]), number: needs[2] ?? '', name: needs[3] ?? '' });
    else
      return {
        trouble: `"${piece}" is not boxes of 4; now LM-2 New name; heavy LM-3 Heavy one: when; or needs 2 × LM-4 Kit`,
      };
  }
  const { needs, ...rest } = sold;
  return needs.length ? { ...rest, needs } : rest;
}

const SoldSoFar = z.object({
  soldIn: z.number().optional(),
  supersededBy: z.object({ number: z.string(), name: z.string() }).optional(),
  heavy: HeavyPart.optional(),
  needs: z.array(z.object({ number: z.string(), name: z.string(), each: z.number() })),
});
