import { z } from 'zod';
import { Id, Moment, ShortText, Slug } from './common';

/** No photo is kept larger than this, bytes; a phone shrinks it to less before it keeps it. */
export const MOST_PHOTO_BYTES = 1_000_000;

/** A photo of a check in a walk; what it shows is fetched by its id. Several belong to one reading. */
export const Photo = z.object({
  id: Id,
  machineId: Id,
  walkId: Id.nullable().default(null),
  checkId: Slug,
  place: z.string().trim().max(120).default('').describe('empty: the whole check'),
  bytes: z.int().min(1).max(MOST_PHOTO_BYTES, `at most ${MOST_PHOTO_BYTES} bytes`),
  width: z.int().min(1).max(10_000),
  height: z.int().min(1).max(10_000),
  takenAt: Moment,
  by: ShortText,
  dropped: z
    .object({ at: Moment, by: ShortText })
    .nullable()
    .default(null)
    .describe('taken away again: what it showed is kept nowhere'),
});
export type Photo = z.infer<typeof Photo>;

/** How much of a photo has come through. The rest is sent from there on. */
export const PhotoState = z.object({ have: z.int().min(0), done: z.boolean() });
export type PhotoState = z.infer<typeof PhotoState>;
