// npm run shots: docs/screenshots anew, from a fresh demo database.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import {
  checkNode,
  endPlainly,
  ensureApp,
  ensureDebian,
  ensurePackages,
  findChromium,
  ROOT,
  say,
} from './house.mjs';
import { throwAwayPlace } from './place.mjs';

const OUT = join(ROOT, 'docs/screenshots');

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
    await page.waitForLoadState('networkidle');
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
  await check('gathering-chain');
  for (const [i, length] of ['418.5', '419', '418.5', '419.5', '419', '418.5', '424.5'].entries()) {
    await page
      .getByTestId('series place')
      .getByText(`row ${Math.floor(i / 2) + 1} ${i % 2 ? 'right' : 'left'}`, { exact: true })
      .waitFor();
    await page.getByTestId('pad text').fill(length);
    await page.getByTestId('pad text').press('Enter');
  }
  await page.getByTestId('challenge').waitFor();
  await shot(page, 'walk-series-phone');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await toWalk();
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
  await planner.goto(`${base}/first-day`);
  await planner.getByTestId('step limits').waitFor();
  await shot(planner, 'first-day-phone');
  await planner.goto(base);
  await planner.getByTestId('machine T104').click();
  await planner.getByTestId('machine').getByRole('button', { name: /^Work/ }).click();
  await planner.getByTestId('dates').waitFor();
  await shot(planner, 'work-phone');
  const machines = await (await planner.request.get(`${base}/api/yard`)).json();
  const idOf = (serial) => machines.rows.find((r) => r.machine.serial === serial).machine.id;
  const card = await page.request.post(`${base}/api/machines/${idOf('T120')}/cards`);
  const cab = await (await browser.newContext({ viewport: phone })).newPage();
  await cab.goto(`${base}/card/${(await card.json()).key}`);
  await cab.getByTestId('operator card').waitFor();
  await shot(cab, 'card-phone');
  const wide = await open({ width: 1280, height: 800 }, 'rhea');
  await wide.getByTestId('what wears').waitFor();
  await shot(wide, 'yard-wide');
  await wide.goto(`${base}/due`);
  await wide.getByTestId('due list').waitFor();
  await shot(wide, 'due-wide');
  await wide.goto(`${base}/work/decide`);
  await wide.getByTestId('choose all').waitFor();
  await shot(wide, 'work-wide');
  await wide.goto(`${base}/parts`);
  await wide.getByTestId('parts').waitFor();
  await shot(wide, 'parts-wide');
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
  await wide.getByLabel('Why').fill('before the course week');
  await wide.getByTestId('publish').click();
  await wide.getByText(/before the course week/).waitFor();
  await wide.getByTestId('part whatIf').click();
  await wide.getByLabel('Days').fill('14');
  await wide.getByTestId('ask this').click();
  await wide.getByTestId('what then').click();
  await wide.getByText('Planned anew').waitFor({ timeout: 60_000 });
  await shot(wide, 'what-if-wide');
  const technician = await open(phone, 'bram');
  await technician.goto(`${base}/board`);
  await technician.getByTestId('days').waitFor();
  await shot(technician, 'my-day-phone');
  await wide.goto(`${base}/specs`);
  await wide.getByTestId('specs').waitFor();
  await shot(wide, 'sheets-wide');
  await wide.goto(`${base}/specs/My%20combine/limits`);
  await wide.getByTestId('limit progress').waitFor();
  await shot(wide, 'limits-wide');
  await browser.close();
}

try {
  checkNode();
  ensurePackages();
  ensureApp();
  mkdirSync(OUT, { recursive: true });
  const place = await throwAwayPlace({ databasePort: 55_110, firstPort: 8760 });
  try {
    await take(place.url, ensureDebian(findChromium, 'chromium'));
  } finally {
    await place.end();
  }
} catch (error) {
  endPlainly(error);
}
