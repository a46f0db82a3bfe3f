// What `npm run scale` measures of one place: each puts its figures, by name, into `out`.
import { randomUUID } from 'node:crypto';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { largeSheet, sendSheet, share, signIn } from '../ask.mjs';
import { ROOT } from '../house.mjs';

const readingOf = ({ id, model, hours }, i = 0) => ({
  id: randomUUID(),
  machineId: id,
  walkId: null,
  checkId: 'fan-drive-belt',
  sheet: { model, revision: 1 },
  place: 'belt',
  state: 'asFound',
  value: { kind: 'measure', values: [33 + (i % 100) / 100], typed: [], unit: 'mm' },
  renewed: false,
  settled: false,
  positionConfirmed: true,
  tool: null,
  takenAt: '2026-06-08T16:00:00.000Z',
  hours,
  by: 'x',
  note: 'as it is',
  strikes: null,
});

/** All machines, page by page. */
export async function machinesOf(ask) {
  const machines = [];
  let cursor = '';
  do {
    const page = JSON.parse(
      (await ask(`/yard?limit=200${cursor && `&cursor=${encodeURIComponent(cursor)}`}`)).text,
    );
    machines.push(...page.rows.map((r) => r.machine));
    cursor = page.next ?? '';
  } while (cursor);
  return machines;
}

/** The longest and the 95th of a light request while something heavy runs. */
async function beside(ask, path, heavy) {
  let running = true;
  const work = heavy().finally(() => (running = false));
  const times = [];
  while (running) {
    times.push((await ask(path)).ms);
    await new Promise((done) => setTimeout(done, 15));
  }
  await work;
  return { p95: share(times, 0.95), most: Math.max(...times), asked: times.length };
}

const any = (machines) => machines[Math.floor(Math.random() * machines.length)];

export async function yard(ask, machines, out) {
  const plain = [];
  for (let i = 0; i < 150; i += 1) plain.push((await ask('/yard')).ms);
  out['Yard, first page p50, ms'] = share(plain, 0.5);
  out['Yard, first page p95, ms'] = share(plain, 0.95);
  out['Yard, first page, kB'] = (await ask('/yard')).bytes / 1000;
  const after = [];
  for (let i = 0; i < 60; i += 1) {
    await ask('/readings:batch', { readings: [readingOf(any(machines), i)] });
    after.push((await ask('/yard')).ms);
  }
  out['Yard right after a change p50, ms'] = share(after, 0.5);
  out['Yard right after a change p95, ms'] = share(after, 0.95);
}

export async function files(ask, machines, out) {
  const whole = [];
  const some = [];
  let kB = 0;
  let bytes = 0;
  for (let i = 0; i < 40; i += 1) {
    const machine = any(machines);
    const first = await ask(`/machines/${machine.id}/changes`);
    const { version, basis } = JSON.parse(first.text);
    whole.push(first.ms);
    kB = Math.max(kB, first.bytes / 1000);
    await ask('/readings:batch', { readings: [readingOf(machine, i)] });
    const next = await ask(`/machines/${machine.id}/changes?since=${version}&basis=${basis}`);
    some.push(next.ms);
    bytes = Math.max(bytes, next.bytes);
  }
  out['machine whole p95, ms'] = share(whole, 0.95);
  out['machine whole, most, kB'] = kB;
  out['changes since one reading p95, ms'] = share(some, 0.95);
  out['changes since one reading, most, bytes'] = bytes;
}

export async function batches(base, ask, machines, { url, out }) {
  const fifty = [];
  for (let i = 0; i < 40; i += 1) {
    const machine = any(machines);
    const readings = Array.from({ length: 50 }, (_, k) => readingOf(machine, k));
    fifty.push((await ask('/readings:batch', { readings })).ms);
  }
  out['batch of 50 p95, ms'] = share(fifty, 0.95);
  const clients = [];
  for (let i = 0; i < 50; i += 1) clients.push(await signIn(base, 'maud'));
  const until = performance.now() + 8000;
  let stored = 0;
  await Promise.all(
    clients.map(async (client, c) => {
      const machine = machines[c % machines.length];
      while (performance.now() < until) {
        const readings = Array.from({ length: 50 }, (_, k) => readingOf(machine, k));
        await client('/readings:batch', { readings });
        stored += 50;
      }
    }),
  );
  out['readings a second, 50 clients'] = stored / 8;
  // one client, batches of 200, against the same rows put in by unnest and nothing else
  const rounds = 15;
  const ours = performance.now();
  for (let i = 0; i < rounds; i += 1) {
    const machine = any(machines);
    const readings = Array.from({ length: 200 }, (_, k) => readingOf(machine, k));
    await ask('/readings:batch', { readings });
  }
  const rate = (200 * rounds) / ((performance.now() - ours) / 1000);
  const raw = await rawRate(url, machines, rounds);
  out['readings a second, one client by 200'] = rate;
  out['of raw unnest into the same table, %'] = (100 * rate) / raw;
}

async function rawRate(url, machines, rounds) {
  const pg = createRequire(join(ROOT, 'server/package.json'))('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const from = performance.now();
  for (let i = 0; i < rounds; i += 1) {
    const machine = any(machines);
    const rows = Array.from({ length: 200 }, (_, k) => readingOf(machine, k));
    const column = (of) => rows.map(of);
    await client.query(
      `INSERT INTO readings (id, machine_id, check_id, sheet, place, state, value, renewed, settled, position_confirmed, taken_at, hours, by, note)
       SELECT * FROM unnest($1::uuid[], $2::uuid[], $3::text[], $4::jsonb[], $5::text[], $6::text[], $7::jsonb[], $8::boolean[], $9::boolean[], $10::boolean[], $11::timestamptz[], $12::float8[], $13::text[], $14::text[])`,
      [
        column((r) => r.id),
        column((r) => r.machineId),
        column((r) => r.checkId),
        column((r) => JSON.stringify(r.sheet)),
        column((r) => r.place),
        column((r) => r.state),
        column((r) => JSON.stringify(r.value)),
        column((r) => r.renewed),
        column((r) => r.settled),
        column((r) => r.positionConfirmed),
        column((r) => r.takenAt),
        column((r) => r.hours),
        column((r) => r.by),
        column((r) => r.note),
      ],
    );
  }
  const rate = (200 * rounds) / ((performance.now() - from) / 1000);
  await client.end();
  return rate;
}

export async function heavy(ask, machines, out) {
  const machine = machines.find((m) => m.hours > 100) ?? machines[0];
  const lines = Array.from(
    { length: 100_000 },
    (_, i) =>
      `${machine.serial},fan-drive-belt,belt,measure,${(33 + (i % 300) / 100).toFixed(2)},mm,${new Date(Date.UTC(2026, 5, 9, 7) + i).toISOString()},${machine.hours},as it is`,
  );
  const file = ['machine,check,place,quantity,value,unit,taken_at,hours,note', ...lines].join('\n');
  const from = performance.now();
  const imported = await beside(ask, '/yard', async () => {
    const { id } = JSON.parse((await ask('/readings/import', file, 'text/csv')).text);
    for (;;) {
      const now = JSON.parse((await ask(`/imports/${id}`)).text);
      if (now.trouble) throw new Error(now.trouble.detail);
      if (now.report) {
        if (now.report.accepted !== 100_000) throw new Error(JSON.stringify(now.report.lines[0]));
        return;
      }
      await new Promise((done) => setTimeout(done, 200));
    }
  });
  out['import of 100,000 rows, s'] = (performance.now() - from) / 1000;
  out['Yard beside the import p95, ms'] = imported.p95;
  out['Yard beside the import, longest, ms'] = imported.most;
  const large = await largeSheet(ask, 'Large 1', 2000);
  const shown = await beside(ask, '/yard', () => sendSheet(ask, large, { preview: true }));
  out['Yard beside a 2,000-check sheet, longest, ms'] = shown.most;
  const broken = await beside(ask, '/yard', () =>
    ask('/specs/import?preview=yes', large.replace('"check-7"', '"7 7"'), 'text/plain'),
  );
  out['Yard beside such a sheet with a mistake, longest, ms'] = broken.most;
}
