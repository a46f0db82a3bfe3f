// npm run measure: the figures of docs/PERFORMANCE.md. Ratios matter more than absolute times;
// machines differ.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
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

const at = (sorted, share) =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];

function bundleSize() {
  const dist = join(ROOT, 'app/dist');
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const folder = join(dist, '_expo/static/js/web');
  const sums = { 'asked for by the page itself': 0, 'loaded by place': 0 };
  for (const name of readdirSync(folder).filter((f) => f.endsWith('.js'))) {
    const kB = gzipSync(readFileSync(join(folder, name)), { level: 9 }).length / 1024;
    sums[page.includes(name) ? 'asked for by the page itself' : 'loaded by place'] += kB;
    if (kB >= 5)
      process.stdout.write(`${name.replace(/-[0-9a-f]{32}/, '')}: ${kB.toFixed(0)} kB gzip\n`);
  }
  for (const [what, kB] of Object.entries(sums))
    process.stdout.write(`${what}: ${kB.toFixed(0)} kB gzip\n`);
}

async function yardTimes(base, requests = 300) {
  const signedIn = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ signIn: 'maud', password: 'before-harvest' }),
  });
  const cookie = signedIn.headers.get('set-cookie')?.split(';')[0] ?? '';
  const time = async (url) => {
    const start = performance.now();
    const response = await fetch(url, { headers: { cookie } });
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`${url}: ${response.status}`);
    return performance.now() - start;
  };
  const cold = await time(`${base}/api/yard`);
  const times = [];
  for (let i = 0; i < requests; i += 1) times.push(await time(`${base}/api/yard`));
  times.sort((a, b) => a - b);
  process.stdout.write(
    `GET /api/yard, ${requests} in a row: first ${cold.toFixed(0)} ms (derived anew), then median ${at(times, 0.5).toFixed(1)} ms, p95 ${at(times, 0.95).toFixed(1)} ms\n`,
  );
}

/** A sheet of 2,000 checks in, and one machine's checks out. */
async function sheetTimes(base) {
  const signedIn = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ signIn: 'maud', password: 'before-harvest' }),
  });
  const cookie = signedIn.headers.get('set-cookie')?.split(';')[0] ?? '';
  const ask = async (url, body) => {
    const start = performance.now();
    const response = await fetch(`${base}${url}`, {
      headers: { cookie, 'content-type': 'text/plain' },
      ...(body ? { method: 'POST', body } : {}),
    });
    const text = await response.text();
    if (!response.ok) throw new Error(`${url}: ${response.status} ${text}`);
    return { ms: performance.now() - start, text };
  };
  const sheet = JSON.parse((await ask('/api/specs/Ouzel%207/file')).text);
  const checks = Array.from({ length: 2000 }, (_, i) => ({
    ...sheet.checks[i % 100],
    id: `check-${i}`,
    component: `Part ${i}`,
    knockOns: [],
    pairs: [],
    when: {},
  }));
  const big = JSON.stringify({ ...sheet, model: 'BIG', equipment: [], checks });
  const preview = await ask('/api/specs/import?preview=yes', big);
  const stored = await ask('/api/specs/import', big);
  process.stdout.write(
    `a sheet of 2,000 checks (${Math.round(big.length / 1024)} kB): shown what would change in ${preview.ms.toFixed(0)} ms, stored in ${stored.ms.toFixed(0)} ms\n`,
  );
  const { rows } = JSON.parse((await ask('/api/yard')).text);
  const times = [];
  for (let i = 0; i < 60; i += 1)
    times.push(
      (await ask(`/api/machines/${rows[i % rows.length].machine.id}/checks?limit=500`)).ms,
    );
  times.sort((a, b) => a - b);
  process.stdout.write(
    `GET /api/machines/:id/checks, 60 in a row: median ${at(times, 0.5).toFixed(0)} ms, p95 ${at(times, 0.95).toFixed(0)} ms\n`,
  );
}

const middle = (list) =>
  at(
    [...list].sort((a, b) => a - b),
    0.5,
  ).toFixed(0);

/** A browser whose processor is so many times slower, as a phone's is. */
async function slowPage(executablePath, rate) {
  const { chromium } = await import('@playwright/test');
  const args = [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ];
  const browser = await chromium.launch({ executablePath, args });
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate });
  return { browser, page };
}

async function timed(act, shown) {
  const start = performance.now();
  await act();
  await shown.waitFor();
  return performance.now() - start;
}

async function firstScreen(base, executablePath, rate) {
  const times = { first: [], again: [] };
  for (let i = 0; i < 5; i += 1) {
    const { browser, page } = await slowPage(executablePath, rate);
    for (const visit of ['first', 'again'])
      times[visit].push(
        await timed(() => page.goto(base, { waitUntil: 'commit' }), page.getByTestId('sign-in')),
      );
    await browser.close();
  }
  process.stdout.write(
    `first screen (sign-in shown) at ${rate}× slow-down, median of 5 fresh browsers: first visit ${middle(times.first)} ms, second visit ${middle(times.again)} ms\n`,
  );
}

/** From the tap on Judge to the verdict shown, for a belt measured again and again. */
async function tapToVerdict(base, executablePath, rate, serial) {
  const { browser, page } = await slowPage(executablePath, rate);
  await page.goto(base);
  await page.getByLabel('Sign-in name').fill('ines');
  await page.getByLabel('Password').fill('before-harvest');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByTestId(`machine ${serial}`).click();
  await page.getByTestId('machine').getByRole('button', { name: 'Walk again' }).click();
  for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
  await page.getByRole('button', { name: /Made safe/ }).click();
  await page.getByLabel('Find a check').fill('fan-drive-belt');
  await page.getByTestId('stop fan-drive-belt').click();
  await page.getByTestId('confirm position').click();
  const times = [];
  for (let i = 0; i < 9; i += 1) {
    await page.getByTestId('pad text').fill((34 + i / 10).toFixed(1));
    times.push(await timed(() => page.getByTestId('judge').click(), page.getByTestId('decision')));
    await page.getByRole('button', { name: /strike it and measure again/ }).click();
  }
  await browser.close();
  process.stdout.write(
    `tap on Judge to verdict at ${rate}× slow-down, median of 9: ${middle(times)} ms\n`,
  );
}

try {
  checkNode();
  ensurePackages();
  ensureApp();
  say('bundle');
  bundleSize();
  say('core: verdicts');
  const bench = bundle('server/src/cli/benchVerdicts.ts', 'server/dist/benchVerdicts.mjs');
  process.stdout.write(spawnSync(process.execPath, [bench], { encoding: 'utf8' }).stdout);
  say('server and browser');
  const cluster = await throwAwayCluster(55_010);
  const port = await freePort(8660);
  let child;
  try {
    const started = startUntil(
      process.execPath,
      [bundle('server/src/cli/serve.ts', 'server/dist/serve.mjs')],
      /listening on/,
      {
        name: 'The server',
        env: {
          ...process.env,
          DATABASE_URL: cluster.url,
          PORT: String(port),
          GREEN_TALLY_DEMO: '1',
        },
      },
    );
    child = started.child;
    await started.ready;
    const base = `http://127.0.0.1:${port}`;
    await yardTimes(base);
    await sheetTimes(base);
    const chromium = ensureDebian(findChromium, 'chromium');
    for (const [rate, serial] of [
      [1, 'T118'],
      [4, 'T113'],
    ]) {
      await firstScreen(base, chromium, rate);
      await tapToVerdict(base, chromium, rate, serial);
    }
  } finally {
    await stop(child);
    await cluster.stop();
  }
} catch (error) {
  endPlainly(error);
}
