import { connect, createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { DEMO_PASSWORD } from '@green-tally/demo';
import { databaseAway, inTheWay, openDatabase, refusedValue, type Database } from '../db';
import { clockFor } from '../clock';
import { createApp } from './app';
import { openMetrics } from './metrics';
import { pathTold, toldOf } from './log';
import { openPlace, type Place } from '../testing/place';

/** A wire to the database that can be cut, and stays cut for as long as it is to. */
let place: Place;
let wire: Server;
let through: Database;
const pairs = new Set<Socket>();
let cutAfter: number | undefined;
let closed = false;
beforeAll(async () => {
  place = await openPlace();
  const far = new URL(place.url);
  const real = Number(far.port);
  wire = createServer((near) => {
    if (closed) return near.destroy();
    const to = connect(real, '127.0.0.1');
    pairs.add(near);
    const mine = cutAfter;
    let said = 0;
    to.on('data', (chunk) => {
      if (mine !== undefined && said >= mine) return near.destroy();
      said += 1;
      near.write(chunk);
    });
    near.on('data', (chunk) => to.write(chunk));
    for (const one of [near, to])
      one
        .on('error', () => undefined)
        .on('close', () => {
          pairs.delete(near);
          near.destroy();
          to.destroy();
        });
  });
  await new Promise<void>((done) => wire.listen(0, '127.0.0.1', done));
  far.port = String((wire.address() as AddressInfo).port);
  far.hostname = '127.0.0.1';
  through = await openDatabase(far.toString());
});
afterAll(async () => {
  cutAfter = undefined;
  closed = false;
  await through.close();
  await new Promise((done) => wire.close(done));
  await place.close();
});

const cutAll = () => pairs.forEach((p) => p.destroy());
const said: string[] = [];
const app = () =>
  createApp({
    db: through,
    clock: clockFor('2026-06-09'),
    sessionSecret: 'test',
    logLevel: 'error',
    logInto: { write: (text) => void said.push(text) },
    metrics: openMetrics(through),
  });

test('with its database gone the server stays up, says so, and is itself again once it is back', async () => {
  const server = app();
  const agent = request.agent(server);
  await agent.post('/api/session').send({ signIn: 'ines', password: DEMO_PASSWORD }).expect(201);
  closed = true;
  cutAll();
  const away = await agent.get('/api/yard');
  expect([away.status, away.headers['retry-after'], away.body.title]).toEqual([
    503,
    '3',
    'Not just now',
  ]);
  expect((await agent.post('/api/readings:batch').send({ readings: [{}] })).status).toBe(503);
  expect((await request(server).get('/health')).body).toEqual({ alive: true });
  const ready = await request(server).get('/ready');
  expect([ready.status, ready.body]).toEqual([503, { ready: false, database: 'away' }]);
  closed = false;
  const back = await agent.get('/api/yard');
  expect(back.status).toBe(200);
  expect((await request(server).get('/ready')).status).toBe(200);
});

test('cut at any step of signing on, it bears it', async () => {
  const server = app();
  const agent = request.agent(server);
  await agent.post('/api/session').send({ signIn: 'ines', password: DEMO_PASSWORD }).expect(201);
  for (let step = 0; step < 8; step += 1) {
    cutAfter = step;
    cutAll();
    const { status } = await agent.get('/api/yard');
    expect([200, 503]).toContain(status);
    cutAfter = undefined;
    cutAll();
  }
  expect((await agent.get('/api/yard')).status).toBe(200);
});

test('what is logged of a failure tells where, and nothing of who asked with what', async () => {
  said.length = 0;
  const server = app();
  const agent = request.agent(server);
  await agent.post('/api/session').send({ signIn: 'ines', password: DEMO_PASSWORD }).expect(201);
  closed = true;
  cutAll();
  const secret = `unheard ${randomUUID()}`;
  await agent.get(`/api/yard?q=${encodeURIComponent(secret)}`);
  await agent.get(`/api/card/${encodeURIComponent(secret)}`);
  await agent.post('/api/session').send({ signIn: secret, password: secret });
  closed = false;
  const log = said.join('');
  expect(log).toContain('"path":"/api/yard"');
  expect(log).toContain('request failed');
  for (const word of [secret, encodeURIComponent(secret), 'cookie', 'green-tally=', DEMO_PASSWORD])
    expect(log).not.toContain(word);
});

test('metrics are for this machine, and tell of routes, not of paths', async () => {
  const server = app();
  await request(server).get('/api/session').expect(200);
  const { text, headers } = await request(server).get('/metrics').expect(200);
  expect(headers['content-type']).toContain('text/plain');
  expect(text).toContain('green_tally_database_up 1');
  expect(text).toMatch(
    /green_tally_request_seconds_count\{route="GET \/session",status="200"\} \d/,
  );
  expect((await request(server).get('/metrics').set('x-forwarded-for', '10.0.0.9')).status).toBe(
    404,
  );
  const guarded = createApp({
    ...{ db: through, clock: clockFor('2026-06-09'), sessionSecret: 'test', logLevel: 'silent' },
    ...{ metrics: openMetrics(through), metricsToken: 'a token' },
  });
  expect((await request(guarded).get('/metrics')).status).toBe(404);
  const given = request(guarded).get('/metrics').set('authorization', 'Bearer a token');
  expect((await given).status).toBe(200);
});

describe('what a database says', () => {
  const wrapped = (code: string) => ({ name: 'SequelizeDatabaseError', parent: { code } });
  test.each(['57P01', '57P03', '25006', '08006', 'ECONNREFUSED', 'ECONNRESET'])(
    '%s: it is away',
    (code) => expect(databaseAway(wrapped(code))).toBe(true),
  );
  test.each([
    { message: 'Connection terminated unexpectedly' },
    { name: 'SequelizeConnectionAcquireTimeoutError' },
    { parent: { parent: { message: 'timeout expired' } } },
  ])('$message $name: it is away', (error) => expect(databaseAway(error)).toBe(true));
  test.each(['40001', '40P01'])('%s: two were in each other’s way', (code) => {
    expect(inTheWay(wrapped(code))).toBe(true);
    expect(databaseAway(wrapped(code))).toBe(false);
  });
  test.each([
    ['23505', 'there'],
    ['22P05', 'unusable'],
    ['22003', 'unusable'],
    ['23514', 'unusable'],
    ['42601', undefined],
  ])('%s: %s', (code, what) => expect(refusedValue(wrapped(code))).toBe(what));
  test('what is thrown and is no error is neither', () => {
    for (const odd of [undefined, null, 'text', 7]) {
      expect(databaseAway(odd)).toBe(false);
      expect(refusedValue(odd)).toBeUndefined();
    }
    expect(toldOf(undefined)).toBeUndefined();
  });
  test('a path is logged without search and without keys', () =>
    expect(['/api/yard?q=x', '/api/card/k~s/x', '/api/feeds/k~s/visits.ics'].map(pathTold)).toEqual(
      ['/api/yard', '/api/card/…/x', '/api/feeds/…/visits.ics'],
    ));
});
