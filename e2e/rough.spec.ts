import { expect, test } from '@playwright/test';
import {
  beginWalk,
  readConveyor,
  planEverything,
  confirmPosition,
  decision,
  openMachine,
  openStop,
  PHONE,
  openYardAs,
  openAs,
} from './steps';

/** Rough hands: double taps, two tabs, the back button, wrong addresses, nonsense. */
test.use({ viewport: PHONE });

test('a double tap on Judge stores one reading', async ({ page }) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'T091');
  await beginWalk(page);
  await openStop(page, 'fan-drive-belt');
  await confirmPosition(page);
  await page.getByTestId('pad text').fill('1 11/32');
  await page.getByTestId('judge').dblclick();
  await decision(page, 'Holds');
  await expect(page.getByTestId('sync')).toContainText('all sent');
  const csv = await (await page.request.get('/api/readings.csv')).text();
  expect(
    csv.split('\n').filter((l) => l.includes('T091,fan-drive-belt') && l.includes('2026-06-09')),
  ).toHaveLength(1);
});

test('two tabs planning one machine make one visit; nonsense and past days are refused and stay typed', async ({
  context,
  page,
}) => {
  await openYardAs(page, 'rhea');
  await openMachine(page, 'B019');
  await page.getByTestId('machine').getByRole('button', { name: /^Work/ }).click();
  await expect(page.getByTestId('visit')).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByTestId('visit')).toBeVisible();
  for (const [tab, day] of [
    [page, '2026-06-16'],
    [other, '2026-06-17'],
  ] as const) {
    await tab.getByTestId('visit').getByRole('radio', { name: 'Ines Marrow' }).click();
    await tab.getByTestId('visit').getByLabel('Starts on (year-month-day)').fill(day);
  }
  await page.getByTestId('set visit').click();
  await expect(
    page.getByTestId('visit').getByRole('heading', { name: 'Visit planned' }),
  ).toBeVisible();
  await expect(other.getByTestId('visit')).toBeVisible();
  await other.getByTestId('set visit').click();
  await expect(async () => {
    const { visits } = (await (await page.request.get('/api/visits')).json()) as {
      visits: { machine: { serial: string }; visit: { startsOn: string } }[];
    };
    expect(visits.filter((v) => v.machine.serial === 'B019')).toHaveLength(1);
  }).toPass();
  await page.getByTestId('visit').getByLabel('Starts on (year-month-day)').fill('someday');
  await page.getByTestId('set visit').click();
  await expect(page.getByText('Wanted: a date like 2026-06-09')).toBeVisible();
  // moved elsewhere meanwhile: what is typed here stays, and what was said of it
  await expect(
    other.getByTestId('visit').getByRole('heading', { name: 'Visit planned' }),
  ).toBeVisible();
  await other.getByTestId('visit').getByLabel('Starts on (year-month-day)').fill('2026-06-22');
  await other.getByTestId('set visit').click();
  await expect(page.getByTestId('visit stands')).toContainText('22');
  await expect(page.getByText('Wanted: a date like 2026-06-09')).toBeVisible();
  await page.getByTestId('visit').getByLabel('Starts on (year-month-day)').fill('2026-06-01');
  await page.getByTestId('set visit').click();
  await expect(
    page.getByText('2026-06-01 is past; today is 2026-06-09', { exact: false }),
  ).toBeVisible();
  await expect(page.getByTestId('visit').getByLabel('Starts on (year-month-day)')).toHaveValue(
    '2026-06-01',
  );
});

test('the back button in the middle of a check loses nothing', async ({ page }) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'B027');
  await beginWalk(page);
  await openStop(page, 'chopper-knives');
  await confirmPosition(page);
  await page.getByRole('button', { name: 'one more: Worn on one edge' }).click();
  await page.goBack();
  await expect(page.getByTestId('walk')).toBeVisible();
  await openStop(page, 'chopper-knives');
  await expect(page.getByTestId('count Worn on one edge')).toHaveText('1');
});

test('an engine-hour reading below the books, and one far above, are questioned before the walk begins', async ({
  page,
}) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'T090');
  await page
    .getByTestId('machine')
    .getByRole('button', { name: /Start the walk/ })
    .click();
  await planEverything(page);
  for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
  for (const [typed, said] of [
    ['12', 'The books say 1,742 h already'],
    ['9000', 'it cannot have come to 9,000 h by 2026-06-09'],
    ['lots', 'this is not a number'],
  ] as const) {
    await page.getByLabel(/Separator hours/).fill(typed);
    await page.getByRole('button', { name: /Made safe/ }).click();
    await expect(page.getByText(said, { exact: false })).toBeVisible();
    await expect(page.getByLabel(/Separator hours/)).toHaveValue(typed);
  }
});

test('a position moved away from has to be confirmed again', async ({ page }) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'T126');
  await beginWalk(page);
  await openStop(page, 'elevator-chain');
  await expect(page.getByTestId('judge')).toBeHidden();
  await confirmPosition(page);
  await expect(page.getByTestId('judge')).toBeVisible();
  await page.getByRole('button', { name: /The machine was moved/ }).click();
  await expect(page.getByTestId('judge')).toBeHidden();
  await expect(page.getByTestId('confirm position')).toBeVisible();
});

test('wrong addresses say so and lead back', async ({ page }) => {
  await openAs(page, 'ines', '/machine/0197a000-0000-7000-8000-00000000dead');
  await expect(page.getByText('There is no such machine.', { exact: false })).toBeVisible();
  await page.goto('/nowhere/at/all');
  await page.getByRole('button', { name: 'To the Yard' }).click();
  await expect(page.getByTestId('yard')).toBeVisible();
});

test('a technician sees the visit but cannot set it', async ({ page }) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'T118');
  await page.getByTestId('machine').getByRole('button', { name: /^Work/ }).click();
  await expect(page.getByText('Visit: Wed 1 Jul, Ines Marrow.')).toBeVisible();
  await expect(page.getByTestId('visit')).toBeHidden();
  const refused = await page.request.put('/api/visits/0197a000-0000-7000-8000-0000000000c1', {
    data: {},
  });
  expect(refused.status()).toBe(403);
});

test('a wrong reading is struck, not erased: the strip keeps it and the new one decides', async ({
  page,
}) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'B019');
  await beginWalk(page);
  await openStop(page, 'fan-drive-belt');
  await confirmPosition(page);
  await page.getByTestId('pad text').fill('26.9');
  await page.getByTestId('judge').click();
  await decision(page, 'Replace');
  await page.getByRole('button', { name: /strike it and measure again/ }).click();
  await page.getByTestId('pad text').fill('30.8');
  await page.getByTestId('judge').click();
  // put in after last harvest and not run since: sound, and due for its first look
  await decision(page, 'Watch');
  await expect(page.getByTestId('sync')).toContainText('all sent');
  const lines = (await (await page.request.get('/api/readings.csv')).text())
    .split('\n')
    .filter((l) => l.includes('B019,fan-drive-belt') && l.includes('2026-06-09'));
  expect(lines).toHaveLength(2);
  expect(lines[1]).toContain(lines[0]?.split(',')[0]);
});

test('of several places the wrong one is struck alone; one renewed without a fault is read as left', async ({
  page,
}) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'T126');
  await beginWalk(page);
  await openStop(page, 'conveyor-chain-tension');
  await confirmPosition(page);
  await readConveyor(page, '20', '2');
  await expect(page.getByTestId('decision')).not.toHaveText('Holds');
  await page.getByRole('button', { name: /strike it and measure again/ }).click();
  await page.getByTestId('which places').getByRole('radio', { name: 'right' }).click();
  await page.getByTestId('half right').getByRole('radio', { name: 'At it' }).click();
  await expect(page.getByTestId('half left')).toHaveCount(0);
  await page.getByLabel(/Slot left, mm, of 45/).fill('20');
  await page.getByTestId('judge').click();
  await expect(page.getByTestId('decision')).toBeVisible();
  await expect(page.getByTestId('sync')).toContainText('all sent');
  const csv = await (await page.request.get('/api/readings.csv')).text();
  const [names = '', ...rows] = csv.split('\n');
  const column = (row: string, name: string) => row.split(',')[names.split(',').indexOf(name)];
  const of = (side: string) =>
    rows.filter(
      (r) =>
        r.includes('T126,conveyor-chain-tension') &&
        r.includes('2026-06-09') &&
        column(r, 'place') === side &&
        column(r, 'by') === 'Ines Marrow',
    );
  expect(of('left').filter((r) => column(r, 'strikes'))).toEqual([]);
  expect(of('right').filter((r) => column(r, 'strikes'))).toHaveLength(2);
  await page.getByTestId('renewed anyway').click();
  await page.getByTestId('which places').getByRole('radio', { name: 'all of them' }).click();
  await expect(page.getByText('Renewed: now as left')).toBeVisible();
});
