import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createGauge } from './gauge';

let server: Server;
let url: string;
let clock = 0;
beforeEach(async () => {
  clock = 1000;
  server = createGauge({ code: '4711', seed: 7, now: () => clock }).listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterEach(() => {
  server.closeAllConnections();
  return new Promise((closed) => server.close(closed));
});

const post = (path: string, body: unknown, origin = 'http://127.0.0.1:8460') =>
  fetch(`${url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin },
    body: JSON.stringify(body),
  });
const pair = async (code = '4711') =>
  (await (await post('/pair', { code })).json()) as { token: string; name: string };

/** Events as they come, until so many are there. */
async function events(token: string, count: number, meanwhile: () => Promise<unknown>) {
  const response = await fetch(`${url}/readings?token=${token}`);
  const reader = response.body?.getReader();
  if (!reader) throw new Error('no body');
  let text = '';
  let told = false;
  while ((text.match(/event: reading/g) ?? []).length < count) {
    const { value } = await reader.read();
    text += new TextDecoder().decode(value);
    if (!told && text.includes('event: ready')) {
      told = true;
      await meanwhile();
    }
  }
  await reader.cancel();
  return [...text.matchAll(/event: reading\ndata: (.*)/g)].map(
    ([, data]) => JSON.parse(data ?? '') as { value: number; unit: string; quantity: string },
  );
}

test('it says that it is simulated, and shows its code', async () => {
  const page = await (await fetch(url)).text();
  expect(page).toContain('Simulated gauge');
  expect(page).toContain('>4711<');
  expect(await pair()).toMatchObject({ name: 'Simulated gauge', simulated: true });
});

test('what is measured comes to who is paired, with noise, in whole divisions', async () => {
  const { token } = await pair();
  const got = await events(token, 40, async () => {
    for (let i = 0; i < 40; i += 1) await post('/press', { quantity: 'length', truth: 36.5 });
  });
  const values = got.map((g) => g.value);
  expect(new Set(values).size).toBeGreaterThan(3);
  for (const v of values) {
    expect(Math.abs(v - 36.5)).toBeLessThan(0.15);
    expect(Math.abs(v * 100 - Math.round(v * 100))).toBeLessThan(1e-6);
  }
  expect(got[0]).toMatchObject({ quantity: 'length', unit: 'mm' });
});

test('a wrong code does not pair, and after five it sleeps', async () => {
  for (let i = 0; i < 5; i += 1) expect((await post('/pair', { code: '0000' })).status).toBe(403);
  expect((await post('/pair', { code: '4711' })).status).toBe(429);
  clock += 31_000;
  expect((await post('/pair', { code: ' 4711 ' })).status).toBe(200);
  expect((await fetch(`${url}/readings?token=nobody`)).status).toBe(403);
});

test.each([
  [{ quantity: 'weight', truth: 3 }],
  [{ quantity: 'length', truth: 'wide' }],
  [{ quantity: 'length', truth: -1 }],
  [{}],
])('%j is refused in words', async (body) => {
  const answer = await post('/press', body);
  expect(answer.status).toBe(400);
  expect(await answer.json()).toEqual({ title: 'A length or a force, and a number of it.' });
});

test('only pages of this machine may talk to it', async () => {
  const own = await post('/pair', { code: '4711' });
  expect(own.headers.get('access-control-allow-origin')).toBe('http://127.0.0.1:8460');
  const foreign = await post('/pair', { code: '4711' }, 'http://elsewhere.example');
  expect(foreign.headers.get('access-control-allow-origin')).toBeNull();
});
