import { z } from 'zod';
import { Visit, VisitNote, VisitPage, VisitPlan, VisitsAsked } from '../contracts';
import {
  BoardPage,
  BoardSetting,
  CalendarFeed,
  CrewPage,
  FarmSpots,
  HarvestMove,
  PlanSearch,
  PlanVersion,
  PlanWish,
  Publish,
  TechnicianHours,
  VisitDiffers,
} from '../contracts/board';
import { Breakdown, ForecastPage } from '../contracts/breakdown';
import { ById } from './params';
import type { Route } from './route';

/** Routes about visits: the board, what a branch plans by, plans and the search for them, calendars. */
export const PLAN_ROUTES = {
  'GET /visits': {
    summary: 'Visits of the branch with their machines, earliest first, page by page',
    door: 'look',
    query: VisitsAsked,
    answer: VisitPage,
  },
  'PUT /visits/{id}': {
    summary: 'Plan or move a visit',
    door: 'planVisits',
    of: 'visit',
    params: ById,
    body: VisitPlan.omit({ id: true }),
    answer: Visit,
  },
  'DELETE /visits/{id}': {
    summary: 'Remove a visit; its work stays, unplanned',
    door: 'planVisits',
    of: 'visit',
    params: ById,
    status: 204,
    answer: null,
  },
  'GET /plan.ics': {
    summary: 'The plan as iCalendar (RFC 5545)',
    door: 'look',
    answer: 'text/calendar',
  },
  'GET /plan.csv': {
    summary: 'The plan as CSV: a line a visit',
    door: 'look',
    answer: 'text/csv',
  },
  'POST /visits/{id}/note': {
    summary: 'Say that a visit was begun or finished, or not after all',
    door: 'takeReadings',
    of: 'visit',
    params: ById,
    body: VisitNote,
    answer: Visit,
  },
  'GET /crew': {
    summary: 'What the branch plans by: bays, skills, hours, holidays, where farms lie',
    door: 'look',
    answer: CrewPage,
  },
  'PUT /crew/setting': {
    summary: 'Say how a branch plans',
    door: 'planVisits',
    body: BoardSetting,
    answer: BoardSetting,
  },
  'PUT /crew/technicians/{id}': {
    summary: 'Say what a technician can do, and when',
    door: 'planVisits',
    of: 'technician',
    params: ById,
    body: TechnicianHours.omit({ personId: true }),
    answer: TechnicianHours,
  },
  'PUT /crew/farms': {
    summary: 'Say where farms lie, all or none',
    door: 'planVisits',
    body: FarmSpots,
    answer: z.object({ changed: z.int() }),
  },
  'POST /harvests/move': {
    summary: 'Move the harvest of a crop, of all customers or of one',
    door: 'keepMachines',
    body: HarvestMove,
    answer: z.object({ machines: z.int() }),
  },
  'GET /board': {
    summary: 'All that a planner of the branch has before them, from today on',
    door: 'look',
    answer: BoardPage,
  },
  'POST /board/publish': {
    summary: 'Publish a plan, all of it or nothing',
    door: 'planVisits',
    body: Publish,
    status: 201,
    answer: PlanVersion,
  },
  'GET /board/plans': {
    summary: 'Plans that were published, newest first',
    door: 'look',
    query: z.object({ before: z.coerce.number().int().min(1).optional() }),
    answer: z.object({ plans: z.array(PlanVersion) }),
  },
  'GET /board/plans/differences': {
    summary: 'How one plan differs from a later one',
    door: 'look',
    query: z.object({
      from: z.coerce.number().int().min(0),
      to: z.coerce.number().int().min(1),
    }),
    answer: z.object({ visits: z.array(VisitDiffers) }),
  },
  'POST /board/searches': {
    summary: 'Look for a plan of the board as it is, or as it would be; nothing is published by it',
    door: 'planVisits',
    body: PlanWish,
    status: 202,
    answer: PlanSearch,
  },
  'GET /board/searches/{id}': {
    summary: 'How far a search for a plan is, and what it has found',
    door: 'look',
    of: 'search',
    params: ById,
    answer: PlanSearch,
  },
  'POST /board/searches/{id}/stop': {
    summary: 'Stop a search; what it has found so far is kept',
    door: 'planVisits',
    of: 'search',
    params: ById,
    answer: PlanSearch,
  },
  'POST /breakdowns': {
    summary: 'Say that a machine has stopped in harvest: each id once',
    door: 'takeReadings',
    body: Breakdown,
    status: 201,
    answer: Breakdown,
  },
  'GET /machines/{id}/breakdowns': {
    summary: 'When a machine has stopped, newest first',
    door: 'look',
    of: 'machine',
    params: ById,
    answer: z.object({ breakdowns: z.array(Breakdown) }),
  },
  'GET /forecasts': {
    summary: 'Whether the forecasts of the branch were right, and what stopped in harvest',
    door: 'look',
    answer: ForecastPage,
  },
  'GET /feeds': {
    summary: 'Links of calendars: one’s own, a planner those of the branch',
    door: 'look',
    answer: z.object({ feeds: z.array(CalendarFeed) }),
  },
  'POST /feeds': {
    summary: 'Make a link of a technician’s calendar',
    door: 'takeReadings',
    body: z.object({ personId: z.uuid('a technician') }),
    status: 201,
    answer: CalendarFeed,
  },
  'DELETE /feeds/{id}': {
    summary: 'Take a calendar’s link back: it opens nothing any more',
    door: 'takeReadings',
    of: 'calendar',
    params: ById,
    answer: CalendarFeed,
  },
  'GET /feeds/{key}/visits.ics': {
    summary: 'A technician’s visits as iCalendar, for whoever has the link',
    door: 'anyone',
    of: 'calendar',
    params: z.object({ key: z.string().max(120) }),
    answer: 'text/calendar',
  },
} as const satisfies Record<string, Route>;
