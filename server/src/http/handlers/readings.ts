import { storeBatch } from '../../walks/batch';
import { exportReadings } from '../../walks/exportCsv';
import { beginImport, importState } from '../../walks/importCsv';
import { keepWalk } from '../../walks/keepWalk';
import { ownBranch } from '../../people/people';
import { machineToSee } from '../../people/sight';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** Walks and readings: in batches from the outbox, as CSV in and out. */
export function readingHandlers({ db, clock }: Setting) {
  return {
    'PUT /walks/{id}': ({ params, body, person }) =>
      keepWalk(db, { ...body, id: params.id }, { person, now: clock.now() }),
    'POST /readings:batch': ({ body, person }) =>
      storeBatch(db, body.readings, { person, now: clock.now(), today: clock.today() }),
    'POST /readings/import': ({ body, query, person }) =>
      beginImport(db, body, person, { mode: query.mode, preview: query.preview === 'yes' }),
    'GET /imports/{id}': ({ params, person }) => importState(params.id, person),
    'GET /readings.csv': async ({ query, person }) => {
      if (query.machine) await machineToSee(query.machine, person);
      return {
        stream: exportReadings(query.machine ? { id: query.machine } : ownBranch(person)),
        filename: 'green-tally-readings.csv',
      };
    },
  } satisfies Partial<Handlers>;
}
