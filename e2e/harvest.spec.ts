import { expect, test } from '@playwright/test';
import { openAs, openMachine, openYardAs, PHONE, WIDE } from './steps';

/** In harvest: what stops is said in three taps; the Yard is narrowed down; was the forecast right? */

test.describe('on a phone', () => {
  test.use({ viewport: PHONE, serviceWorkers: 'allow' });

  test('a machine that stopped is said in three taps, without signal, and sent once', async ({
    page,
    context,
  }) => {
    await openYardAs(page, 'ines');
    await openMachine(page, 'T104');
    await page.getByTestId('it stopped').click();
    await expect(page.getByText('Stop the engine, take the key out')).toBeVisible();
    await expect(page.getByTestId('keep breakdown')).toBeDisabled();
    await context.setOffline(true);
    await page.getByRole('radio', { name: 'Fan drive belt' }).click();
    await page.getByRole('radio', { name: 'It came off' }).click();
    await page.getByRole('radio', { name: '2 h' }).click();
    await page.getByTestId('keep breakdown').click();
    await expect(page.getByTestId('sync')).not.toContainText('all sent');
    await context.setOffline(false);
    await expect(page.getByTestId('sync')).toContainText('all sent');
    await expect(page.getByTestId('stopped')).toContainText('2026: Fan drive belt, 2 h lost');
    await page.reload();
    await expect(page.getByTestId('stopped').getByText('2026: Fan drive belt')).toHaveCount(1);
  });

  test('what no sheet names is said by its own name; hours in words are asked for in figures', async ({
    page,
  }) => {
    await openYardAs(page, 'ines');
    await openMachine(page, 'T126');
    await page.getByTestId('it stopped').click();
    await page.getByLabel('Find a component').fill('radio mast');
    await page.getByRole('radio', { name: 'Something else: radio mast' }).click();
    await page.getByRole('radio', { name: 'It broke' }).click();
    await page.getByLabel('Or so many hours').fill('a while');
    await page.getByTestId('keep breakdown').click();
    await expect(page.getByText('Hours lost: type figures.')).toBeVisible();
    await expect(page.getByLabel('Or so many hours')).toHaveValue('a while');
    await page.getByLabel('Or so many hours').fill('1,5');
    await page.getByTestId('keep breakdown').click();
    await expect(page.getByTestId('stopped')).toContainText('radio mast, 1.5 h lost');
  });
});

test.describe('at a desk', () => {
  test.use({ viewport: WIDE });

  test('the Yard as a table, sorted by chance, and narrowed down to what waits for parts', async ({
    page,
  }) => {
    await openYardAs(page, 'rhea');
    await page.getByTestId('as table').click();
    const table = page.getByRole('table', { name: 'Machines' });
    await expect(table).toContainText('Work in time');
    await table.getByRole('button', { name: 'sort by Work in time' }).click();
    await expect(table.getByRole('row').nth(1)).toContainText(/under 1 %|%/);
    await page.getByTestId('filter').click();
    await page.getByTestId('filter parts').click();
    await expect(page.getByTestId('filter')).toContainText('Order, filter: 1');
    await expect(table.getByTestId('machine T126')).toHaveCount(0);
    await page.getByRole('radio', { name: 'lentils' }).click();
    await page.getByTestId('filter none').click();
    await expect(table.getByTestId('machine T126')).toBeVisible();
    await page.getByTestId('as table').click();
    await expect(table).toHaveCount(0);
  });

  test('a machine over the years: its hours, what was put right, how long parts were in', async ({
    page,
  }) => {
    await openYardAs(page, 'rhea');
    await openMachine(page, 'T118');
    await page.getByTestId('over the years').click();
    await expect(page.getByRole('img', { name: /^From .* h in .* to .* h/ })).toBeVisible();
    await expect(page.getByTestId('put right')).toContainText('→');
    await expect(page.getByTestId('lives')).toContainText(/in still|long/);
  });

  test('was the forecast right: what was said, what came of it, what stopped', async ({ page }) => {
    await openAs(page, 'rhea', '/forecasts');
    await expect(page.getByTestId('watched')).toContainText(/Of \d+ that the forecast gave/);
    await expect(page.getByRole('img', { name: /^Said against happened/ })).toBeVisible();
    await expect(page.getByTestId('breakdowns')).toContainText('Unloading auger gearbox');
    await expect(page.getByTestId('breakdowns')).toContainText('nothing had been forecast of it');
  });
});
