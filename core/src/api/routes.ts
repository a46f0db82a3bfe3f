import { z } from 'zod';
import { ARCHIVE_ROUTES } from './archiveRoutes';
import { CARD_ROUTES } from './cardRoutes';
import { HOURS_ROUTES } from './hoursRoutes';
import { INSIGHT_ROUTES } from './insightRoutes';
import { MACHINE_ROUTES } from './machineRoutes';
import { PARTS_ROUTES } from './partsRoutes';
import { PEOPLE_ROUTES } from './peopleRoutes';
import { PLAN_ROUTES } from './planRoutes';
import { REPORT_ROUTES } from './reportRoutes';
import { SPEC_ROUTES } from './specRoutes';
import { TOKEN_ROUTES } from './tokenRoutes';
import { WALK_ROUTES } from './walkRoutes';
import { WORK_ROUTES } from './workRoutes';
import type { Route } from './route';

/** Every route of the API, by rooms. */
export const ROUTES = {
  ...ARCHIVE_ROUTES,
  ...CARD_ROUTES,
  ...HOURS_ROUTES,
  ...INSIGHT_ROUTES,
  ...MACHINE_ROUTES,
  ...PARTS_ROUTES,
  ...PEOPLE_ROUTES,
  ...PLAN_ROUTES,
  ...REPORT_ROUTES,
  ...SPEC_ROUTES,
  ...TOKEN_ROUTES,
  ...WALK_ROUTES,
  ...WORK_ROUTES,
  'GET /openapi.json': {
    summary: 'This document',
    door: 'anyone',
    answer: z.record(z.string(), z.unknown()),
  },
  'GET /strip.pdf': {
    summary: 'The reference strip to measure from photos by, to be printed at 100 %',
    door: 'anyone',
    query: z.object({ paper: z.enum(['a4', 'letter']).default('a4') }),
    answer: 'application/pdf',
  },
} as const satisfies Readonly<Record<string, Route>>;

export type Routes = typeof ROUTES;
export type RouteId = keyof Routes;
