import type { Request } from 'express';
import type { Person, Session } from '@green-tally/core/contracts';
import { keepAudit, PersonRow } from '../../db';
import { NotSignedIn } from '../../errors';
import { auditPage } from '../../people/audit';
import {
  addPerson,
  listPeople,
  ownBranch,
  setUp,
  signInAs,
  type SignedIn,
} from '../../people/people';
import { endOne, sessionsOf } from '../../people/sessions';
import { accessNow, keepAccess } from '../../people/sight';
import {
  changePassword,
  changePerson,
  removePerson,
  resetPassword,
  signOutEverywhere,
  staffList,
  type Keeper,
} from '../../people/staff';
import type { Handlers } from '../mount';
import { beginSession, endSession, signedIn } from '../session';
import type { Setting } from '../setting';

/** Sign-in, first set-up, people, their devices, and who changed what. */
export function peopleHandlers({ db, clock, demoSignIns = [], gauge }: Setting) {
  const sessionFor = async (found: SignedIn | null): Promise<Session> => ({
    person: found?.person ?? null,
    needsSetup: found === null && (await PersonRow.count()) === 0,
    mustChange: found?.mustChange ?? false,
    now: clock.now().toISOString(),
    demo: demoSignIns.length > 0,
    gauge: found && gauge ? gauge : null,
    demoSignIns: found ? [] : demoSignIns,
  });
  const begin = async (req: Request, found: SignedIn): Promise<Session> => {
    await beginSession(req, found.person.id);
    return sessionFor(found);
  };
  /** Comings and goings, beside what is changed. */
  const noted = (what: string, { name, id }: Pick<Person, 'name' | 'id'>, detail = '') =>
    keepAudit(db.sequelize, { by: name, personId: id, what, subject: '', detail });
  const keeper = (person: Person): Keeper => ({
    ...{ db, person, today: clock.today(), now: clock.now() },
  });
  return {
    'GET /session': async ({ req }) => sessionFor(await signedIn(req)),
    'POST /session': async ({ req, body }) => {
      const found = await signInAs(body.signIn, body.password, db);
      if (!found)
        throw new NotSignedIn('Not recognised', 'The sign-in name or the password is wrong.');
      await noted('Signed in', found.person);
      return begin(req, found);
    },
    'DELETE /session': async ({ req, res }) => {
      const found = await signedIn(req);
      if (found) await noted('Signed out', found.person);
      await endSession(req, res);
    },
    'POST /setup': async ({ req, body }) => {
      const person = await setUp(body, db);
      await noted('Set the place up', person, person.branch);
      return begin(req, { person, mustChange: false });
    },
    'POST /session/password': async ({ req, body, person }) => {
      await changePassword({ db, person }, body, req.sessionID);
      return sessionFor({ person, mustChange: false });
    },
    'GET /sessions': async ({ req, person }) => ({
      sessions: await sessionsOf(db, person.id, req.sessionID),
    }),
    'DELETE /sessions/{key}': ({ params, person }) => endOne(db, person.id, params.key),
    'GET /people': async ({ person }) => ({ people: await listPeople(ownBranch(person)) }),
    'POST /people': ({ body, person }) => addPerson(body, person.branch),
    'GET /staff': () => staffList(db, clock.today()),
    'PATCH /people/{id}': ({ params, body, person }) =>
      changePerson(keeper(person), params.id, body),
    'DELETE /people/{id}': ({ params, person }) => removePerson(keeper(person), params.id),
    'POST /people/{id}/password': ({ params, body, person }) =>
      resetPassword(keeper(person), params.id, body.password),
    'DELETE /people/{id}/sessions': ({ params, person }) =>
      signOutEverywhere(keeper(person), params.id),
    'GET /audit': ({ query }) => auditPage(db, query),
    'GET /access': () => accessNow(),
    'PUT /access': ({ body }) => keepAccess(body),
  } satisfies Partial<Handlers>;
}
