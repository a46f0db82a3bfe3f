import { z } from 'zod';
import { Moment } from '../common';

export const ARCHIVE_FORMAT = 'green-tally-archive';
/** Raised when what is in it changes so that an older reader would go wrong. */
export const ARCHIVE_VERSION = 1;

/** A file of an archive, with what it must hash to. */
export const ArchiveFile = z.strictObject({
  path: z
    .string()
    .regex(/^(data|schemas|photos|pages)\/[\w.-]+$|^README\.md$/, 'a path within the archive'),
  bytes: z.int().min(0),
  sha256: z.string().regex(/^[0-9a-f]{64}$/, '64 hexadecimal figures'),
  rows: z.int().min(0).optional().describe('of a list'),
});
export type ArchiveFile = z.infer<typeof ArchiveFile>;

/** What an archive holds: its last file, `manifest.json`. */
export const ArchiveManifest = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT, 'an archive of Green Tally'),
  version: z.literal(ARCHIVE_VERSION, `version ${ARCHIVE_VERSION}`),
  madeAt: Moment,
  by: z.string(),
  files: z.array(ArchiveFile),
});
export type ArchiveManifest = z.infer<typeof ArchiveManifest>;

/** What was looked through, or brought in. */
export const ArchiveTaken = z.object({
  stored: z.boolean().describe('false: looked through only'),
  madeAt: Moment,
  lists: z.array(z.object({ name: z.string(), rows: z.int() })),
  photos: z.int(),
  pages: z.int(),
});
export type ArchiveTaken = z.infer<typeof ArchiveTaken>;

/** A format that goes in or out, with an example. */
export const Format = z.object({
  name: z.string(),
  about: z.string(),
  goes: z.enum(['in', 'out', 'both']),
  file: z.string().describe('name or kind of the file'),
  fields: z.array(z.object({ name: z.string(), kind: z.string(), about: z.string() })),
  example: z.string(),
});
export type Format = z.infer<typeof Format>;

/** Every format there is. */
export const Formats = z.object({ formats: z.array(Format) });
export type Formats = z.infer<typeof Formats>;
