import type { AddressInfo } from 'node:net';
import { LiveChange } from '@green-tally/core/contracts';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';

let place: Place;
let ends: (() => Promise<void>)[] = [];
beforeAll(async () => {
  place = await openPlace();
});
afterEach(async () => {
  for (const end of ends) await end();
  ends = [];
});
afterAll(() => place.close());

/** Listens as a browser does; `next` waits for what is told next. */
async function listening(signIn: string) {
  const agent = await signedIn(place.app, signIn);
  const server = place.app.listen(0, '127.0.0.1');
  await new Promise((up) => server.once('listening', up));
  const { port } = server.address() as AddressInfo;
  const said = await agent.get('/api/session');
  const cookie = said.headers['set-cookie'] as unknown as string[];
  const end = new AbortController();
  ends.push(async () => {
    end.abort();
    server.closeAllConnections();
    await new Promise((down) => server.close(down));
  });
  const response = await fetch(`http://127.0.0.1:${port}/api/events`, {
    headers: { cookie: cookie.map((c) => c.split(';')[0]).join('; ') },
    signal: end.signal,
  });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  return {
    type: response.headers.get('content-type'),
    async next(): Promise<LiveChange> {
      for (;;) {
        const match = /data: (.+)\n\n/.exec(text);
        if (match) {
          text = text.slice(match.index + match[0].length);
          return LiveChange.parse(JSON.parse(match[1] ?? ''));
        }
        const { value = '', done } = await reader.read();
        if (done) throw new Error('it ended');
        text += value;
      }
    },
  };
}

test('what is read on one phone is told to the others of the branch, and to no other branch', async () => {
  const ines = await signedIn(place.app, 'ines');
  const rhea = await listening('rhea');
  expect(rhea.type).toMatch(/^text\/event-stream/);
  // where the ears have just been opened, something may have been missed before
  expect(await rhea.next()).toEqual({ what: 'many', id: null, version: 0 });
  await place.db.sequelize.query(
    `SELECT pg_notify('green_tally_changes', '{"what":"facts","id":"${machineId('B019')}","branch":"Elsewhere","version":3}')`,
  );
  await ines
    .post('/api/readings:batch')
    .send({ readings: [beltReading()] })
    .expect(200);
  expect(await rhea.next()).toMatchObject({ what: 'facts', id: machineId('T118') });
  await ines.get('/api/yard').expect(200);
  expect(await rhea.next()).toMatchObject({ what: 'standing', id: machineId('T118') });
});
