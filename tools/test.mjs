// npm test [part …]: set-up, packages, types, format, lint, unused, unit tests (core, server, app), a
// short storm of faults, browser tests; one closing line for all. E2E=name takes one file of the browser tests.
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import {
  checkNode,
  endPlainly,
  ensureApp,
  ensureChromium,
  ensurePackages,
  Plain,
  ROOT,
  say,
} from './house.mjs';
import { throwAwayPlaces } from './place.mjs';

const RESULTS = join(ROOT, 'test-results');
const only = process.argv.slice(2);
const wanted = (name) => only.length === 0 || only.includes(name);
let passed = 0;
let failed = 0;
/** home of the demo's database, made ahead */
let filled = '';

/** Runs a step that passes or fails as a whole. */
async function step(name, command, args) {
  if (!wanted(name)) return;
  say(name);
  const done = watch(name);
  const code = await finished(
    spawn(command, args, { cwd: ROOT, stdio: 'inherit', env: process.env }),
  );
  done();
  if (code === 0) passed += 1;
  else failed += 1;
}

/** Says at the end how long a part of the run took, so that one sees where the minutes go. */
function watch(name) {
  const began = performance.now();
  return () =>
    process.stdout.write(`  ${name}: ${Math.round((performance.now() - began) / 1000)} s\n`);
}

const finished = (child) =>
  new Promise((resolve) => {
    child.once('exit', (code) => resolve(code ?? 1));
    child.once('error', () => resolve(1));
  });

/** Runs a Jest suite and takes its counts. */
async function jest(workspace) {
  if (!wanted(workspace)) return;
  say(`unit tests: ${workspace}`);
  const done = watch(workspace);
  const file = join(RESULTS, `${workspace}.json`);
  rmSync(file, { force: true });
  const code = await finished(
    spawn(
      'npx',
      [
        'jest',
        '--ci',
        '--maxWorkers=100%',
        '--json',
        `--outputFile=${file}`,
        '--reporters=default',
      ],
      { cwd: join(ROOT, workspace), stdio: ['ignore', 'ignore', 'inherit'], env: process.env },
    ),
  );
  done();
  count(code, () => {
    const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites, numTotalTests } = JSON.parse(
      readFileSync(file, 'utf8'),
    );
    return {
      ok: numPassedTests,
      bad: numFailedTests + numRuntimeErrorTestSuites,
      all: numTotalTests,
    };
  });
}

/** Adds a suite's counts; a suite that broke down or ran nothing is a failure of its own. */
function count(code, read) {
  let counts;
  try {
    counts = read();
  } catch {
    counts = { ok: 0, bad: 0, all: 0 };
  }
  passed += counts.ok;
  failed += counts.bad;
  if ((code !== 0 && counts.bad === 0) || counts.all === 0) failed += 1;
}

/**
 * The browser tests in parts side by side, each on a demo database of its own, so that the same tests
 * share a database in the same order every time; the last takes all that no other names.
 */
const APART = [
  ['archive', 'bench', 'labels', 'places', 'practice', 'ready', 'report', 'sheets', 'specs'],
  [
    ...['board', 'firstDay', 'formats', 'harvest', 'hours', 'insight', 'offline'],
    ...['photo', 'shared', 'story', 'work'],
  ],
];

async function browser() {
  if (!wanted('browser')) return;
  say('browser tests');
  const done = watch('browser tests');
  const chromium = ensureChromium();
  ensureApp();
  const copyOf = process.env.GREEN_TALLY_FILLED;
  const named = process.env.E2E;
  const parts = named ? [[named]] : [...APART.map((p) => p.map(fileOf)), othersThan(APART.flat())];
  // empty places: for the first day of a dealership, and to bring an archive into
  let places = [];
  try {
    places = await throwAwayPlaces([
      { databasePort: 54_940, firstPort: 8600, demo: false },
      { databasePort: 54_950, firstPort: 8620, demo: false },
      ...parts.map((_, i) => ({
        ...{ databasePort: 54_910 + 10 * i, firstPort: 8560 + 10 * i },
        copyOf,
      })),
    ]);
    const [empty, spare, ...demos] = places;
    await Promise.all(
      parts.map(async (files, i) => {
        const report = join(RESULTS, `browser-${i + 1}.json`);
        rmSync(report, { force: true });
        const code = await playwright(files, {
          BASE_URL: demos[i].url,
          EMPTY_URL: empty.url,
          SPARE_URL: spare.url,
          PLAYWRIGHT_JSON: report,
          PLAYWRIGHT_OUTPUT: join(RESULTS, `browser-${i + 1}`),
          CHROMIUM: chromium,
        });
        await demos[i].end();
        count(code, () => browserCounts(report));
      }),
    );
  } finally {
    for (const place of places) await place.end();
    done();
  }
}

/**
 * Makes ahead, in a process of its own, what tests of several kinds want: the demo's database to copy
 * (GREEN_TALLY_FILLED) and the web app.
 */
async function madeAhead() {
  if (!['server', 'faults', 'browser'].some(wanted)) return;
  const done = watch('made ahead');
  const child = spawn(
    process.execPath,
    [join(ROOT, 'tools/ahead.mjs'), wanted('browser') ? 'app' : ''],
    { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'] },
  );
  createInterface({ input: child.stdout }).on('line', (line) => {
    if (line.startsWith('home ')) filled = line.slice(5);
    else process.stdout.write(`${line}\n`);
  });
  if ((await finished(child)) !== 0 || !filled)
    throw new Plain('What the tests want could not be made ahead.');
  process.env.GREEN_TALLY_FILLED = filled;
  done();
}

const othersThan = (files) =>
  readdirSync(join(ROOT, 'e2e'))
    .filter((f) => f.endsWith('.spec.ts') && !files.some((name) => f === `${name}.spec.ts`))
    .map((f) => `/${f}`);

const fileOf = (name) => `/${name}.spec.ts`;

const playwright = (files, env) =>
  finished(
    spawn('npx', ['playwright', 'test', '-c', 'e2e', ...files], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, ...env },
    }),
  );

function browserCounts(report) {
  const { stats } = JSON.parse(readFileSync(report, 'utf8'));
  return {
    ok: stats.expected + stats.flaky,
    bad: stats.unexpected,
    all: stats.expected + stats.unexpected + stats.flaky,
  };
}

try {
  checkNode();
  ensurePackages();
  mkdirSync(RESULTS, { recursive: true });
  if (wanted('packages')) {
    say('packages');
    const ls = spawnSync('npm', ['ls', '--loglevel=error'], { cwd: ROOT, encoding: 'utf8' });
    if (ls.status === 0) passed += 1;
    else {
      failed += 1;
      process.stdout.write(`${ls.stdout}${ls.stderr}`);
    }
  }
  // what reads the code only, on two cores, and beside it what is wanted later
  const read = async () => {
    // types of all workspaces, and the rules that ask for them, in one reading
    await step('types', 'npx', ['oxlint', '--type-aware', '--type-check']);
    await step('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
    await step('unused', 'npx', ['knip', '--no-progress']);
  };
  await Promise.all([
    step('lint', 'npx', ['eslint', '.', '--max-warnings', '0']),
    read(),
    madeAhead(),
  ]);
  await jest('core');
  await jest('server');
  await jest('app');
  await step('faults', 'node', ['tools/faults.mjs', '--faults', '12', '--seed', '8']);
  await browser();
} catch (error) {
  failed += 1;
  endPlainly(error);
} finally {
  if (filled) rmSync(filled, { recursive: true, force: true });
}
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exitCode = failed ? 1 : 0;
