import type { Request } from 'express';
import type { Session } from '@green-tally/core/contracts';
import { PersonRow } from '../../db';
import { NotSignedIn } from '../../errors';
import { addPerson, findPerson, listPeople, setUp, signInAs } from '../../people/people';
import type { Handlers } from '../mount';
import { beginSession, endSession } from '../session';
import type { Setting } from '../setting';

/** Sign-in, first set-up, people. */
export function peopleHandlers({ db, clock, demoSignIns = [], gauge }: Setting) {
  const sessionFor = async (person: Session['person']): Promise<Session> => ({
    person,
    needsSetup: person === null && (await PersonRow.count()) === 0,
    now: clock.now().toISOString(),
    demo: demoSignIns.length > 0,
    gauge: person && gauge ? gauge : null,
    demoSignIns: person ? [] : demoSignIns,
  });
  const begin = async (req: Request, person: NonNullable<Session['person']>): Promise<Session> => {
    await beginSession(req, person.id);
    return sessionFor(person);
  };
  return {
    'GET /session': async ({ req, res }) => {
      res.set('cache-control', 'no-store');
      return sessionFor(req.session.personId ? await findPerson(req.session.personId) : null);
    },
    'POST /session': async ({ req, body }) => {
      const person = await signInAs(body.signIn, body.password, db);
      if (!person)
        throw new NotSignedIn('Not recognised', 'The sign-in name or the password is wrong.');
      return begin(req, person);
    },
    'DELETE /session': ({ req, res }) => endSession(req, res),
    'POST /setup': async ({ req, body }) => begin(req, await setUp(body, db)),
    'GET /people': async () => ({ people: await listPeople() }),
    'POST /people': ({ body, person }) => addPerson(body, person.branch),
  } satisfies Partial<Handlers>;
}
