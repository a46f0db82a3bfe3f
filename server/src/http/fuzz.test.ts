import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { MachineFile, Yard } from '@green-tally/core/contracts';
import { demoId } from '@green-tally/demo';
import { clockFor } from '../clock';
import { runJobs } from '../jobs/work';
import { spoilt } from '../testing/mutate';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';
import { served } from '../testing/served';

/*
 * Requests that are nearly right, to every door that takes a body: none is answered 5xx, none keeps
 * the server from the next, and whatever it took can be read and judged. FUZZ says how many
 * (npm run fuzz: 10,000); a seed makes them the same each time.
 */
const TRIES = Number(process.env['FUZZ'] ?? 180);
const SEED = Number(process.env['FUZZ_SEED'] ?? 7);

let place: Place;
let maud: Awaited<ReturnType<typeof signedIn>>;
beforeAll(async () => {
  place = await openPlace();
  maud = await signedIn(place.app, 'maud');
});
afterAll(() => place.close());

const T118 = machineId('T118');
const AT = '2026-06-09T08:00:00.000Z';
const id = () => randomUUID();

interface Good {
  readonly method: 'post' | 'put' | 'patch';
  readonly path: string;
  readonly body: unknown;
}

/** What is on the books, for requests that change it. */
const there = async () => {
  const got = async (path: string) => (await maud.get(`/api${path}`)).body;
  return {
    machine: (await got(`/machines/${T118}`)).machine,
    setting: (await got('/crew')).setting,
    suppliers: (await got('/catalogue')).suppliers,
    sheet: (await got('/specs/Tarn%207')).sheet,
  };
};
type There = Awaited<ReturnType<typeof there>>;

/** A good request of each kind, made anew so that ids are fresh. */
function goodOnes({ machine, setting, suppliers, sheet }: There): readonly Good[] {
  const about = { machineId: T118, hours: 1285, by: 'x' };
  return [
    { method: 'post', path: '/readings:batch', body: { readings: [beltReading(), beltReading()] } },
    { method: 'put', path: `/walks/${id()}`, body: { ...about, startedAt: AT, noticed: '' } },
    {
      method: 'post',
      path: '/ticks',
      body: {
        ticks: [{ id: id(), machineId: T118, key: 'task|a|b|c', done: true, at: AT, by: 'x' }],
      },
    },
    {
      method: 'patch',
      path: `/machines/${T118}`,
      body: {
        hours: 1290,
        harvest: machine.harvest,
        header: machine.header,
        equipment: machine.equipment,
      },
    },
    { method: 'post', path: '/machines', body: { ...machine, id: id(), serial: id().slice(0, 8) } },
    {
      method: 'post',
      path: '/work',
      body: {
        items: [
          {
            ...{ id: id(), machineId: T118, checkId: 'fan-drive-belt', decision: 'replace' },
            ...{ places: ['belt'], reason: 'Worn.', minutes: 30, acceptedBy: 'x', acceptedAt: AT },
            parts: [{ number: 'N-1', name: 'Belt', quantity: 1 }],
          },
        ],
      },
    },
    {
      method: 'put',
      path: `/visits/${id()}`,
      body: {
        machineId: T118,
        technicianId: demoId('person ines'),
        startsOn: '2026-06-16',
        site: 'bay',
        note: '',
      },
    },
    {
      method: 'post',
      path: '/orders',
      body: { orders: [{ id: id(), number: 'LM-7020', quantity: 1, expectedOn: '2026-06-20' }] },
    },
    { method: 'put', path: '/crew/setting', body: setting },
    { method: 'put', path: '/suppliers', body: { suppliers, version: 0 } },
    {
      method: 'put',
      path: `/tools/${id()}`,
      body: {
        name: 'Calliper',
        quantity: 'length',
        resolution: 0.05,
        calibratedOn: '2026-01-01',
        everyMonths: 12,
      },
    },
    {
      method: 'post',
      path: '/breakdowns',
      body: {
        id: id(),
        ...about,
        at: AT,
        checkId: null,
        component: 'Fan',
        kind: 'broke',
        hoursLost: 1,
        note: '',
      },
    },
    {
      method: 'post',
      path: '/specs',
      body: { ...sheet, revision: sheet.revision + 1, checks: sheet.checks.slice(0, 3) },
    },
    {
      method: 'post',
      path: '/people',
      body: {
        name: 'New',
        signIn: id().slice(0, 8),
        password: 'heron sickle dew',
        role: 'technician',
      },
    },
    {
      method: 'post',
      path: '/board/searches',
      body: { id: id(), kept: [], whatIf: [], seconds: 1 },
    },
    { method: 'put', path: '/stock', body: { counts: [{ number: 'LM-7020', onHand: 4 }] } },
    {
      method: 'put',
      path: `/photos/${id()}`,
      body: {
        ...about,
        walkId: null,
        checkId: 'fan-drive-belt',
        place: '',
        bytes: 900,
        width: 10,
        height: 10,
        takenAt: AT,
      },
    },
    { method: 'put', path: '/prices', body: { prices: [{ number: 'LM-7020', price: 12 }] } },
  ];
}

/** What everybody looks at. */
const LOOKED_AT = [
  '/yard',
  '/work',
  '/due',
  '/board',
  '/parts',
  '/catalogue',
  '/crew',
  '/visits',
  '/staff',
  `/machines/${T118}`,
];
/** How long each look took, ms. */
const looks: { readonly path: string; readonly ms: number }[] = [];

/** Looks at one of them: it answers, and no machine has become one that cannot be judged. */
async function look(path: string): Promise<string[]> {
  const from = performance.now();
  const { status, body } = await maud.get(`/api${path}`);
  looks.push({ path, ms: performance.now() - from });
  if (status !== 200) return [`${path}: ${status} ${JSON.stringify(body).slice(0, 200)}`];
  if (path.startsWith('/machines')) MachineFile.parse(body);
  return path === '/yard'
    ? // one that is new is judged in its own time; one with a trouble cannot be
      Yard.parse(body).apart.flatMap((a) =>
        a.trouble === null ? [] : [`apart: ${a.machine.serial} ${a.trouble}`],
      )
    : [];
}

async function allReads(): Promise<string[]> {
  const { failed } = await runJobs({ db: place.db, clock: clockFor('2026-06-09') });
  const wrong = failed ? [`${failed} jobs failed`] : [];
  const { apart } = Yard.parse((await maud.get('/api/yard')).body);
  wrong.push(...apart.map((a) => `not judged: ${a.machine.serial} ${a.trouble}`));
  for (const path of LOOKED_AT) wrong.push(...(await look(path)));
  return wrong;
}

/** Every write is looked after in the long run, every fifth in the short one. */
const EVERY = process.env['FUZZ'] ? 1 : 5;

/** After a write two of them in turn, after every twentieth all of them and what the jobs make of it. */
const readsAfter = async (taken: number): Promise<string[]> =>
  taken % (20 * EVERY) === 0
    ? allReads()
    : taken % EVERY
      ? []
      : [
          ...(await look(LOOKED_AT[taken % LOOKED_AT.length] ?? '/yard')),
          ...(await look(`/machines/${T118}`)),
        ];

test(`${TRIES} requests that are nearly right: no 5xx, and all that was taken can be read`, async () => {
  const counts = { taken: 0, refused: 0 };
  const books = await there();
  const kinds = goodOnes(books).length;
  const drawn = fc.sample(fc.tuple(fc.nat(kinds - 1), fc.nat()), { numRuns: TRIES, seed: SEED });
  for (const [which, seed] of drawn) {
    const { method, path, body } = goodOnes(books)[which] ?? {
      method: 'post',
      path: '/',
      body: {},
    };
    const [bad] = fc.sample(spoilt(body), { numRuns: 1, seed });
    const text = JSON.stringify(bad === undefined ? null : bad) ?? 'null';
    const answer = await maud[method](`/api${path}`).type('json').send(text);
    const what = `${method} ${path} ${text.slice(0, 600)}: ${answer.status} ${JSON.stringify(answer.body).slice(0, 300)}`;
    if (answer.status >= 500) throw new Error(what);
    if (answer.status >= 400) counts.refused += 1;
    else {
      counts.taken += 1;
      const wrong = await readsAfter(counts.taken);
      if (wrong.length) throw new Error(`after ${what}\n${wrong.join('\n')}`);
    }
  }
  process.stdout.write(
    `fuzz: ${counts.taken} taken, ${counts.refused} refused, none 5xx; ${slowestOf(looks)}\n`,
  );
  expect(counts.refused).toBeGreaterThan(TRIES / 3);
  expect(await allReads()).toEqual([]);
});

const slowestOf = (all: typeof looks): string => {
  const slowest = all.reduce((a, b) => (a.ms > b.ms ? a : b), { path: '', ms: 0 });
  return `${all.length} looks, the slowest ${slowest.ms.toFixed(0)} ms (${slowest.path}), ${all.filter((l) => l.ms > 300).length} above 300 ms`;
};

/** Of each list so many looks, after one that is not counted. */
const EACH = process.env['FUZZ'] ? 10 : 1;

test('a server as it runs in earnest reads all of it; how long that takes is told', async () => {
  const { ask, end } = await served(place.url, 'maud');
  try {
    const there: typeof looks = [];
    for (const path of LOOKED_AT) {
      expect([path, (await ask(path)).status]).toEqual([path, 200]);
      for (let i = 0; i < EACH; i += 1) there.push({ path, ms: (await ask(path)).ms });
    }
    process.stdout.write(`as it runs in earnest: ${slowestOf(there)}\n`);
  } finally {
    await end();
  }
});
