import { v7 as uuidv7 } from 'uuid';
import type { Tick } from '@green-tally/core/contracts';
import { Unreachable } from './api';
import { api } from './inTurn';
import { local } from './local';
import { pauseOutbox, put } from './outbox';
import { setOwner } from './owner';
import { answering } from '../testing/answering';
import { reading } from '../testing/fixtures';

/** Every request as it reached the network. */
let asked: string[] = [];
/** How long a batch of readings is under way, ms. */
let slow = 0;
let signal = true;
const browser = globalThis.navigator;

beforeEach(async () => {
  await local.outgoing.clear();
  await local.photoFiles.clear();
  setOwner(undefined);
  asked = [];
  slow = 0;
  signal = true;
  answering(async (path, init) => {
    if (!signal) return undefined;
    const method = init?.method ?? 'GET';
    if (path !== '/readings:batch') {
      asked.push(`${method} ${path}`);
      return { body: {} };
    }
    await new Promise((done) => setTimeout(done, slow));
    asked.push(`${method} ${path}`);
    const { readings } = JSON.parse(String(init?.body)) as { readings: { id: string }[] };
    return { body: { results: readings.map((r) => ({ id: r.id, result: 'accepted' })) } };
  });
});
afterEach(() => {
  pauseOutbox();
  Object.defineProperty(globalThis, 'navigator', { value: browser, configurable: true });
});
afterAll(() => local.close());

const drop = () => api('DELETE /visits/{id}', { params: { id: 'v' } });
const belt = () =>
  reading('fan-drive-belt', 'belt', { kind: 'measure', values: [37], typed: [], unit: 'mm' });
const take = (held = 0) => put([{ kind: 'reading', body: belt() }], { held });

const ASKED = 'DELETE /visits/v';
const SENT = 'POST /readings:batch';

test('what is written goes after what was taken before it, however long that takes', async () => {
  slow = 400;
  await take();
  await drop();
  expect(asked).toEqual([SENT, ASKED]);
});

test('with nothing waiting it goes at once', async () => {
  await drop();
  expect(asked).toEqual([ASKED]);
});

test('what is only read does not wait', async () => {
  slow = 400;
  await take();
  await api('GET /yard', {});
  expect(asked).toEqual(['GET /yard']);
  await drop();
  expect(asked).toEqual(['GET /yard', SENT, ASKED]);
});

test('what is held, and what another person took here, is not waited for', async () => {
  await take(60_000);
  setOwner('somebody else');
  const tick: Tick = {
    id: uuidv7(),
    machineId: uuidv7(),
    key: 'x',
    done: true,
    note: '',
    by: 'Ines',
    at: new Date().toISOString(),
  } as Tick;
  await put([{ kind: 'tick', body: tick }]);
  setOwner(undefined);
  await drop();
  expect(asked).toEqual([ASKED]);
});

test('without signal it says so, and what waits stays', async () => {
  signal = false;
  await take();
  await expect(drop()).rejects.toThrow(Unreachable);
  expect(await local.outgoing.count()).toBe(1);
});

test('one that is refused holds nothing up', async () => {
  answering((path) => {
    asked.push(path);
    return path === '/readings:batch'
      ? { status: 400, body: { type: 'about:blank', title: 'Refused', status: 400 } }
      : { body: {} };
  });
  await take();
  await drop();
  expect(asked.at(-1)).toBe('/visits/v');
  expect((await local.outgoing.toArray()).map((o) => o.state)).toEqual(['refused']);
});

test('another tab that sends is waited for', async () => {
  const locks = { request: (_: string, __: object, run: (lock: null) => unknown) => run(null) };
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
  await take();
  setTimeout(() => {
    asked.push('sent by the other tab');
    void local.outgoing.clear();
  }, 300);
  await drop();
  expect(asked).toEqual(['sent by the other tab', ASKED]);
});
