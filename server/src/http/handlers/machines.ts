import { checksFor } from '@green-tally/core/walk';
import { machineWithSheets } from '../../db';
import { NotFound } from '../../errors';
import { changesOf } from '../../machines/changes';
import { addMachine, changeMachine, machineFile } from '../../machines/machines';
import { adoptRejudging, tryRejudging } from '../../machines/rejudging';
import { pageOf } from '../../paging';
import { ownBranch } from '../../people/people';
import { branchToSee, machineToSee } from '../../people/sight';
import { yardOf } from '../../yard/yard';
import { tellLive } from '../events';
import type { Handlers } from '../mount';
import { lookingAt, type Setting } from '../setting';

/** The Yard and machines. */
export function machineHandlers(setting: Setting) {
  const { db, clock } = setting;
  return {
    'GET /yard': async ({ person, query }) =>
      yardOf(lookingAt(setting, await branchToSee(person, query.branch)), query),
    'GET /machines/{id}': async ({ params, person }) => {
      await machineToSee(params.id, person);
      return machineFile(params.id);
    },
    'GET /machines/{id}/changes': async ({ params, query, person }) => {
      await machineToSee(params.id, person);
      return changesOf(params.id, query);
    },
    'GET /events': ({ person, res }) => {
      tellLive(res, db.changes, ownBranch(person).branch);
      return { text: '' };
    },
    'POST /machines': ({ body, person }) => addMachine(db, body, { person, today: clock.today() }),
    'PATCH /machines/{id}': ({ params, body, person }) =>
      changeMachine(db, params.id, body, { person, now: clock.now(), today: clock.today() }),
    'GET /machines/{id}/checks': async ({ params, query, person }) => {
      await machineToSee(params.id, person);
      const found = await machineWithSheets(params.id);
      if (!found) throw new NotFound('machine');
      const checks = checksFor(found.machine, found.sheets);
      return pageOf(checks, query, (c) => c.id, `checks of ${found.machine.serial}`);
    },
    'GET /machines/{id}/rejudge': async ({ params, query, person }) => {
      await machineToSee(params.id, person);
      return tryRejudging(params.id, query, clock.today());
    },
    'POST /machines/{id}/rejudge': ({ params, body, person }) =>
      adoptRejudging(db, params.id, { ...body, person, today: clock.today() }),
  } satisfies Partial<Handlers>;
}
