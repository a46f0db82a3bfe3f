import { z } from 'zod';
import { ArchiveTaken, Formats } from '../contracts/archive';
import type { Route } from './route';

/** Routes about what goes out and comes in as a whole, and the formats of all files. */
export const ARCHIVE_ROUTES = {
  'GET /archive.zip': {
    summary: 'Everything as one archive: lists as JSON lines with schemas, photos, hashes',
    door: 'keepPeople',
    answer: 'application/zip',
  },
  'POST /archive': {
    summary: 'Bring an archive into a place that was just set up; or only look through it',
    door: 'keepPeople',
    query: z.object({ look: z.enum(['yes', 'no']).default('no') }),
    body: 'application/zip',
    answer: ArchiveTaken,
  },
  'GET /formats': {
    summary: 'Every format that goes in or out, with an example',
    door: 'look',
    answer: Formats,
  },
} as const satisfies Readonly<Record<string, Route>>;
