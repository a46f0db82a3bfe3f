import { checksFor } from '@green-tally/core/walk';
import { machineWithSheets } from '../../db';
import { NotFound } from '../../errors';
import { addMachine, changeMachine, machineFile } from '../../machines/machines';
import { adoptRejudging, tryRejudging } from '../../machines/rejudging';
import { pageOf } from '../../paging';
import { yardOf } from '../../yard/yard';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** The Yard and machines. */
export function machineHandlers({ db, clock }: Setting) {
  return {
    'GET /yard': ({ person, query }) =>
      yardOf(
        db,
        query.branch ?? (person.role === 'admin' ? undefined : person.branch),
        clock.today(),
      ),
    'GET /machines/{id}': ({ params }) => machineFile(params.id),
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
