import { Router, type Request } from 'express';
import { rateLimit } from 'express-rate-limit';
import { NewPerson, Setup, SignIn, type Session } from '@green-tally/core/contracts';
import { PersonRow } from '../db';
import { addPerson, findPerson, listPeople, setUp, signInAs } from '../people/people';
import type { Setting } from './app';
import { ProblemError } from './problem';
import { allow, personOf } from './session';

/** Sign-in, first set-up, people. */
export function peopleRoutes({ db, clock, demoSignIns }: Setting): Router {
  const routes = Router();
  const gate = rateLimit({
    windowMs: 60_000,
    limit: 20,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    handler: (_req, _res, next) =>
      next(new ProblemError(429, 'Too many tries', 'Wait a minute, then try again.')),
  });

  const sessionFor = async (person: Session['person']): Promise<Session> => ({
    person,
    needsSetup: person === null && (await PersonRow.count()) === 0,
    now: clock.now().toISOString(),
    demo: Boolean(demoSignIns?.length),
    demoSignIns: person ? [] : (demoSignIns ?? []),
  });

  routes.get('/session', async (req, res) => {
    const person = req.session.personId ? await findPerson(req.session.personId) : null;
    res.set('cache-control', 'no-store').json(await sessionFor(person));
  });

  const begin = (req: Request, personId: string): Promise<void> =>
    new Promise((resolve, reject) =>
      req.session.regenerate((error: unknown) => {
        if (error) return reject(error instanceof Error ? error : new Error(String(error)));
        req.session.personId = personId;
        resolve();
      }),
    );

  routes.post('/session', gate, async (req, res) => {
    const { signIn, password } = SignIn.parse(req.body);
    const person = await signInAs(signIn, password, db);
    if (!person)
      throw new ProblemError(401, 'Not recognised', 'The sign-in name or the password is wrong.');
    await begin(req, person.id);
    res.status(201).json(await sessionFor(person));
  });

  routes.delete('/session', (req, res, next) => {
    req.session.destroy((error: unknown) =>
      error ? next(error) : res.clearCookie('green-tally').status(204).end(),
    );
  });

  routes.post('/setup', gate, async (req, res) => {
    const person = await setUp(Setup.parse(req.body), db);
    await begin(req, person.id);
    res.status(201).json(await sessionFor(person));
  });

  routes.get(
    '/people',
    allow('look'),
    async (_req, res) => void res.json({ people: await listPeople() }),
  );
  routes.post(
    '/people',
    allow('keepPeople'),
    async (req, res) =>
      void res.status(201).json(await addPerson(NewPerson.parse(req.body), personOf(res).branch)),
  );
  return routes;
}
