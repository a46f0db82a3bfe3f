import { z } from 'zod';
import {
  DueAsked,
  DueList,
  WorkBatch,
  WorkAsked,
  WorkedEntry,
  WorkItem,
  WorkList,
} from '../contracts';
import { PartSubstitution } from '../contracts/parts';
import { ById } from './params';
import type { Route } from './route';

/** Routes about work and what falls due. */
export const WORK_ROUTES = {
  'GET /work': {
    summary: 'Work of the branch by where it stands, nearest harvest first, page by page',
    door: 'look',
    query: WorkAsked,
    answer: WorkList,
  },
  'POST /work': {
    summary: 'Accept decisions into work, all or none',
    door: 'acceptWork',
    body: WorkBatch,
    status: 201,
    answer: z.object({ items: z.array(WorkItem) }),
  },
  'GET /due': {
    summary: 'What is due on the machines of a branch and will be, nearest first, page by page',
    door: 'look',
    query: DueAsked,
    answer: DueList,
  },
  'GET /due.csv': { summary: 'The due list as CSV', door: 'look', answer: 'text/csv' },
  'GET /due.ics': {
    summary: 'The due list as iCalendar (RFC 5545): one all-day event a machine and day',
    door: 'look',
    answer: 'text/calendar',
  },
  'DELETE /work/{id}': {
    summary: 'Withdraw accepted work; it stays on record',
    door: 'acceptWork',
    of: 'work item',
    params: ById,
    answer: WorkItem,
  },
  'POST /work/{id}/worked': {
    summary: 'Say who worked on accepted work, how long, and what was fitted; each id once',
    door: 'takeReadings',
    of: 'work item',
    params: ById,
    body: WorkedEntry,
    answer: WorkItem,
  },
  'POST /work/{id}/substitute': {
    summary:
      'Fit the heavy part of the sheet in the place of one that is short; how it was stays beside it',
    door: 'keepParts',
    of: 'work item',
    params: ById,
    body: PartSubstitution,
    answer: WorkItem,
  },
} as const satisfies Readonly<Record<string, Route>>;
