import { z } from 'zod';

/** Calendar day, no time: "2026-06-09". */
export const Day = z.iso.date('a date like 2026-06-09');
export type Day = z.infer<typeof Day>;

/** A moment, UTC: "2026-06-09T07:31:00.000Z". */
export const Moment = z.iso.datetime({ offset: true, error: 'a time like 2026-06-09T07:31:00Z' });

export const Id = z.uuid('an id (UUID)');

/** Short code of a check, part or cover: "fan-drive-belt". */
export const Slug = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'small letters, digits and single dashes')
  .max(60);

export const ShortText = z.string().trim().min(1, 'some text').max(120);
export const LongText = z.string().trim().max(2000);

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
