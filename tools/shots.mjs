// npm run shots: docs/screenshots anew, from a fresh demo database.
import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  checkNode,
  endPlainly,
  ensureApp,
  ensureChromium,
  ensurePackages,
  ROOT,
  say,
} from './house.mjs';
import { throwAwayPlace } from './place.mjs';

const OUT = join(ROOT, 'docs/screenshots');

/** The first page of a paper, as a reader of PDF shows it. */
async function pdfShot(page, path, name) {
  const folder = mkdtempSync(join(tmpdir(), 'green-tally-shots-'));
  const file = join(folder, 'paper.pdf');
  const answer = await page.request.get(`${new URL(page.url()).origin}${path}`);
  writeFileSync(file, await answer.body());
  const script = join(ROOT, 'server/src/testing/renderPdf.mjs');
  execFileSync(process.execPath, [script, file, join(folder, 'page'), '80']);
  copyFileSync(join(folder, 'page-1.png'), join(OUT, `${name}.png`));
  rmSync(folder, { recursive: true, force: true });
  say(name);
}

async function take(base, executablePath) {
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
  const open = async (viewport, name) => {
    const page = await (await browser.newContext({ viewport, deviceScaleFactor: 1.5 })).newPage();
    await page.goto(base);
    await page.getByLabel('Sign-in name').fill(name);
    await page.getByLabel('Password').fill('before-harvest');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByTestId('machine T118').first().waitFor();
    return page;
  };
  const shot = async (page, name) => {
    // nothing stands for what is still to come, and what is there has been drawn
    await page.locator('[role=status][aria-busy=true]').first().waitFor({ state: 'detached' });
    await page.waitForTimeout(500);
    await page.screenshot({ path: join(OUT, `${name}.png`), animations: 'disabled' });
    say(name);
  };
  const phone = { width: 390, height: 844 };
  const page = await open(phone, 'ines');
  const check = async (id) => {
    await page.getByLabel('Find a check').fill(id);
    await page.getByTestId(`stop ${id}`).click();
    await page.getByTestId('confirm position').waitFor();
    const asked = page.getByTestId('position').getByRole('radiogroup');
    for (const choice of await asked.all()) await choice.getByRole('radio').last().click();
    for (const line of await page.getByTestId('position').getByRole('checkbox').all())
      await line.click();
    await page.getByTestId('confirm position').click();
  };
  const toWalk = () => page.getByRole('link', { name: 'Back to the walk' }).click();
  await shot(page, 'yard-phone');
  await page.getByTestId('machine T118').click();
  await page.getByTestId('what wears').waitFor();
  await shot(page, 'machine-phone');
  await page.getByTestId('machine').getByRole('button', { name: 'Walk again' }).click();
  await page.getByTestId('other kinds').click();
  await page.getByRole('radio', { name: /^Everything/ }).click();
  await page.getByRole('radio', { name: '90', exact: true }).click();
  await page.getByTestId('fit').getByText('not walked', { exact: false }).waitFor();
  await shot(page, 'plan-walk-phone');
  await page.getByRole('radio', { name: 'All', exact: true }).click();
  await page.getByRole('button', { name: /^Make safe next: 2\d\d checks/ }).waitFor();
  await page.getByTestId('to gate').click();
  for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
  await page.getByRole('button', { name: /Made safe/ }).click();
  await check('fan-drive-belt');
  for (const key of ['3', '4', '.', '2']) await page.getByTestId(`key ${key}`).click();
  await shot(page, 'walk-check-phone');
  await toWalk();
  await check('conveyor-chain-tension');
  for (const side of ['left', 'right']) {
    await page.getByTestId(`half ${side}`).getByRole('radio', { name: 'At it' }).click();
    await page.getByLabel(`Slot left, mm, of 45 (${side})`).fill('0');
  }
  await page.getByTestId('judge').click();
  await page.getByTestId('verdict').waitFor();
  await shot(page, 'verdict-phone');
  await toWalk();
  await page.getByLabel('Find a check').fill('');
  await shot(page, 'walk-phone');

  const planner = await open(phone, 'rhea');
  await planner.request.post(`${base}/api/spec-models`, {
    data: { model: 'My combine', maker: 'My maker', from: { starter: 'rotary' } },
  });
  await planner.goto(`${base}/specs/My%20combine/limits`);
  await planner.getByLabel('Find a check').fill('belt');
  await planner.getByLabel('Fan drive belt, top width: size when new').fill('38');
  await planner.getByLabel('Fan drive belt, top width: at it, it is out').fill('35');
  await planner.getByLabel('Fan drive belt, top width: book and page').fill('112');
  await planner.getByLabel('Fan drive belt, top width: size when new').scrollIntoViewIfNeeded();
  await planner.goto(base);
  await planner.getByTestId('machine T104').click();
  await planner.getByTestId('machine').getByRole('button', { name: /^Work/ }).click();
  await planner.getByTestId('dates').waitFor();
  await shot(planner, 'work-phone');
  for (const [name, path, ready] of [
    [
      'bench-chain-phone',
      '/bench/chain?show=takeUp&used=41&travel=45&strands=2&pitch=41.4&loop=94&reserve=10&rate=0.2&limit=2.6',
      'bench drawing',
    ],
    [
      'bench-knives-phone',
      '/bench/knives?states=.....1.1.........m......1.1....&rows=4&along=12&newMass=180&newHeight=60&leftHeight=52&radius=260&first=120&spacing=105&bearings=1400&mass=118&rpm=3100&set=4',
      'knife plan words',
    ],
  ]) {
    await page.goto(`${base}${path}`);
    await page.getByTestId(ready).waitFor();
    await shot(page, name);
  }
  // a case that is the same for everybody: its chain as a tape reads it
  await page.goto(`${base}/practice?case=4711.rotary.sly.2.6`);
  await page.getByTestId('begin linked').click();
  await page.getByTestId('practice chain').click();
  await page.getByTestId('set machine').click();
  await page.getByTestId('sight slack side').click();
  await page.getByTestId('pad text').fill('194');
  await page.getByTestId('judge').click();
  await page.getByTestId('verdict').waitFor();
  await shot(page, 'practice-phone');
  await page.goto(base);
  await page.getByTestId('machine T118').click();
  await page.getByTestId('to report').click();
  await page.getByTestId('report ready').waitFor();
  await page.getByTestId('report ready').evaluate((at) => at.scrollIntoView({ block: 'start' }));
  await shot(page, 'report-phone');
  const reported = new URL(page.url()).pathname.split('/').at(-1);
  await pdfShot(page, `/api/machines/${reported}/report.pdf`, 'report-page');
  const wide = await open({ width: 1280, height: 800 }, 'rhea');
  await wide.getByTestId('what wears').waitFor();
  await shot(wide, 'yard-wide');
  await wide.goto(`${base}/due`);
  await wide.getByTestId('due list').waitFor();
  await shot(wide, 'due-wide');
  await wide.goto(`${base}/work/decide`);
  await wide.getByTestId('choose all').waitFor();
  await shot(wide, 'work-wide');
  await wide.goto(`${base}/board`);
  await wide.getByTestId('put B019').click();
  await wide.getByTestId('part search').click();
  await wide.getByRole('radio', { name: '2 s' }).click();
  await wide.getByTestId('plan the rest').click();
  await wide.getByTestId('take plan').click({ timeout: 60_000 });
  await wide.getByTestId('part changes').click();
  await wide
    .getByTestId('row 2026-06-15')
    .evaluate((row) => row.scrollIntoView({ block: 'center' }));
  await shot(wide, 'board-wide');
  const technician = await open(phone, 'bram');
  await technician.goto(`${base}/board`);
  await technician.getByTestId('days').waitFor();
  await shot(technician, 'my-day-phone');
  await wide.goto(`${base}/insight/fan-drive-belt?by=model`);
  await wide.getByTestId('insight by model').waitFor();
  await shot(wide, 'insight-wide');
  await pdfShot(wide, '/api/labels.pdf?kind=machine', 'labels-page');
  await browser.close();
}

try {
  checkNode();
  ensurePackages();
  ensureApp();
  mkdirSync(OUT, { recursive: true });
  const place = await throwAwayPlace({ databasePort: 55_110, firstPort: 8760 });
  try {
    await take(place.url, ensureChromium());
  } finally {
    await place.end();
  }
} catch (error) {
  endPlainly(error);
}
