import { randomUUID } from 'node:crypto';
import type { Express } from 'express';
import request, { type Response } from 'supertest';
import { ROUTES, type RouteId } from '@green-tally/core/api';
import type { BoardJob, Visit } from '@green-tally/core/contracts';
import { DEMO_PASSWORD, demoId } from '@green-tally/demo';
import {
  beltReading,
  machineId,
  openPlace,
  signedIn,
  type Place,
  firstWords,
} from '../testing/place';
import { defineModels } from '../db/models';
import { archiveOf, asBytes, firstAdmin, sendArchive } from '../testing/archive';
import { aPhoto, photoOf } from '../testing/photo';
import { splitId } from './mount';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let empty: Place;
let maud: Agent;
const T118 = machineId('T118');
const harvest = {
  crop: 'lentils',
  start: '2026-08-01',
  end: '2026-08-20',
  areaHa: 200,
  widthM: 9,
  speedKmh: 6,
  efficiency: 0.7,
};

const costs = {
  branch: 'Sedge Ford',
  currency: 'crowns',
  labourHour: 90,
  stopHour: 400,
  customers: [],
  version: 0,
};

beforeAll(async () => {
  // every place of the tests holds its answers to their contracts: see `checkAnswers`
  // one after the other: the models belong to the connection that was opened last
  empty = await openPlace({ demo: false });
  place = await openPlace();
  maud = await signedIn(place.app, 'maud');
});
afterAll(() => Promise.all([place.close(), empty.close()]));

const announced = (id: string, data: Buffer) =>
  maud.put(`/api/photos/${id}`).send(photoOf(T118, data.length));
const sentPhoto = async (id: string) => {
  const data = await aPhoto();
  await announced(id, data).expect(200);
  return maud.post(`/api/photos/${id}/parts`).type('image/jpeg').send(data);
};
const sheet = async (model: string) => (await maud.get(`/api/specs/${model}`)).body.sheet;
const withDraft = async (model: string): Promise<void> => {
  const newest = await sheet(model);
  await maud.delete(`/api/specs/${model}/draft`).expect(204);
  await maud
    .put(`/api/specs/${model}/draft`)
    .send({ basedOn: newest.revision, sheet: newest, version: 0 })
    .expect(200);
};
const anyVisit = async (): Promise<Visit> => (await maud.get('/api/visits')).body.visits[0].visit;
const work = () => ({
  id: randomUUID(),
  machineId: T118,
  checkId: 'elevator-chain',
  decision: 'adjust',
  places: ['boot'],
  reason: 'Loose.',
  minutes: 20,
  acceptedBy: 'Maud Ferrier',
  acceptedAt: '2026-06-09T09:00:00.000Z',
});

const keptTool = (id: string) =>
  maud.put(`/api/tools/${id}`).send({
    name: 'Caliper 7',
    quantity: 'length',
    resolution: 0.1,
    calibratedOn: '2025-11-03',
    everyMonths: 12,
  });

const snapshotOf = (serial: string, hours: number, hour = 12) =>
  JSON.stringify({
    Equipment: [
      {
        EquipmentHeader: { SerialNumber: serial },
        CumulativeSeparatorHours: { datetime: `2026-06-09T${hour}:00:00Z`, Hour: hours },
      },
    ],
  });
const aCustomer = async (): Promise<string> =>
  encodeURIComponent((await maud.get(`/api/machines/${T118}`)).body.machine.customer);
const aToken = () =>
  maud.post('/api/tokens').send({ name: 'Sheet', branch: 'Sedge Ford', scopes: ['due'] });
const aReport = async (): Promise<{ id: string; key: string }> =>
  (await maud.post(`/api/machines/${T118}/report-links`).send({ days: 7 })).body;
const aCard = async (): Promise<{ id: string; key: string }> =>
  (await maud.post(`/api/machines/${T118}/cards`).expect(201)).body;
const saidOnCard = async () => {
  const id = randomUUID();
  const answer = await request(place.app)
    .post(`/api/card/${(await aCard()).key}`)
    .send({
      id,
      at: '2026-06-09T07:00:00.000Z',
      name: 'Nell',
      hours: 1290,
      noticed: 'squeals when the header starts',
      answers: [],
      photo: (await aPhoto()).toString('base64'),
    });
  return { id, answer };
};

const ordered = (id: string) =>
  maud
    .post('/api/orders')
    .send({ orders: [{ id, number: 'LM-7020', quantity: 1, expectedOn: '2026-06-20' }] });

const aSearch = (id: string) => maud.post('/api/board/searches').send({ id, kept: [], seconds: 1 });
const aFeed = () => maud.post('/api/feeds').send({ personId: demoId('person ines') });

/** Somebody who is new here. */
const added = async (signIn: string): Promise<{ id: string }> =>
  (
    await maud
      .post('/api/people')
      .send({ name: `New ${signIn}`, signIn, password: 'loft gander sheaf', role: 'technician' })
      .expect(201)
  ).body;

const keptPage = (id: string): Promise<Response> =>
  maud
    .post('/api/specs/Ouzel%207/pages')
    .send({ id, name: 'page 112', checks: [], data: Buffer.from('%PDF-1.4').toString('base64') });

/** One good call of every route: the compiler lists a route that has none. */
const CALLS: { readonly [K in RouteId]: () => Promise<Response> } = {
  'GET /openapi.json': async () => request(place.app).get('/api/openapi.json'),
  'GET /strip.pdf': async () => request(place.app).get('/api/strip.pdf?paper=letter'),
  'GET /session': async () => maud.get('/api/session'),
  'POST /session': async () =>
    request(place.app).post('/api/session').send({ signIn: 'rhea', password: DEMO_PASSWORD }),
  'DELETE /session': async () => (await signedIn(place.app, 'ines')).delete('/api/session'),
  'POST /setup': async () =>
    request(empty.app)
      .post('/api/setup')
      .send({ branch: 'Fen', name: 'Ada Moor', signIn: 'ada', password: 'ten letters' }),
  'GET /tools': async () => maud.get('/api/tools'),
  'PUT /tools/{id}': async () => keptTool(randomUUID()),
  'DELETE /tools/{id}': async () => {
    const id = randomUUID();
    await keptTool(id).expect(200);
    return maud.delete(`/api/tools/${id}`);
  },
  'POST /session/password': async () => {
    const own = await signedIn(place.app, 'sana');
    return own
      .post('/api/session/password')
      .send({ old: DEMO_PASSWORD, password: 'sheaf loft gander' });
  },
  'GET /sessions': async () => maud.get('/api/sessions'),
  'DELETE /sessions/{key}': async () => {
    const [one, other] = [await signedIn(place.app, 'tobin'), await signedIn(place.app, 'tobin')];
    const { sessions } = (await one.get('/api/sessions')).body;
    const theirs = sessions.find((s: { here: boolean }) => !s.here);
    expect((await other.get('/api/session')).body.person.signIn).toBe('tobin');
    return one.delete(`/api/sessions/${theirs.id}`);
  },
  'GET /staff': async () => maud.get('/api/staff'),
  'PATCH /people/{id}': async () =>
    maud.patch(`/api/people/${demoId('person ines')}`).send({ name: 'Ines Marrow' }),
  'DELETE /people/{id}': async () => maud.delete(`/api/people/${(await added('one')).id}`),
  'POST /people/{id}/password': async () =>
    maud
      .post(`/api/people/${(await added('two')).id}/password`)
      .send({ password: 'gander loft sheaf' }),
  'DELETE /people/{id}/sessions': async () =>
    maud.delete(`/api/people/${(await added('three')).id}/sessions`),
  'GET /audit': async () => maud.get('/api/audit'),
  'GET /access': async () => maud.get('/api/access'),
  'PUT /access': async () => maud.put('/api/access').send({ reads: 'own' }),
  'GET /people': async () => maud.get('/api/people'),
  'POST /people': async () =>
    maud
      .post('/api/people')
      .send({ name: 'Tam Reed', signIn: 'tam', password: 'ten letters', role: 'technician' }),
  'GET /yard': async () => maud.get('/api/yard'),
  'GET /machines/{id}': async () => maud.get(`/api/machines/${T118}`),
  'GET /machines/{id}/changes': async () => maud.get(`/api/machines/${T118}/changes`),
  // it goes on for as long as somebody listens
  'GET /events': async () => maud.get('/api/events').buffer(false).parse(firstWords),
  'POST /machines': async () =>
    maud.post('/api/machines').send({
      id: randomUUID(),
      serial: 'T901',
      model: 'Ouzel 7',
      customer: 'Harrow End',
      builtOn: '2024-02-01',
      hours: 10,
      header: null,
      harvest,
    }),
  'PATCH /machines/{id}': async () => maud.patch(`/api/machines/${T118}`).send({ hours: 1290 }),
  'GET /costs': async () => maud.get('/api/costs'),
  'PUT /costs': async () => maud.put('/api/costs').send(costs),
  'PUT /prices': async () =>
    maud.put('/api/prices').send({ prices: [{ number: 'LM-7020', price: 240 }] }),
  'GET /catalogue': async () => maud.get('/api/catalogue'),
  'PUT /parts': async () =>
    maud.put('/api/parts').send({ parts: [{ number: 'LM-7020', supplier: 'Tolvane parts' }] }),
  'PUT /suppliers': async () => {
    const { suppliers, version } = (await maud.get('/api/catalogue')).body;
    return maud.put('/api/suppliers').send({ suppliers, version });
  },
  'GET /parts': async () => maud.get('/api/parts'),
  'GET /parts.csv': async () => maud.get('/api/parts.csv'),
  'GET /catalogue.csv': async () => maud.get('/api/catalogue.csv'),
  'POST /catalogue/import': async () =>
    maud.post('/api/catalogue/import').type('text/csv').send('number,price\nLM-7020,240\n'),
  'PUT /stock': async () =>
    maud.put('/api/stock').send({ counts: [{ number: 'LM-7020', onHand: 3 }] }),
  'POST /stock/ask': async () => maud.post('/api/stock/ask'),
  'POST /orders': async () => ordered(randomUUID()),
  'PUT /orders/{id}': async () => {
    const id = randomUUID();
    await ordered(id).expect(201);
    return maud.put(`/api/orders/${id}`).send({ version: 1, note: 'asked again' });
  },
  'DELETE /orders/{id}': async () => {
    const id = randomUUID();
    await ordered(id).expect(201);
    return maud.delete(`/api/orders/${id}`);
  },
  'GET /visits/{id}/van': async () => maud.get(`/api/visits/${(await anyVisit()).id}/van`),
  'GET /van': async () => maud.get(`/api/van?technician=${demoId('person ines')}&on=2026-06-10`),
  'GET /machines/{id}/checks': async () => maud.get(`/api/machines/${T118}/checks?limit=5`),
  'GET /machines/{id}/rejudge': async () =>
    maud.get(`/api/machines/${T118}/rejudge?model=Ouzel%207&revision=1`),
  'POST /machines/{id}/rejudge': async () =>
    maud.post(`/api/machines/${T118}/rejudge`).send({ model: 'Ouzel 7', revision: 1 }),
  'GET /customers': async () => maud.get('/api/customers'),
  'GET /headers': async () => maud.get('/api/headers'),
  'POST /books/{kind}/import': async () =>
    maud.post('/api/books/customers/import').type('text/csv').send('name\nMill Farm\n'),
  'GET /books/{kind}/file': async () => maud.get('/api/books/machines/file'),
  'GET /starters': async () => maud.get('/api/starters'),
  'POST /spec-models': async () =>
    maud
      .post('/api/spec-models')
      .send({ model: 'Own 1', maker: 'Own', from: { starter: 'rotary' } }),
  'GET /specs': async () => maud.get('/api/specs'),
  'POST /specs': async () => maud.post('/api/specs').send(await sheet('Tarn 7')),
  'POST /specs/import': async () =>
    maud
      .post('/api/specs/import?preview=yes')
      .type('text/plain')
      .send(JSON.stringify({ ...(await sheet('Tarn 7')), revision: 9 })),
  'GET /specs/schema.json': async () => maud.get('/api/specs/schema.json'),
  'GET /spec-models': async () => maud.get('/api/spec-models?limit=2'),
  'GET /specs/{model}': async () => maud.get('/api/specs/Ouzel%207'),
  'GET /specs/{model}/revisions': async () => maud.get('/api/specs/Ouzel%207/revisions'),
  'GET /specs/{model}/revisions/{revision}': async () =>
    maud.get('/api/specs/Ouzel%207/revisions/1'),
  'GET /specs/{model}/checks': async () => maud.get('/api/specs/Ouzel%207/checks?limit=3'),
  'GET /specs/{model}/diff': async () => maud.get('/api/specs/Ouzel%207/diff?from=1&to=1'),
  'GET /specs/{model}/file': async () => maud.get('/api/specs/Ouzel%207/file'),
  'GET /specs/{model}/pages': async () => maud.get('/api/specs/Ouzel%207/pages'),
  'POST /specs/{model}/pages': async () => keptPage(randomUUID()),
  'GET /pages/{id}': async () => {
    const id = randomUUID();
    await keptPage(id);
    return maud.get(`/api/pages/${id}`);
  },
  'DELETE /pages/{id}': async () => {
    const id = randomUUID();
    await keptPage(id);
    return maud.delete(`/api/pages/${id}`);
  },
  'GET /specs/{model}/draft': async () => maud.get('/api/specs/Merle%2010/draft'),
  'PUT /specs/{model}/draft': async () => {
    const newest = await sheet('Merle 10');
    return maud
      .put('/api/specs/Merle%2010/draft')
      .send({ basedOn: newest.revision, sheet: newest, version: 0 });
  },
  'DELETE /specs/{model}/draft': async () => maud.delete('/api/specs/Merle%2010/draft'),
  'POST /specs/{model}/publish': async () => {
    await withDraft('Merle 12');
    return maud.post('/api/specs/Merle%2012/publish').send({ version: 1, remark: 'no change' });
  },
  'PUT /walks/{id}': async () =>
    maud.put(`/api/walks/${randomUUID()}`).send({
      machineId: T118,
      startedAt: '2026-06-09T07:00:00.000Z',
      hours: 1285,
      by: 'Maud Ferrier',
    }),
  'POST /readings:batch': async () =>
    maud.post('/api/readings:batch').send({ readings: [beltReading(), { id: 'none' }] }),
  'POST /readings/import': async () =>
    maud
      .post('/api/readings/import?preview=yes')
      .type('text/csv')
      .send(
        'machine,check,place,quantity,value,unit,taken_at,hours\nT118,fan-drive-belt,belt,measure,37,mm,2026-06-09,1285\nT118,fan-drive-belt,belt,measure,wide,mm,2026-06-09,1285',
      ),
  'GET /imports/{id}': async () => {
    const begun = await maud
      .post('/api/readings/import?preview=yes')
      .type('text/csv')
      .send('machine\nT118');
    return maud.get(`/api/imports/${begun.body.id}`);
  },
  'GET /readings.csv': async () => maud.get(`/api/readings.csv?machine=${T118}`),
  'GET /work': async () => maud.get('/api/work?limit=3'),
  'POST /work': async () => maud.post('/api/work').send({ items: [work()] }),
  'PUT /photos/{id}': async () => announced(randomUUID(), await aPhoto()),
  'POST /photos/{id}/parts': async () => sentPhoto(randomUUID()),
  'GET /photos/{id}': async () => {
    const id = randomUUID();
    await sentPhoto(id);
    return maud.get(`/api/photos/${id}`);
  },
  'DELETE /photos/{id}': async () => {
    const id = randomUUID();
    await sentPhoto(id);
    return maud.delete(`/api/photos/${id}`);
  },
  'POST /ticks': async () =>
    maud.post('/api/ticks').send({
      ticks: [
        {
          id: randomUUID(),
          machineId: T118,
          key: 'task|made|Look again',
          done: true,
          at: '2026-06-09T09:00:00.000Z',
          by: 'Maud Ferrier',
        },
      ],
    }),
  'GET /machines/{id}/cards': async () => maud.get(`/api/machines/${T118}/cards`),
  'POST /machines/{id}/cards': async () => maud.post(`/api/machines/${T118}/cards`),
  'DELETE /cards/{id}': async () => maud.delete(`/api/cards/${(await aCard()).id}`),
  'GET /card/{key}': async () => request(place.app).get(`/api/card/${(await aCard()).key}`),
  'POST /card/{key}': async () => (await saidOnCard()).answer,
  'GET /said/{id}/photo': async () => maud.get(`/api/said/${(await saidOnCard()).id}/photo`),
  'GET /hours': async () => maud.get('/api/hours'),
  'POST /hours/ask': async () => maud.post('/api/hours/ask'),
  'POST /hours/import': async () =>
    maud.post('/api/hours/import').type('text/plain').send(snapshotOf('T118', 1290)),
  'POST /hours/{id}/answer': async () => {
    await maud
      .post('/api/hours/import')
      .type('text/plain')
      .send(snapshotOf('T118', 3, 18));
    const { challenged } = (await maud.get('/api/hours')).body;
    return maud.post(`/api/hours/${challenged[0].id}/answer`).send({ answer: 'wrong' });
  },
  'GET /season': async () => maud.get(`/api/season?customer=${await aCustomer()}`),
  'GET /season.pdf': async () => maud.get(`/api/season.pdf?customer=${await aCustomer()}`),
  'GET /tokens': async () => maud.get('/api/tokens'),
  'POST /tokens': async () => aToken(),
  'DELETE /tokens/{id}': async () => maud.delete(`/api/tokens/${(await aToken()).body.id}`),
  'GET /labels.pdf': async () => maud.get(`/api/labels.pdf?machine=${T118}&kind=station`),
  'GET /machines/{id}/report': async () => maud.get(`/api/machines/${T118}/report`),
  'GET /machines/{id}/report.pdf': async () => maud.get(`/api/machines/${T118}/report.pdf`),
  'GET /machines/{id}/report-links': async () => maud.get(`/api/machines/${T118}/report-links`),
  'POST /machines/{id}/report-links': async () =>
    maud.post(`/api/machines/${T118}/report-links`).send({ days: 7 }),
  'DELETE /report-links/{id}': async () => maud.delete(`/api/report-links/${(await aReport()).id}`),
  'GET /report/{key}': async () => request(place.app).get(`/api/report/${(await aReport()).key}`),
  'GET /report/{key}/report.pdf': async () =>
    request(place.app).get(`/api/report/${(await aReport()).key}/report.pdf`),
  'GET /report/{key}/photos/{id}': async () => {
    const id = randomUUID();
    await sentPhoto(id);
    const link = await aReport();
    return request(place.app).get(`/api/report/${link.key}/photos/${id}`);
  },
  'POST /report/{key}/answers': async () => {
    const link = await aReport();
    const { report } = (await request(place.app).get(`/api/report/${link.key}`)).body;
    return request(place.app)
      .post(`/api/report/${link.key}/answers`)
      .send({ id: randomUUID(), key: report.items[0].key, answer: 'yes', name: 'Nell Harrow' });
  },
  'GET /due': async () => maud.get('/api/due'),
  'GET /due.csv': async () => maud.get('/api/due.csv'),
  'GET /due.ics': async () => maud.get('/api/due.ics'),
  'DELETE /work/{id}': async () => {
    const file = (await maud.get(`/api/machines/${T118}`)).body;
    return maud.delete(`/api/work/${file.work[0].id}`);
  },
  'POST /work/{id}/worked': async () => {
    const file = (await maud.get(`/api/machines/${T118}`)).body;
    return maud.post(`/api/work/${file.work[0].id}/worked`).send({
      id: randomUUID(),
      at: '2026-06-09T09:00:00.000Z',
      by: 'Maud',
      hands: ['Ines Marrow'],
      minutes: 30,
      hours: 1284,
    });
  },
  'POST /work/{id}/substitute': async () => {
    const id = randomUUID();
    const heavy = { number: 'H-1', name: 'Heavy belt', because: 'for wet straw' };
    await maud.post('/api/work').send({
      items: [
        {
          ...{ id, machineId: machineId('T090'), checkId: 'fan-drive-belt', decision: 'replace' },
          ...{ places: ['belt'], reason: 'Worn.', minutes: 45 },
          parts: [{ number: 'N-1', name: 'Belt', quantity: 1, heavy }],
          ...{ acceptedBy: 'Maud', acceptedAt: '2026-06-09T09:00:00.000Z' },
        },
      ],
    });
    return maud.post(`/api/work/${id}/substitute`).send({ number: 'N-1' });
  },
  'GET /visits': async () => maud.get('/api/visits'),
  'PUT /visits/{id}': async () => {
    const visit = await anyVisit();
    return maud.put(`/api/visits/${visit.id}`).send({ ...visit, startsOn: '2026-06-16' });
  },
  'DELETE /visits/{id}': async () => maud.delete(`/api/visits/${(await anyVisit()).id}`),
  'GET /plan.ics': async () => maud.get('/api/plan.ics'),
  'GET /plan.csv': async () => maud.get('/api/plan.csv'),
  'POST /visits/{id}/note': async () =>
    maud
      .post(`/api/visits/${(await anyVisit()).id}/note`)
      .send({ startedAt: '2026-06-09T07:00:00.000Z' }),
  'GET /crew': async () => maud.get('/api/crew'),
  'PUT /crew/setting': async () =>
    maud.put('/api/crew/setting').send((await maud.get('/api/crew')).body.setting),
  'PUT /crew/technicians/{id}': async () => {
    const { personId, name: _, ...hours } = (await maud.get('/api/crew')).body.technicians[0];
    return maud.put(`/api/crew/technicians/${personId}`).send(hours);
  },
  'PUT /crew/farms': async () => {
    const [{ id }] = (await maud.get('/api/crew')).body.farms;
    return maud.put('/api/crew/farms').send({ farms: [{ id, spot: { x: 3, y: -4.5 } }] });
  },
  'POST /harvests/move': async () =>
    maud.post('/api/harvests/move').send({ crop: 'lentils', days: -2 }),
  'GET /board': async () => maud.get('/api/board'),
  'POST /board/publish': async () => {
    const { plan, jobs } = (await maud.get('/api/board')).body;
    const job = jobs.find((j: BoardJob) => j.published && !j.finishedAt);
    const change = { id: job.id, machineId: job.machine.id, version: job.version, to: null };
    const seen = plan?.n ?? 0;
    return maud.post('/api/board/publish').send({ seen, why: 'not now', changes: [change] });
  },
  'GET /board/plans': async () => maud.get('/api/board/plans'),
  'GET /board/plans/differences': async () => maud.get('/api/board/plans/differences?from=0&to=99'),
  'POST /board/searches': async () => aSearch(randomUUID()),
  'GET /board/searches/{id}': async () => {
    const id = randomUUID();
    await aSearch(id).expect(202);
    return maud.get(`/api/board/searches/${id}`);
  },
  'POST /board/searches/{id}/stop': async () => {
    const id = randomUUID();
    await aSearch(id).expect(202);
    return maud.post(`/api/board/searches/${id}/stop`);
  },
  'POST /breakdowns': async () =>
    maud.post('/api/breakdowns').send({
      ...{ id: randomUUID(), machineId: T118, at: '2026-06-09T06:00:00.000Z', hours: 1285 },
      ...{ checkId: 'fan-drive-belt', component: 'Fan drive belt', kind: 'cameOff' },
      ...{ hoursLost: 2, by: 'Maud Ellery' },
    }),
  'GET /machines/{id}/breakdowns': async () => maud.get(`/api/machines/${T118}/breakdowns`),
  'GET /forecasts': async () => maud.get('/api/forecasts'),
  'GET /archive.zip': async () =>
    maud
      .get('/api/archive.zip')
      .buffer(true)
      .parse(asBytes as never),
  'POST /archive': async () => {
    // looked through, in a place of its own, whose admin has just set it up
    const zip = await archiveOf(maud);
    const other = await openPlace({ demo: false });
    try {
      return await sendArchive(await firstAdmin(other.app), zip, true);
    } finally {
      await other.close();
      // the tables are of one place at a time
      defineModels(place.db.sequelize);
    }
  },
  'GET /formats': async () => maud.get('/api/formats'),
  'GET /insight': async () => maud.get('/api/insight?crop=wheat'),
  'GET /insight/classes/{key}': async () => {
    const { classes } = (await maud.get('/api/insight')).body;
    return maud.get(`/api/insight/classes/${classes[0].key}`);
  },
  'GET /insight/walks': async () => maud.get('/api/insight/walks?kind=beforeHarvest'),
  'GET /insight.csv': async () => maud.get('/api/insight.csv?what=groups'),
  'GET /feeds': async () => maud.get('/api/feeds'),
  'POST /feeds': async () => aFeed(),
  'DELETE /feeds/{id}': async () => maud.delete(`/api/feeds/${(await aFeed()).body.id}`),
  'GET /feeds/{key}/visits.ics': async () =>
    request(place.app).get(`/api/feeds/${(await aFeed()).body.key}/visits.ics`),
};

describe('every route answers as the table says', () => {
  test.each(Object.keys(CALLS) as RouteId[])('%s', async (id) => {
    const response = await CALLS[id]();
    const { status = 200, answer } = ROUTES[id] as (typeof ROUTES)['POST /session'];
    expect([response.status, response.body?.detail]).toEqual([status, undefined]);
    if (typeof answer === 'string') expect(response.type).toBe(answer);
  });
});

/** Method and path of every route that is mounted, whoever mounted it. */
function mounted(app: Express): string[] {
  interface Layer {
    readonly handle: { readonly stack?: readonly Layer[] };
    readonly route?: { readonly path: string; readonly methods: Record<string, boolean> };
  }
  const walk = (layers: readonly Layer[]): string[] =>
    layers.flatMap(({ route, handle }) =>
      route
        ? Object.keys(route.methods).map((m) => `${m.toUpperCase()} ${route.path}`)
        : walk(handle.stack ?? []),
    );
  return walk((app as unknown as { router: { stack: readonly Layer[] } }).router.stack);
}

test('no route is mounted that the table does not declare, and none is left out', () => {
  const asMounted = (id: RouteId): string => {
    const [method, path] = splitId(id);
    return `${method.toUpperCase()} ${path.replaceAll(':', '\\:').replace(/\{(\w+)\}/g, ':$1')}`;
  };
  // what those ask who run it stands beside the API
  const beside = ['GET /health', 'GET /metrics', 'GET /ready'];
  expect(mounted(place.app).sort()).toEqual(
    [...beside, ...(Object.keys(ROUTES) as RouteId[]).map(asMounted)].sort(),
  );
});

describe('what names nothing', () => {
  const paged = Object.entries(ROUTES).flatMap(([id, route]) =>
    'query' in route && 'cursor' in route.query.shape ? [id as RouteId] : [],
  );
  test('eleven lists have pages', () => expect(paged).toHaveLength(11));
  test.each(paged)('a cursor that is no place in the list is refused: %s', async (id) => {
    const path = splitId(id)[1].replace('{id}', T118).replace('{model}', 'Ouzel 7');
    const answer = await maud.get(`/api${path}?cursor=nowhere`);
    expect([answer.status, answer.body.errors?.[0].field]).toEqual([400, 'cursor']);
  });
  const byId = (Object.keys(ROUTES) as RouteId[]).filter((id) => id.includes('{id}'));
  test.each(byId)('an id that is none is 404: %s', async (id) => {
    const [method, path] = splitId(id);
    const answer = await maud[method](`/api${path.replace('{id}', 'nonsense')}`).send({});
    expect([answer.status, answer.body.title]).toEqual([404, 'Not found']);
  });
  const byModel = (Object.keys(ROUTES) as RouteId[]).filter(
    (id) => id.startsWith('GET') && id.includes('{model}') && !id.endsWith('draft'),
  );
  test.each(byModel)('a model nobody knows is 404: %s', async (id) => {
    const path = splitId(id)[1].replace('{model}', 'NOPE').replace('{revision}', '1');
    expect((await maud.get(`/api${path}?from=1&to=1`)).status).toBe(404);
  });
});

test('the document describes every route, its door, parameters and answer', async () => {
  const { body } = await request(place.app).get('/api/openapi.json');
  for (const id of Object.keys(ROUTES) as RouteId[]) {
    const [method, path] = splitId(id);
    const operation = body.paths[`/api${path}`]?.[method];
    const route = ROUTES[id] as {
      summary: string;
      params?: { shape: object };
      query?: { shape: object };
    };
    expect([id, operation?.summary]).toEqual([id, route.summary]);
    const named = [
      ...Object.keys(route.params?.shape ?? {}),
      ...Object.keys(route.query?.shape ?? {}),
    ];
    expect([id, operation.parameters.map((p: { name: string }) => p.name)]).toEqual([id, named]);
  }
  const refs = JSON.stringify(body).match(/"#\/components\/schemas\/[^"]+"/g) ?? [];
  const known = Object.keys(body.components.schemas);
  expect(refs.filter((r) => !known.includes(r.slice(1, -1).split('/').at(-1) ?? ''))).toEqual([]);
});

test('demo ids are stable, so that these calls mean the same machine', () =>
  expect(demoId('machine T118')).toBe(T118));
