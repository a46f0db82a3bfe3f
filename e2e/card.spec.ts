import { expect, test } from '@playwright/test';
import { keptHere, openMachine, openYardAs, PHONE } from './steps';

/** The operator's card: a link without an account, without signal, and what becomes of it. */
test.use({ viewport: PHONE, serviceWorkers: 'allow' });

test('made by the shop, opened without an account, filled without signal, walked by a technician', async ({
  browser,
  page,
}) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'T120');
  await page.getByRole('button', { name: 'Show its links' }).click();
  await page.getByRole('button', { name: 'Make a link' }).click();
  await expect(page.getByLabel('Code of the operator’s card')).toBeVisible();
  const address = (await page.getByTestId('card address').textContent()) ?? '';

  const context = await browser.newContext({ viewport: PHONE, serviceWorkers: 'allow' });
  const cab = await context.newPage();
  await cab.goto(address);
  await expect(cab.getByTestId('operator card')).toContainText('T120');
  const items = await cab.getByTestId(/^item /).count();
  expect(items).toBeGreaterThan(2);
  expect(items).toBeLessThanOrEqual(10);
  await keptHere(cab);
  // the worker has what it needs once it holds the page itself
  await cab.reload();
  await expect(cab.getByTestId('operator card')).toBeVisible();

  await test.step('without signal it opens from a cold start, and keeps what is typed', async () => {
    await context.setOffline(true);
    await cab.reload();
    await expect(cab.getByTestId('operator card')).toContainText('T120');
    await cab.getByTestId('send card').click();
    await expect(cab.getByText('Say your name, so that they can ask you.')).toBeVisible();
    await cab.getByLabel('Your name').fill('Nell');
    await cab.getByTestId('send card').click();
    await expect(cab.getByText(/Look at something, or say/)).toBeVisible();
    const first = cab.getByTestId(/^item /).first();
    await first.getByRole('radio', { name: 'Not right' }).click();
    await first.getByLabel(/What is not right/).fill('it drips');
    await cab.getByLabel(/Separator hours/).fill('twelve');
    await cab.getByTestId('send card').click();
    await expect(cab.getByText('"twelve" is no number of hours.', { exact: false })).toBeVisible();
    await cab.getByLabel(/Separator hours/).fill('1290,5');
    await cab.getByLabel(/Noise, smell/).fill('fan surges');
    await cab.reload();
    await expect(cab.getByLabel(/Noise, smell/)).toHaveValue('fan surges');
    await cab.getByTestId('send card').click();
    await expect(cab.getByText('Kept on this phone')).toBeVisible();
    await cab.reload();
    await expect(cab.getByText('Kept on this phone')).toBeVisible();
  });

  await context.setOffline(false);
  await expect(cab.getByText('Kept on this phone')).toHaveCount(0);

  await test.step('the technician sees it live, marked as theirs, and walks what it points to', async () => {
    const says = page.getByTestId('operator says');
    await expect(says).toContainText('Nell');
    await expect(says).toContainText('fan surges');
    await expect(says).toContainText('it drips');
    await expect(says).toContainText('is no reading');
    await says.getByRole('button', { name: 'Walk what it points to' }).click();
    await expect(page.getByTestId('plan walk')).toBeVisible();
    await expect(page.getByLabel('What the operator noticed')).toHaveValue(
      /fan surges; .*it drips/,
    );
    await expect(page.getByTestId('to gate')).toBeEnabled();
    await page.goto(`/machine/${/walk\/([^/?]+)/.exec(page.url())?.[1]}`);
    await expect(page.getByTestId('machine')).toBeVisible();
    await expect(page.getByTestId('operator says')).toHaveCount(0);
  });

  await test.step('taken back it opens nothing', async () => {
    await page.getByRole('button', { name: 'Show its links' }).click();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.getByRole('button', { name: /Tap again/ }).click();
    await expect(page.getByTestId('card link')).toHaveCount(0);
    await cab.goto(address);
    await expect(cab.getByTestId('no card')).toBeVisible();
    await cab.goto('/');
    await expect(cab.getByTestId('sign-in')).toBeVisible();
    await context.close();
  });
});
