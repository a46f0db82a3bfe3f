import { expect, test, type Page } from '@playwright/test';
import {
  beginWalk,
  confirmPosition,
  enter,
  keptHere,
  openMachine,
  openStop,
  PHONE,
  signIn,
} from './steps';

/** One phone, several people, a session that ends by itself, a clock that is wrong. */
test.use({ viewport: PHONE, serviceWorkers: 'allow' });

const signInAgain = async (page: Page, name: string) => {
  await page.getByLabel('Sign-in name').fill(name);
  await page.getByLabel('Password').fill('before-harvest');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByTestId('sign-in')).toHaveCount(0);
};
const signOut = async (page: Page) => {
  await page.goto('/settings/you');
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
};
const widthsOf = async (page: Page): Promise<string[]> => {
  const csv = await (await page.request.get('/api/readings.csv')).text();
  return csv.split('\n').filter((l) => l.includes('B019,') && /,31\.[123]7,/.test(l));
};

test('nothing is lost, nothing is seen by another, nothing goes under a wrong name or day', async ({
  context,
  page,
}) => {
  await page.clock.setSystemTime(new Date('2031-01-01T05:00:00Z'));
  await signIn(page, 'ines');
  await openMachine(page, 'B019');
  await beginWalk(page);
  await openStop(page, 'fan-drive-belt');
  await confirmPosition(page);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  const check = page.url();
  await keptHere(page);

  await test.step('the session ends while there is no signal: it goes on collecting', async () => {
    await context.setOffline(true);
    // ended at the server: what was still on its way cannot bring its cookie back
    expect((await page.request.delete('/api/session')).status()).toBe(204);
    await context.clearCookies();
    await enter(page, '31.17');
    await expect(page.getByTestId('decision')).toBeVisible();
    await page.getByRole('button', { name: /The reading was wrong/ }).click();
    await enter(page, '31.27');
    await expect(page.getByTestId('verdict')).toContainText('31.27 mm');
    await expect(page.getByTestId('sync')).toContainText('2 waiting, no signal');
  });

  await test.step('back in range it asks who is here', async () => {
    await context.setOffline(false);
    await expect(page.getByTestId('sign-in')).toBeVisible();
    await expect(page.getByTestId('others wait')).toContainText('2 entries wait on this device');
  });

  await test.step('somebody of another branch sees nothing of it, and sends nothing of it', async () => {
    await signInAgain(page, 'corin');
    await expect(page.getByTestId('yard')).toBeVisible();
    await expect(page.getByTestId('sync')).toContainText('all sent');
    await context.setOffline(true);
    await page.goto(check);
    await expect(page.getByText(/31\.\d7 mm/)).toHaveCount(0);
    await expect(page.getByText('B019')).toHaveCount(0);
    await context.setOffline(false);
    await signOut(page);
    await expect(page.getByTestId('others wait')).toBeVisible();
  });

  await test.step('its owner signs in again: it goes by itself, of the right day', async () => {
    await signInAgain(page, 'ines');
    await page.goto('/');
    await expect(page.getByTestId('sync')).toContainText('all sent');
    const rows = await widthsOf(page);
    expect(rows).toHaveLength(2);
    for (const row of rows) {
      expect(row).toContain('Ines Marrow');
      expect(row).toContain('2026-06-09T');
    }
  });

  await test.step('signing out with something waiting asks, and drops nothing', async () => {
    await page.goto(check);
    await context.route('**/api/readings:batch', (route) => route.abort());
    await page.getByRole('button', { name: /The reading was wrong/ }).click();
    await enter(page, '31.37');
    await expect(page.getByTestId('verdict')).toContainText('31.37 mm');
    await signOut(page);
    await expect(page.getByTestId('still waiting')).toContainText('1 entry waits on this device');
    await page.getByRole('button', { name: 'Sign out all the same' }).click();
    await expect(page.getByTestId('others wait')).toContainText('1 entry waits');
    await context.unroute('**/api/readings:batch');
    await signInAgain(page, 'ines');
    await page.goto('/');
    await expect(page.getByTestId('sync')).toContainText('all sent');
    expect(await widthsOf(page)).toHaveLength(3);
  });

  await test.step('two tabs send it once', async () => {
    await page.goto(check);
    await expect(page.getByTestId('verdict')).toContainText('31.37 mm');
    await context.setOffline(true);
    const other = await context.newPage();
    await other.goto(check);
    await page.getByRole('button', { name: /The reading was wrong/ }).click();
    await enter(page, '31.47');
    await expect(other.getByTestId('verdict')).toContainText('31.47 mm');
    await context.setOffline(false);
    await expect(page.getByTestId('sync')).toContainText('all sent');
    await expect(other.getByTestId('sync')).toContainText('all sent');
    const csv = await (await page.request.get('/api/readings.csv')).text();
    expect(csv.split(',31.47,')).toHaveLength(2);
  });
});
