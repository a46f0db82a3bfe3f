import { answerHours, askFleet, hoursPage, takeHours } from '../../fleetHours/fleetHours';
import { readSnapshot } from '../../fleetHours/snapshot';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** Hours that a fleet service reports. */
export const hoursHandlers = ({ db, fleet }: Setting) =>
  ({
    'GET /hours': ({ person }) => hoursPage(fleet !== undefined, person),
    'POST /hours/ask': async () => askFleet(db, fleet),
    'POST /hours/import': async ({ body, person }) =>
      takeHours(db, readSnapshot(body).equipment, 'file', person.branch),
    'POST /hours/{id}/answer': ({ params, body, person }) =>
      answerHours(db, params.id, { ...body, person }),
  }) satisfies Partial<Handlers>;
