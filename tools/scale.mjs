// npm run scale [-- 12 200 2000]: how the cost of each thing grows with the machines on the books.
// Ratios matter more than absolute times; machines differ.
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { allJudged, signIn } from './ask.mjs';
import { checkNode, endPlainly, ensureApp, ensurePackages, say } from './house.mjs';
import { throwAwayPlace } from './place.mjs';
import { batches, files, heavy, machinesOf, yard } from './scale/measures.mjs';

const SIZES = process.argv.slice(2).map(Number).filter(Boolean);
const memoryOf = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

/** Pids of the workers that a server started. */
const workersOf = (pid) =>
  spawnSync('pgrep', ['-P', String(pid)], { encoding: 'utf8' })
    .stdout.split('\n')
    .filter(Boolean)
    .map(Number);

/** Everything of one size. */
async function measure(size) {
  say(`${size} machines`);
  const from = performance.now();
  const place = await throwAwayPlace({ databasePort: 54_960, firstPort: 8600, machines: size });
  const out = {};
  try {
    const { filled } = place;
    out['readings on record'] = Number(/filled (\d+)/.exec(filled)?.[1]);
    out['filled in and started, s'] = (performance.now() - from) / 1000;
    const [, took, longest] = /migrated (\d+) longest (\d+)/.exec(filled) ?? [];
    out['newest migrations over it, ms'] = Number(took);
    out['a reader waits for them at most, ms'] = Number(longest);
    const ask = await signIn(place.url, 'maud');
    out['Yard, first request after the start, ms'] = (await ask('/yard')).ms;
    out['all judged by one worker, s'] = (await allJudged(ask)) / 1000;
    const machines = await machinesOf(ask);
    await yard(ask, machines, out);
    await files(ask, machines, out);
    await batches(place.url, ask, machines, { url: place.database, out });
    await heavy(ask, machines, out);
    out['server resident, MB'] = memoryOf(place.pid);
    out['worker resident, MB'] = Math.max(...workersOf(place.pid).map(memoryOf));
  } finally {
    await place.end();
  }
  for (const [name, value] of Object.entries(out))
    process.stdout.write(`  ${name}: ${print(value)}\n`);
  return out;
}

const print = (value) =>
  value === undefined
    ? ''
    : typeof value === 'string'
      ? value
      : value >= 100
        ? Math.round(value).toLocaleString('en')
        : value.toFixed(1);

try {
  checkNode();
  ensurePackages();
  ensureApp();
  const sizes = SIZES.length ? SIZES : [12, 200, 2000];
  const columns = [];
  for (const size of sizes) columns.push(await measure(size));
  const names = [...new Set(columns.flatMap((c) => Object.keys(c)))];
  const head = ['', ...sizes.map((s) => `${s.toLocaleString('en')} machines`), 'last ÷ first'];
  const lines = names.map((name) => {
    const values = columns.map((c) => c[name]);
    const [first, last] = [values[0], values.at(-1)];
    const grew =
      typeof first === 'number' && typeof last === 'number' ? `${(last / first).toFixed(2)} ×` : '';
    return [name, ...values.map(print), grew];
  });
  const table = [head, head.map(() => '---'), ...lines].map((l) => `| ${l.join(' | ')} |`);
  process.stdout.write(`\n${table.join('\n')}\n`);
} catch (error) {
  endPlainly(error);
}
