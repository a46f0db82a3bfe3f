import { z } from 'zod';

/** Combines are younger, and nobody plans further. */
const [EARLIEST, LATEST, AFTER_LATEST] = ['1950-01-01', '2100-12-31', '2101'];

/** Calendar day, no time: "2026-06-09". */
export const Day = z.iso
  .date({ error: 'a date like 2026-06-09', abort: true })
  .refine((day) => day >= EARLIEST && day <= LATEST, 'a day between 1950 and 2100');
export type Day = z.infer<typeof Day>;

/** A moment, UTC: "2026-06-09T07:31:00.000Z". */
export const Moment = z.iso
  .datetime({ offset: true, error: 'a time like 2026-06-09T07:31:00Z', abort: true })
  .refine((at) => at >= EARLIEST && at < AFTER_LATEST, 'a time between 1950 and 2100');

/** Versions and revisions count up one by one: what is beyond is no number of ours. */
export const Count = z.int().max(2_000_000_000, 'a number below 2 billion');
export const Revision = z
  .int('a revision')
  .min(1, 'revision 1 or later')
  .max(100_000, 'a revision below 100,000');

/**
 * A number above zero of something on a machine: what is smaller is measured by nobody, and to divide
 * by it gives a number that is none.
 */
export const aboveZero = (most: number) =>
  z
    .number()
    .min(0.0001, 'at least 0.0001')
    .max(most, `at most ${most.toLocaleString('en')}`);

/** Ids are compared in one case. */
export const Id = z.uuid('an id (UUID)').toLowerCase();

/** Short code of a check, part or cover: "fan-drive-belt". */
export const Slug = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'small letters, digits and single dashes')
  .max(60);

/**
 * What is wrong with text that could not be kept as it is: half a character of two (an emoji cut
 * through), or a NUL. @returns the remedy; undefined where it is sound
 */
export const textTrouble = (text: string): string | undefined =>
  soundText(text) ? undefined : 'text without broken characters (an emoji cut in half, a NUL)';

/** No half of a surrogate pair, and no NUL. */
function soundText(text: string): boolean {
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    if (code === 0) return false;
    if (code < 0xd800 || code > 0xdfff) continue;
    const next = text.charCodeAt(i + 1);
    if (code > 0xdbff || !(next >= 0xdc00 && next <= 0xdfff)) return false;
    i += 1;
  }
  return true;
}

const Text = z.string().refine((text) => textTrouble(text) === undefined, {
  error: 'text without broken characters (an emoji cut in half, a NUL)',
});

/** How a machine or header is built, by its sheet's equipment: {"feeder-drive": "fixed"}. */
export const BuiltAs = z
  .record(Slug, Slug)
  .refine((as) => Object.keys(as).length <= 60, 'at most 60 kinds of equipment');

export const ShortText = Text.trim().min(1, 'some text').max(120);
export const LongText = Text.trim().max(2000);

const km = z
  .number('km in figures, not in words')
  .finite()
  .min(-10_000, 'within 10,000 km')
  .max(10_000, 'within 10,000 km');

/** A place on the branch's map, km east and north of wherever it counts from. */
export const MapSpot = z.object({ x: km, y: km });
export type MapSpot = z.infer<typeof MapSpot>;

/** RFC 9457 problem details, with the fields at fault. */
export const Problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  errors: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof Problem>;

/** What is wrong with one field, and the remedy. */
export interface FieldTrouble {
  readonly field: string;
  readonly message: string;
}
