import { z } from 'zod';
import { Id } from '../contracts';
import { HoursAnswer, HoursPage, HoursReport, HoursTaken } from '../contracts/hours';
import type { Route } from './route';

/** Routes about hours that a fleet service reports. */
export const HOURS_ROUTES = {
  'GET /hours': {
    summary:
      'Reported hours of the branch’s machines: what waits for a person, and what stands last',
    door: 'look',
    answer: HoursPage,
  },
  'POST /hours/ask': {
    summary: 'Ask the fleet service now',
    door: 'keepMachines',
    answer: HoursTaken,
  },
  'POST /hours/import': {
    summary:
      'Take a fleet snapshot from a file, JSON or XML (ISO 15143-3 style); of the person’s branch',
    door: 'keepMachines',
    body: 'text/plain',
    limit: 20,
    answer: HoursTaken,
  },
  'POST /hours/{id}/answer': {
    summary: 'Say whether a challenged report is right, of a swapped meter, or wrong',
    door: 'keepMachines',
    of: 'report',
    params: z.object({ id: Id }),
    body: HoursAnswer,
    answer: HoursReport,
  },
} as const satisfies Readonly<Record<string, Route>>;
