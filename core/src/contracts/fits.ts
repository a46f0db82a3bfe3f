import { z } from 'zod';
import { ShortText } from './common';

const Serials = z
  .object({ from: ShortText.optional(), to: ShortText.optional() })
  .refine((r) => r.from !== undefined || r.to !== undefined, {
    path: ['from'],
    message: 'a first serial, a last one, or both',
  })
  .refine((r) => !(r.from && r.to) || compareSerials(r.from, r.to) <= 0, {
    path: ['to'],
    message: 'a last serial that does not come before the first',
  });
const year = z.int().min(1950).max(2100);
const Years = z
  .object({ from: year.optional(), to: year.optional() })
  .refine((r) => r.from !== undefined || r.to !== undefined, {
    path: ['from'],
    message: 'a first year, a last one, or both',
  })
  .refine((r) => (r.from ?? 0) <= (r.to ?? 9999), {
    path: ['to'],
    message: 'a last year that does not come before the first',
  });

/** Which machines something is of: serials from and to, or years built, both ends included. */
export const Fits = z.object({
  serials: Serials.optional(),
  built: Years.optional().describe('years; of a combine only'),
});
export type Fits = z.infer<typeof Fits>;

/**
 * Order of two serials: digits by their number, so that T99 comes before T100.
 * @returns below 0, 0, above 0
 */
export function compareSerials(a: string, b: string): number {
  return ORDER.compare(a, b);
}
const ORDER = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** Whether a serial and a year built lie in what something fits. An unknown year is in no range. */
export function fitsMachine(
  { serials, built }: Fits,
  machine: { readonly serial: string; readonly year: number | undefined },
): boolean {
  const { serial, year: made } = machine;
  if (serials?.from !== undefined && compareSerials(serial, serials.from) < 0) return false;
  if (serials?.to !== undefined && compareSerials(serial, serials.to) > 0) return false;
  if (!built) return true;
  return made !== undefined && made >= (built.from ?? -Infinity) && made <= (built.to ?? Infinity);
}

/** Whether one machine could lie in both. */
export function fitsMeet(a: Fits, b: Fits): boolean {
  return meet(a.serials, b.serials, compareSerials) && meet(a.built, b.built, (x, y) => x - y);
}

interface Range<T> {
  readonly from?: T | undefined;
  readonly to?: T | undefined;
}

function meet<T>(
  a: Range<T> | undefined,
  b: Range<T> | undefined,
  compare: (a: T, b: T) => number,
): boolean {
  const before = (one: Range<T> | undefined, other: Range<T> | undefined) =>
    one?.to !== undefined && other?.from !== undefined && compare(one.to, other.from) < 0;
  return !before(a, b) && !before(b, a);
}
