import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { expect, test } from '@playwright/test';
import {
  confirmPosition,
  openAs,
  openMachine,
  openStop,
  openYardAs,
  PHONE,
  planEverything,
} from './steps';

test.use({ viewport: PHONE, serviceWorkers: 'allow' });

test('readings go out as CSV, the plan as iCalendar', async ({ page }) => {
  await openAs(page, 'rhea', '/readings');
  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    page.getByTestId('download csv').click(),
  ]);
  expect(readFileSync(await csv.path(), 'utf8')).toMatch(/^id,machine,check,place,quantity,value/);
  const [ics] = await Promise.all([
    page.waitForEvent('download'),
    page.getByTestId('download ics').click(),
  ]);
  expect(readFileSync(await ics.path(), 'utf8')).toMatch(
    /BEGIN:VCALENDAR[\s\S]*BEGIN:VEVENT[\s\S]*B027/,
  );
});

test('a file is looked at row by row before it is stored; then the machine has its verdicts', async ({
  page,
}) => {
  await openAs(page, 'rhea', '/readings');
  const sample = readFileSync(resolve(__dirname, '../demo/readings-sample.csv'), 'utf8');
  await page.getByTestId('csv file').setInputFiles({
    name: 'broken.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('machine;value\nT126;3'),
  });
  await expect(page.getByText(/Missing: check, place, quantity, taken_at, hours/)).toBeVisible();
  const spoilt = sample.replace(/,measure,418\.5,/, ',measure,wide,');
  await page
    .getByTestId('csv file')
    .setInputFiles({ name: 'spoilt.csv', mimeType: 'text/csv', buffer: Buffer.from(spoilt) });
  await expect(page.getByTestId('import summary')).toContainText(
    '1211 rows: 1210 new and good, 0 there already, 1 rejected. Nothing stored yet.',
  );
  await expect(page.getByText(/value: At character 1 \("w"\): this is not a number/)).toBeVisible();
  await expect(page.getByTestId('import store')).toBeDisabled();
  await page.getByTestId('csv file').setInputFiles({
    name: 'readings-sample.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(sample),
  });
  await expect(page.getByTestId('import summary')).toContainText('1211 rows: 1211 new and good');
  await page.getByTestId('import store').click();
  await expect(page.getByTestId('import summary')).toContainText('1211 stored');
  await page.goto('/');
  await openMachine(page, 'T126');
  await expect(page.getByTestId('what wears')).toContainText('2.54 % elongation (424.5 mm)');
});

test('without signal a reading is kept, and arrives once when the signal is back', async ({
  page,
  context,
}) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'T113');
  await page.getByTestId('machine').getByRole('button', { name: 'Walk again' }).click();
  await planEverything(page);
  for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
  await page.getByRole('button', { name: /Made safe/ }).click();
  await openStop(page, 'fan-drive-belt');
  await confirmPosition(page);
  // how the machine stands is a line of its own, sent before the signal goes
  await expect(page.getByTestId('pad text')).toBeVisible();
  await expect(page.getByTestId('sync')).toContainText('all sent');
  await context.setOffline(true);
  await page.getByTestId('pad text').fill('37.1');
  await page.getByTestId('judge').click();
  await expect(page.getByTestId('decision')).toBeVisible();
  await expect(page.getByTestId('sync')).toContainText('1 waiting, no signal');
  await context.setOffline(false);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  await page.reload();
  await expect(page.getByText(/37\.1 mm/).first()).toBeVisible();
  const csv = await page.request.get('/api/readings.csv');
  expect(
    (await csv.text())
      .split('\n')
      .filter((l) => l.includes('T113,fan-drive-belt,belt,measure,37.1,')),
  ).toHaveLength(1);
});

test('a wrong password is answered in words and the name stays', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Sign-in name').fill('ines');
  await page.getByLabel('Password').fill('not it');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('The sign-in name or the password is wrong.')).toBeVisible();
  await expect(page.getByLabel('Sign-in name')).toHaveValue('ines');
});
