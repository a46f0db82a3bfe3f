import { Router } from 'express';
import { VisitPlan, WorkBatch } from '@green-tally/core/contracts';
import { machineFiles } from '../db';
import { planCalendar } from '../plan/calendar';
import { dropVisit, planVisit } from '../plan/visits';
import { acceptWork, withdrawWork } from '../work/work';
import type { Setting } from './app';
import { allow, personOf } from './session';
import { idOf } from './yard.routes';

/** Work items, visits and the plan as a calendar. */
export function workRoutes({ db, clock }: Setting): Router {
  const routes = Router();
  const branchOf = (person: ReturnType<typeof personOf>) =>
    person.role === 'admin' ? {} : { branch: person.branch };

  routes.post(
    '/work',
    allow('acceptWork'),
    async (req, res) =>
      void res
        .status(201)
        .json({
          items: await acceptWork(
            db,
            WorkBatch.parse(req.body).items,
            personOf(res),
            clock.today(),
          ),
        }),
  );
  routes.delete(
    '/work/:id',
    allow('acceptWork'),
    async (req, res) =>
      void res.json(
        await withdrawWork(db, idOf(req.params['id'], 'work item'), personOf(res), clock.now()),
      ),
  );

  routes.get('/visits', allow('look'), async (_req, res) => {
    const files = await machineFiles(branchOf(personOf(res)));
    res.json({
      visits: files
        .flatMap((f) => f.visits.map((visit) => ({ visit, machine: f.machine })))
        .sort((a, b) => a.visit.startsOn.localeCompare(b.visit.startsOn)),
    });
  });
  routes.put('/visits/:id', allow('planVisits'), async (req, res) => {
    const plan = VisitPlan.parse({ ...req.body, id: idOf(req.params['id'], 'visit') });
    res.json(await planVisit(db, plan, personOf(res), clock.today()));
  });
  routes.delete('/visits/:id', allow('planVisits'), async (req, res) => {
    await dropVisit(db, idOf(req.params['id'], 'visit'), personOf(res));
    res.status(204).end();
  });

  routes.get('/plan.ics', allow('look'), async (_req, res) => {
    const person = personOf(res);
    const text = planCalendar(
      await machineFiles(branchOf(person)),
      person.role === 'admin' ? 'all branches' : person.branch,
      clock.now(),
    );
    res.type('text/calendar; charset=utf-8').attachment('green-tally-plan.ics').send(text);
  });
  return routes;
}
