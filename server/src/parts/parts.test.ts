import { randomUUID } from 'node:crypto';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { parse } from 'csv-parse/sync';
import { VanList } from '@green-tally/core/contracts';
import { Catalogue, PartOrder, PartsPage } from '@green-tally/core/contracts/parts';
import { demoId } from '@green-tally/demo';
import { createStock } from '../stock/stock';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';
import { changeOrder } from './orders';
import { askStock, bookIn } from './stock';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let [rhea, ines]: Agent[] = [];
beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
  ines = await signedIn(place.app, 'ines');
});
afterAll(() => place.close());

const who = (agent: Agent | undefined): Agent => {
  if (!agent) throw new Error('nobody is signed in');
  return agent;
};
const parts = async () => PartsPage.parse((await who(rhea).get('/api/parts').expect(200)).body);
const catalogue = async () =>
  Catalogue.parse((await who(rhea).get('/api/catalogue').expect(200)).body);
const count = (counts: readonly object[], agent = ines) =>
  who(agent).put('/api/stock').send({ counts });
const rowOf = async (number: string) => (await parts()).rows.find((r) => r.number === number);

describe('what open work wants of its parts', () => {
  test('each part once, the one to be ordered first at the head, with the work it is for', async () => {
    const { rows, currency } = await parts();
    expect(rows.length).toBeGreaterThan(2);
    expect(currency).toBe('crowns');
    const orderBy = rows.map((r) => r.orderBy ?? '9');
    expect(orderBy).toEqual([...orderBy].sort());
    for (const row of rows) {
      expect(row.wanted).toBe(row.needs.reduce((sum, n) => sum + n.quantity, 0));
      expect(row.short).toBe(Math.max(0, row.wanted - row.onHand - row.onOrder));
    }
  });
  test('what is counted on the shelf is no longer short; nor what is on order', async () => {
    const short = (await parts()).rows.find((r) => r.short > 0 && r.supplier);
    if (!short) throw new Error('nothing is short');
    const { number, wanted, onHand, onOrder } = short;
    await count([{ number, onHand: 0 }]).expect(200);
    expect((await rowOf(number))?.short).toBe(wanted - onOrder);
    const id = randomUUID();
    const quantity = Math.max(1, wanted - onOrder);
    await who(rhea)
      .post('/api/orders')
      .send({ orders: [{ id, number, quantity }] })
      .expect(201);
    expect(await rowOf(number)).toMatchObject({ short: 0, orderBy: null, onHand: 0 });
    const order = (await parts()).orders.find((o) => o.id === id);
    expect(order).toMatchObject({ quantity, placedOn: '2026-06-09', by: 'Rhea Aldane' });
    // it comes: on the shelf, no longer on order, once however often it is said
    const came = { version: 1, arrivedOn: '2026-06-09' };
    await who(ines).put(`/api/orders/${id}`).send(came).expect(200);
    problem(await who(ines).put(`/api/orders/${id}`).send(came), 409, 'version');
    expect(await rowOf(number)).toMatchObject({ onHand: quantity, onOrder: onOrder, short: 0 });
    // and goes back, where that was wrong
    await who(rhea).put(`/api/orders/${id}`).send({ version: 2, arrivedOn: null }).expect(200);
    expect(await rowOf(number)).toMatchObject({ onHand: 0, onOrder: onOrder + quantity });
    expect((await who(rhea).delete(`/api/orders/${id}`)).status).toBe(204);
    await count([{ number, onHand }]).expect(200);
  });
  test('sent once more, an order is there once', async () => {
    const { rows } = await parts();
    const number = rows.find((r) => r.supplier)?.number ?? '';
    const orders = [{ id: randomUUID(), number, quantity: 1 }];
    const place2 = () => who(rhea).post('/api/orders').send({ orders });
    const answers = await Promise.all([place2(), place2()]);
    expect(answers.map((a) => a.status)).toEqual([201, 201]);
    expect((await parts()).orders.filter((o) => o.id === orders[0]?.id)).toHaveLength(1);
    await who(rhea).delete(`/api/orders/${orders[0]?.id}`).expect(204);
  });
  test.each([
    ['orders.0.number', { number: 'none', quantity: 1 }],
    ['orders.0.quantity', { quantity: 0 }],
    ['orders.0.quantity', { quantity: 'two' }],
    ['orders.0.expectedOn', { quantity: 1, expectedOn: '2026-06-01' }],
    ['orders.0.expectedOn', { quantity: 1, expectedOn: 'soon' }],
  ])('an order that cannot be is refused by %s', async (field, change) => {
    const number = (await parts()).rows[0]?.number;
    problem(
      await who(rhea)
        .post('/api/orders')
        .send({ orders: [{ id: randomUUID(), number, ...change }] }),
      400,
      field,
    );
  });
  test('where nobody says who delivers, a day is asked for', async () => {
    const number = (await catalogue()).parts.find((p) => !p.supplier)?.number;
    const send = (change: object) =>
      who(rhea)
        .post('/api/orders')
        .send({ orders: [{ id: randomUUID(), number, quantity: 1, ...change }] });
    problem(await send({}), 400, 'orders.0.expectedOn');
    expect((await send({ expectedOn: '2026-06-20' })).status).toBe(201);
  });
});

describe('two who order at the same moment', () => {
  const order = (agent: Agent, seen: number, id = randomUUID()) =>
    agent
      .post('/api/orders')
      .send({ orders: [{ id, number: 'LM-5330', quantity: 2, expectedOn: '2026-06-20', seen }] });
  const onOrder = async () =>
    (await parts()).orders
      .filter((o) => o.number === 'LM-5330' && !o.arrivedOn)
      .reduce((n, o) => n + o.quantity, 0);
  test('one orders, the other is told how many are on order now', async () => {
    const maud = await signedIn(place.app, 'maud');
    const seen = await onOrder();
    const answers = await Promise.all([order(who(rhea), seen), order(maud, seen)]);
    expect(answers.map((a) => a.status).sort()).toEqual([201, 409]);
    expect(await onOrder()).toBe(seen + 2);
    const told = answers.find((a) => a.status === 409);
    expect(told?.body.detail).toMatch(/of LM-5330 are on order now, not/);
  });
  test('sent once more it is the same order', async () => {
    const [id, seen] = [randomUUID(), await onOrder()];
    await order(who(rhea), seen, id).expect(201);
    await order(who(rhea), seen, id).expect(201);
    expect(await onOrder()).toBe(seen + 2);
  });
});

describe('a part that is short, and another that may go in its place', () => {
  const heavy = { number: 'LM-7021', name: 'Fan belt, heavy', because: 'for wet straw' };
  const id = randomUUID();
  const substitute = (number: string, agent = rhea) =>
    who(agent).post(`/api/work/${id}/substitute`).send({ number });
  const needOf = async (number: string) =>
    (await rowOf(number))?.needs.find((n) => n.workId === id);
  beforeAll(async () => {
    const line = { number: 'T-700', name: 'Fan belt', quantity: 2, heavy };
    await who(ines)
      .post('/api/work')
      .send({
        items: [
          {
            ...{ id, machineId: machineId('T126'), checkId: 'fan-drive-belt' },
            ...{ decision: 'replace', places: ['belt'], reason: 'Worn.', minutes: 45 },
            parts: [line, { number: 'T-701', name: 'Pin', quantity: 4, neededBy: 'T-700' }],
            ...{ acceptedBy: 'Ines Marrow', acceptedAt: '2026-06-09T09:00:00.000Z' },
          },
        ],
      })
      .expect(201);
  });
  test('is offered with what is free of it, and taken once, with how it was beside it', async () => {
    await count([{ number: heavy.number, onHand: 3 }]);
    expect((await needOf('T-700'))?.substitute).toMatchObject({ ...heavy, quantity: 2 });
    expect((await substitute('T-700', ines)).status).toBe(403);
    const { body } = await substitute('T-700').expect(200);
    expect(body.parts).toEqual([
      { number: heavy.number, name: heavy.name, quantity: 2, instead: 'T-700' },
      { number: 'T-701', name: 'Pin', quantity: 4, neededBy: heavy.number },
    ]);
    expect(body.proposed).toMatchObject({ minutes: 45, parts: [{ number: 'T-700' }, {}] });
    expect(await needOf('T-700')).toBeUndefined();
    expect(await needOf(heavy.number)).toMatchObject({ quantity: 2, substitute: null });
    // a second tap changes nothing, and says why
    problem(await substitute('T-700'), 409, 'number');
  });
  test('work that was worked on keeps its parts', async () => {
    await who(ines)
      .post(`/api/work/${id}/worked`)
      .send({
        ...{ id: randomUUID(), at: '2026-06-09T10:00:00.000Z', by: 'Ines Marrow' },
        ...{ hands: ['Ines Marrow'], minutes: 30, hours: 100 },
      })
      .expect(200);
    problem(await substitute(heavy.number), 409, 'id');
    problem(
      await who(rhea).post(`/api/work/${randomUUID()}/substitute`).send({ number: 'T-700' }),
      404,
    );
  });
});

describe('the catalogue', () => {
  test('suppliers are written by one who saw them as they are; a part of one that is gone has none', async () => {
    const before = await catalogue();
    const suppliers = before.suppliers.filter((s) => s.name !== 'Larkmoor depot');
    const write = (version: number) => who(rhea).put('/api/suppliers').send({ suppliers, version });
    await write(before.version).expect(200);
    problem(await write(before.version), 409, 'version');
    const after = await catalogue();
    expect(after.parts.some((p) => p.supplier === 'Larkmoor depot')).toBe(false);
    expect(after.parts.some((p) => p.supplier === 'Tolvane parts')).toBe(true);
  });
  test.each([
    ['suppliers.0.leadDays', [{ name: 'A', leadDays: -1 }]],
    ['suppliers.0.leadDays', [{ name: 'A', leadDays: 2.5 }]],
    [
      'suppliers.1.name',
      [
        { name: 'A', leadDays: 1 },
        { name: 'a', leadDays: 2 },
      ],
    ],
  ])('suppliers that cannot be are refused by %s', async (field, suppliers) => {
    const { version } = await catalogue();
    problem(await who(rhea).put('/api/suppliers').send({ suppliers, version }), 400, field);
  });
  test('a technician looks at it, and counts, but does not change it', async () => {
    await who(ines).get('/api/catalogue').expect(200);
    const change = { parts: [{ number: 'LM-7020', price: 1 }] };
    expect((await who(ines).put('/api/parts').send(change)).status).toBe(403);
  });
  test('only what is named is changed; one wrong keeps the others out', async () => {
    const of = async () => (await catalogue()).parts.find((p) => p.number === 'LM-7020');
    const before = await of();
    const put = (list: readonly object[]) => who(rhea).put('/api/parts').send({ parts: list });
    await put([{ number: 'LM-7020', supplier: 'Tolvane parts' }]).expect(200);
    expect(await of()).toMatchObject({ price: before?.price, supplier: 'Tolvane parts' });
    problem(
      await put([
        { number: 'LM-7020', price: 3 },
        { number: 'none', price: 3 },
      ]),
      400,
      'parts.1.number',
    );
    problem(await put([{ number: 'LM-7020', supplier: 'Nobody' }]), 400, 'parts.0.supplier');
    expect((await of())?.price).toBe(before?.price);
  });
  test('goes out as a file and comes in again as it was', async () => {
    const text = (await who(rhea).get('/api/catalogue.csv').expect(200)).text;
    const before = await catalogue();
    const rows = parse(text, { columns: true }) as Record<string, string>[];
    expect(rows).toHaveLength(before.parts.length);
    const sent = await who(rhea)
      .post('/api/catalogue/import')
      .type('text/csv')
      .send(text)
      .expect(200);
    expect(sent.body.counted).toBeGreaterThan(10);
    expect((await catalogue()).parts).toEqual(before.parts);
  });
  test('a file with a wrong cell changes nothing, and every cell is named', async () => {
    const before = await catalogue();
    const text =
      'number,price,supplier,on_hand\nLM-7020,12,Tolvane parts,3\nnone,1,,\nLM-5207,dear,Nobody,-2\n';
    const { status, body } = await who(rhea)
      .post('/api/catalogue/import')
      .type('text/csv')
      .send(text);
    expect(status).toBe(400);
    expect(body.errors.map((e: { field: string }) => e.field)).toEqual([
      'row 3, number',
      'row 4, supplier',
      'row 4, price',
      'row 4, on_hand',
    ]);
    expect((await catalogue()).parts).toEqual(before.parts);
  });
  test('what is wanted goes out as a file', async () => {
    const text = (await who(rhea).get('/api/parts.csv').expect(200)).text;
    const rows = parse(text, { columns: true }) as Record<string, string>[];
    expect(rows.map((r) => r['number'])).toEqual((await parts()).rows.map((r) => r.number));
  });
});

describe('the stock service', () => {
  let server: Server;
  let shelves: Record<string, Record<string, number>>;
  const address = () => `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  beforeAll(async () => {
    shelves = { 'Upper Larkmoor': { 'LM-7020': 7 } };
    await new Promise<void>((done) => {
      server = createStock({ shelves, now: () => new Date('2026-06-10T08:00:00Z') }).listen(
        0,
        '127.0.0.1',
        () => done(),
      );
    });
  });
  afterAll(() => new Promise((done) => server.close(done)));

  test('is asked, says that it is a stand-in, and a branch it does not know says so', async () => {
    expect(await askStock(place.db, address())).toBe(1);
    expect((await parts()).stock).toMatchObject({
      service: 'Simulated stock',
      simulated: true,
      trouble: null,
    });
    const corin = await signedIn(place.app, 'corin');
    expect(PartsPage.parse((await corin.get('/api/parts')).body).stock.trouble).toContain('404');
  });
  test('what came is booked in with it; when it does not answer the order stays as it was', async () => {
    await bookIn(address(), { branch: 'Upper Larkmoor', number: 'LM-7020', quantity: 2 });
    expect(shelves['Upper Larkmoor']).toEqual({ 'LM-7020': 7 });
    const told = await fetch(`${address()}/stock?branch=Upper%20Larkmoor`);
    expect(await told.json()).toMatchObject({ lines: [{ number: 'LM-7020', onHand: 9 }] });
    await expect(
      bookIn('http://127.0.0.1:1', { branch: 'Upper Larkmoor', number: 'LM-7020', quantity: 2 }),
    ).rejects.toMatchObject({ title: 'The stock service does not answer' });
    const [order] = (await parts()).orders.filter((o) => !o.arrivedOn);
    if (!order) throw new Error('nothing is on order');
    const person = (await who(rhea).get('/api/session')).body.person;
    await expect(
      changeOrder(
        {
          ...{ db: place.db, person, today: '2026-06-09', now: new Date() },
          stock: 'http://127.0.0.1:1',
        },
        order.id,
        { version: order.version, arrivedOn: '2026-06-09' },
      ),
    ).rejects.toMatchObject({ title: 'The stock service does not answer' });
    expect((await parts()).orders.find((o) => o.id === order.id)).toEqual(order);
  });
  test('one that cannot be reached is told, and what was known stays', async () => {
    expect(await askStock(place.db, 'http://127.0.0.1:1')).toBe(0);
    const { stock } = await parts();
    expect(stock.service).toBe('Simulated stock');
    expect(stock.trouble).not.toBeNull();
  });
});

describe('what is loaded', () => {
  test('for a visit: its parts, gauges and tools', async () => {
    const list = VanList.parse(
      (
        await who(ines)
          .get(`/api/visits/${demoId('visit T118')}/van`)
          .expect(200)
      ).body,
    );
    expect(list.visits.map((v) => v.serial)).toEqual(['T118']);
    expect(list.parts.length).toBeGreaterThan(0);
    expect(list.gauges.length).toBeGreaterThan(0);
  });
  test('for a technician’s day: all of its visits together; none is none', async () => {
    const day = async (on: string) =>
      VanList.parse(
        (
          await who(ines)
            .get(`/api/van?technician=${demoId('person ines')}&on=${on}`)
            .expect(200)
        ).body,
      );
    expect((await day('2026-07-01')).visits.map((v) => v.serial)).toEqual(['T118']);
    expect(await day('2026-06-10')).toMatchObject({ visits: [], parts: [] });
  });
  test('of what nobody knows is 404; a day that is none is refused', async () => {
    expect((await who(ines).get(`/api/visits/${randomUUID()}/van`)).status).toBe(404);
    expect((await who(ines).get(`/api/van?technician=${randomUUID()}&on=2026-06-10`)).status).toBe(
      404,
    );
    problem(await who(ines).get('/api/van?technician=x&on=today'), 400, 'technician');
  });
});

test('an order of another branch is not changed from here', async () => {
  const corin = await signedIn(place.app, 'corin');
  const [order] = (await parts()).orders.map((o) => PartOrder.parse(o));
  const { status } = await corin.put(`/api/orders/${order?.id}`).send({ version: 1, quantity: 5 });
  expect(status).toBe(403);
});
