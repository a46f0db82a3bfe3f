import { checksFor } from '@green-tally/core/walk';
import { machineWithSheets } from '../../db';
import { NotFound } from '../../errors';
import { changesOf } from '../../machines/changes';
import { addMachine, changeMachine, machineFile } from '../../machines/machines';
import { adoptRejudging, tryRejudging } from '../../machines/rejudging';
import { pageOf } from '../../paging';
import { ownBranch } from '../../people/people';
import { yardOf } from '../../yard/yard';
import { tellLive } from '../events';
import type { Handlers } from '../mount';
import { lookingAt, type Setting } from '../setting';

/** The Yard and machines. */
export function machineHandlers(setting: Setting) {
  const { db, clock } = setting;
  return {
    'GET /yard': ({ person, query }) =>
      yardOf(lookingAt(setting, query.branch ?? ownBranch(person).branch), query),
    'GET /machines/{id}': ({ params }) => machineFile(params.id),
    'GET /machines/{id}/changes': ({ params, query }) => changesOf(params.id, query),
    'GET /events': ({ person, res }) => {
      tellLive(res, db.changes, ownBranch(person).branch);
      return { text: '' };
    },
    'POST /machines': ({ body, person }) => addMachine(db, body, person),
    'PATCH /machines/{id}': ({ params, body, person }) =>
      changeMachine(db, params.id, body, { person, now: clock.now() }),
    'GET /machines/{id}/checks': async ({ params, query }) => {
      const found = await machineWithSheets(params.id);
      if (!found) throw new NotFound('machine');
      const checks = checksFor(found.machine, found.sheets);
      return pageOf(checks, query, (c) => c.id, `checks of ${found.machine.serial}`);
    },
    'GET /machines/{id}/rejudge': ({ params, query }) =>
      tryRejudging(params.id, query, clock.today()),
    'POST /machines/{id}/rejudge': ({ params, body, person }) =>
      adoptRejudging(db, params.id, { ...body, person, today: clock.today() }),
  } satisfies Partial<Handlers>;
}
