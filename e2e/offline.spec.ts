import { expect, test } from '@playwright/test';
import {
  beginWalk,
  confirmPosition,
  keptHere,
  openMachine,
  openStop,
  openYardAs,
  PHONE,
} from './steps';

/** One bar of signal, or none. */
test.use({ viewport: PHONE, serviceWorkers: 'allow' });

test('a reading sent while its machine is not looked at is there after a reload without signal', async ({
  page,
  context,
}) => {
  await openYardAs(page, 'sana');
  await keptHere(page);
  await openMachine(page, 'B031');
  await beginWalk(page);
  await openStop(page, 'fan-drive-belt');
  await confirmPosition(page);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  await context.setOffline(true);
  await page.getByTestId('pad text').fill('31.3');
  await page.getByTestId('judge').click();
  await expect(page.getByTestId('decision')).toBeVisible();
  const check = page.url();
  // to the Yard: the machine's screen is not open when its reading goes out
  await page.goto('/');
  await expect(page.getByTestId('sync')).toContainText(/\d waiting,\s+no signal/);
  await context.setOffline(false);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  await context.setOffline(true);
  await page.goto(check);
  await expect(page.getByText(/31\.3 mm/).first()).toBeVisible();
  await page.reload();
  await expect(page.getByText(/31\.3 mm/).first()).toBeVisible();
});

test('from a cold start without signal the yard is there, and places not opened before', async ({
  page,
  context,
}) => {
  await openYardAs(page, 'rhea');
  await expect(page.getByTestId('machine T118')).toBeVisible();
  await keptHere(page);
  await page.waitForLoadState('networkidle');
  await page.close();
  await context.setOffline(true);
  const cold = await context.newPage();
  await cold.goto('/');
  await expect(cold.getByTestId('machine T118')).toBeVisible();
  await cold.getByRole('link', { name: 'More' }).click();
  await cold.getByRole('link', { name: 'Machines' }).click();
  await expect(cold.getByTestId('machines')).toBeVisible();
  // asked for the first time: its screen is here, its answer is not
  await cold.goto('/specs/Ouzel%205');
  await expect(cold.getByRole('heading', { name: /cannot be shown/ })).toBeVisible();
  await expect(cold.getByRole('button', { name: 'Try again' })).toBeVisible();
});
