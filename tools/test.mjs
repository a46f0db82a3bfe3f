// npm test [part …]: set-up, packages, types, format, lint, unused, unit tests (core, server, app),
// browser tests; one
// closing line for all.
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { throwAwayCluster } from './cluster.mjs';
import {
  bundle,
  checkNode,
  endPlainly,
  ensureApp,
  ensureDebian,
  ensurePackages,
  findChromium,
  freePort,
  ROOT,
  say,
  startUntil,
  stop,
} from './house.mjs';

const RESULTS = join(ROOT, 'test-results');
const only = process.argv.slice(2);
const wanted = (name) => only.length === 0 || only.includes(name);
let passed = 0;
let failed = 0;

/** Runs a step that passes or fails as a whole. */
async function step(name, command, args) {
  if (!wanted(name)) return;
  say(name);
  const code = await finished(
    spawn(command, args, { cwd: ROOT, stdio: 'inherit', env: process.env }),
  );
  if (code === 0) passed += 1;
  else failed += 1;
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
  const file = join(RESULTS, `${workspace}.json`);
  rmSync(file, { force: true });
  const code = await finished(
    spawn('npx', ['jest', '--ci', '--json', `--outputFile=${file}`, '--reporters=default'], {
      cwd: join(ROOT, workspace),
      stdio: ['ignore', 'ignore', 'inherit'],
      env: process.env,
    }),
  );
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

async function browser() {
  if (!wanted('browser')) return;
  say('browser tests');
  const chromium = ensureDebian(findChromium, 'chromium');
  ensureApp();
  const server = bundle('server/src/cli/serve.ts', 'server/dist/serve.mjs');
  const cluster = await throwAwayCluster(54_910);
  const port = await freePort(8560);
  const report = join(RESULTS, 'browser.json');
  rmSync(report, { force: true });
  let child;
  try {
    const started = startUntil(process.execPath, [server], /listening on/, {
      name: 'The test server',
      env: { ...process.env, DATABASE_URL: cluster.url, PORT: String(port), GREEN_TALLY_DEMO: '1' },
    });
    child = started.child;
    await started.ready;
    const env = {
      ...process.env,
      BASE_URL: `http://127.0.0.1:${port}`,
      PLAYWRIGHT_JSON: report,
      CHROMIUM: chromium,
    };
    const code = await finished(
      spawn(
        'npx',
        ['playwright', 'test', '-c', 'e2e', ...(process.env.E2E ? [process.env.E2E] : [])],
        { cwd: ROOT, stdio: 'inherit', env },
      ),
    );
    count(code, () => {
      const { stats } = JSON.parse(readFileSync(report, 'utf8'));
      return {
        ok: stats.expected + stats.flaky,
        bad: stats.unexpected,
        all: stats.expected + stats.unexpected + stats.flaky,
      };
    });
  } finally {
    await stop(child);
    await cluster.stop();
  }
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
  for (const workspace of ['core', 'demo', 'server', 'app', 'e2e'])
    if (wanted('types')) await step(...typeCheck(workspace));
  await step('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
  await step('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
  await step('unused', 'npx', ['knip', '--no-progress']);
  await jest('core');
  await jest('server');
  await jest('app');
  await browser();
} catch (error) {
  failed += 1;
  endPlainly(error);
}
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exitCode = failed ? 1 : 0;

function typeCheck(workspace) {
  return [only.length ? 'types' : `type check: ${workspace}`, 'npx', ['tsc', '-p', workspace]];
}
