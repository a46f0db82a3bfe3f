// npm run measure [-- 2000 | -- taps]: the figures of docs/PERFORMANCE.md, with so many machines on the books, or those of taps alone.
// Ratios matter more than absolute times; machines differ.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { allJudged, largeSheet, sendSheet, share, signIn } from './ask.mjs';
import {
  bundle,
  checkNode,
  endPlainly,
  ensureApp,
  ensureChromium,
  ensurePackages,
  ROOT,
  say,
} from './house.mjs';
import { throwAwayPlace } from './place.mjs';

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

async function yardTimes(ask, requests = 300) {
  const cold = (await ask('/yard')).ms;
  const times = [];
  for (let i = 0; i < requests; i += 1) times.push((await ask('/yard')).ms);
  process.stdout.write(
    `GET /api/yard, ${requests} in a row: first ${cold.toFixed(0)} ms, then median ${share(times, 0.5).toFixed(1)} ms, p95 ${share(times, 0.95).toFixed(1)} ms\n`,
  );
}

/** A sheet of 2,000 checks in, and one machine's checks out. */
async function sheetTimes(ask) {
  const big = await largeSheet(ask, 'BIG', 2000);
  const preview = await sendSheet(ask, big, { preview: true });
  const stored = await sendSheet(ask, big);
  const shown = await ask(
    '/specs/import?preview=yes',
    big.replace('"check-7"', '"7 7"'),
    'text/plain',
  );
  process.stdout.write(
    `a sheet of 2,000 checks (${Math.round(big.length / 1024)} kB): shown what would change in ${preview.ms.toFixed(0)} ms, stored in ${stored.ms.toFixed(0)} ms; one with a mistake: its line told in ${shown.ms.toFixed(0)} ms\n`,
  );
  const { rows } = JSON.parse((await ask('/yard')).text);
  const times = [];
  for (let i = 0; i < 60; i += 1)
    times.push((await ask(`/machines/${rows[i % rows.length].machine.id}/checks?limit=500`)).ms);
  process.stdout.write(
    `GET /api/machines/:id/checks, 60 in a row: median ${share(times, 0.5).toFixed(0)} ms, p95 ${share(times, 0.95).toFixed(0)} ms\n`,
  );
}

const middle = (times) => share(times, 0.5).toFixed(0);

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

/**
 * From the finger's lifting until the frame that shows what is waited for is drawn, told by the page
 * itself: what the measuring browser's own questions take is not in it.
 * @param shown selectors of what is waited for one after the other, or what the heading must no longer be
 */
function shownAfterTap(page, shown) {
  return page.evaluate(
    ({ selectors = ['h1'], not }) =>
      new Promise((done) => {
        const times = [];
        let from;
        globalThis.addEventListener('pointerup', (e) => (from = e.timeStamp), {
          capture: true,
          once: true,
        });
        const there = (selector) => {
          const text = document.querySelector(selector)?.textContent;
          return text && text !== not;
        };
        const look = () => {
          if (from === undefined || !there(selectors[times.length]))
            return requestAnimationFrame(look);
          requestAnimationFrame(() =>
            setTimeout(() => {
              times.push(performance.now() - from);
              if (times.length === selectors.length) done(times);
              else look();
            }),
          );
        };
        look();
      }),
    shown,
  );
}

/**
 * From the tap on Judge to the verdict shown, and from there to the next check, for a belt measured
 * again and again.
 */
async function tapToVerdict(base, executablePath, rate, serial) {
  const { browser, page } = await slowPage(executablePath, rate);
  await page.goto(base);
  await page.getByLabel('Sign-in name').fill('ines');
  await page.getByLabel('Password').fill('before-harvest');
  await page.getByRole('button', { name: 'Sign in' }).click();
  // among very many it is not on the first page
  await page.getByLabel('Find a machine').fill(serial);
  await page.getByTestId(`machine ${serial}`).click();
  await page.getByTestId('machine').getByRole('button', { name: 'Walk again' }).click();
  await page.getByTestId('other kinds').click();
  await page.getByRole('radio', { name: /^Everything/ }).click();
  await page.getByTestId('to gate').click();
  for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
  await page.getByRole('button', { name: /Made safe/ }).click();
  const openBelt = async () => {
    await page.getByLabel('Find a check').fill('fan-drive-belt');
    await page.getByTestId('stop fan-drive-belt').click();
  };
  await openBelt();
  await page.getByTestId('confirm position').waitFor();
  for (const line of await page.getByTestId('position').getByRole('checkbox').all())
    await line.click();
  await page.getByTestId('confirm position').click();
  const times = [];
  const whole = [];
  const onward = { 'at once': [], 'a second later': [] };
  for (let i = 0; i < 18; i += 1) {
    await page.getByTestId('pad text').fill((34 + i / 10).toFixed(1));
    const judge = page.getByTestId('judge');
    // twice told: the verdict, and its screen with all that may be done
    const [[word, all]] = await Promise.all([
      shownAfterTap(page, {
        selectors: ['[data-testid^="decision"]', '[data-testid="next check"]'],
      }),
      judge.click(),
    ]);
    times.push(word);
    whole.push(all);
    const not = await page.locator('h1').first().textContent();
    const next = page.getByTestId('next check');
    const when = i % 2 ? 'a second later' : 'at once';
    // who has read the verdict taps later than a script does
    if (i % 2) await page.waitForTimeout(1000);
    const [[after]] = await Promise.all([shownAfterTap(page, { not }), next.click()]);
    onward[when].push(after);
    // the next check has taken this one's place: what is before it is the walk
    await page.goBack();
    await openBelt();
    await page.getByRole('button', { name: /strike it and measure again/ }).click();
  }
  await browser.close();
  process.stdout.write(
    `tap on Judge to verdict at ${rate}× slow-down, median of 18: ${middle(times)} ms, its screen with what may be done ${middle(whole)} ms; from there to the next check tapped at once ${middle(onward['at once'])} ms, a second later ${middle(onward['a second later'])} ms (of 9 each)\n`,
  );
}

try {
  checkNode();
  ensurePackages();
  ensureApp();
  const taps = process.argv[2] === 'taps';
  if (!taps) {
    say('bundle');
    bundleSize();
    say('core: verdicts');
    const bench = bundle('server/src/cli/benchVerdicts.ts', 'server/dist/benchVerdicts.mjs');
    process.stdout.write(spawnSync(process.execPath, [bench], { encoding: 'utf8' }).stdout);
  }
  say('server and browser');
  const machines = Number(process.argv[2]) || undefined;
  const place = await throwAwayPlace({ databasePort: 55_010, firstPort: 8660, machines });
  try {
    const ask = await signIn(place.url, 'maud');
    // what is measured is a place at rest
    await allJudged(ask);
    if (!taps) {
      await yardTimes(ask);
      await sheetTimes(ask);
    }
    const chromium = ensureChromium();
    for (const [rate, serial] of [
      [1, 'T118'],
      [4, 'T113'],
    ]) {
      if (!taps) await firstScreen(place.url, chromium, rate);
      await tapToVerdict(place.url, chromium, rate, serial);
    }
  } finally {
    await place.end();
  }
} catch (error) {
  endPlainly(error);
}
