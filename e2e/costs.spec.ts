import { expect, test, type Page } from '@playwright/test';
import { openAs, openYardAs, WIDE } from './steps';

/** What stopping costs is said by the branch, and what is left or renewed follows from it. */
test.use({ viewport: WIDE });

async function machineId(page: Page, serial: string): Promise<string> {
  const { rows } = (await (await page.request.get('/api/yard')).json()) as {
    rows: { machine: { id: string; serial: string } }[];
  };
  return rows.find((r) => r.machine.serial === serial)?.machine.id ?? '';
}

const stopHour = (page: Page) => page.getByLabel('An hour of a combine standing still in harvest');

test('a branch says what an hour costs; the same reading is watched or renewed by it', async ({
  page,
}) => {
  await openYardAs(page, 'rhea');
  const check = `/walk/${await machineId(page, 'T104')}/gathering-chain`;
  await page.goto(check);
  await expect(page.getByTestId('decision')).toHaveText('Replace');
  await expect(page.getByTestId('sum leave')).toContainText('crowns');
  await expect(page.getByTestId('sums')).toContainText('worth it from');
  await expect(page.getByTestId('sums')).toContainText(/\d+ lives seen/);

  // a person may decide otherwise, with a reason that is kept; and take it back
  const otherwise = page.getByTestId('decide otherwise');
  await otherwise.getByRole('button', { name: /Leave it through harvest, say why/ }).click();
  await page.getByLabel(/Why gathering chain is left/).fill('a new head comes in July');
  await otherwise.getByRole('button', { name: /^Leave it through harvest/ }).click();
  await expect(otherwise).toContainText('Left by decision of Rhea Aldane');
  await page.reload();
  await expect(otherwise).toContainText('a new head comes in July');
  await otherwise.getByRole('button', { name: 'Take it back' }).click();
  await expect(otherwise).not.toContainText('Left by decision');

  await page.goto('/settings/costs');
  await stopHour(page).fill('much');
  await page.getByRole('button', { name: 'Keep the costs' }).click();
  await expect(page.getByText(/Wanted: an amount in figures/)).toBeVisible();
  await expect(stopHour(page)).toHaveValue('much');
  await stopHour(page).fill('0');
  await page.getByRole('button', { name: 'Keep the costs' }).click();
  await expect(page.getByTestId('branch costs')).toContainText('Verdicts reckon with it');
  await page.goto(check);
  await expect(page.getByTestId('decision')).toHaveText('Watch');
  await expect(otherwise).toContainText('Do it before harvest all the same');

  await page.goto('/settings/costs');
  await expect(stopHour(page)).toHaveValue('0');
  await stopHour(page).fill('480,0');
  await page.getByRole('button', { name: 'Keep the costs' }).click();
  await expect(page.getByTestId('branch costs')).toContainText('Verdicts reckon with it');
});

test('two planners at once: the second is told, and what was typed stays', async ({
  page,
  context,
}) => {
  await openAs(page, 'rhea', '/settings/costs');
  const other = await context.newPage();
  await other.goto('/settings/costs');
  await expect(stopHour(other)).toHaveValue('480');
  await stopHour(page).fill('490');
  await page.getByRole('button', { name: 'Keep the costs' }).click();
  await expect(page.getByTestId('branch costs')).toContainText('Verdicts reckon with it');
  await stopHour(other).fill('510');
  await other.getByRole('button', { name: 'Keep the costs' }).click();
  await expect(other.getByRole('alert')).toContainText('Somebody else has set these costs');
  await expect(stopHour(other)).toHaveValue('510');
});

test('a part without a price leaves its check to the shop rule, and says which', async ({
  page,
}) => {
  await openYardAs(page, 'rhea');
  const check = `/walk/${await machineId(page, 'T120')}/fan-drive-belt`;
  const price = page.getByLabel(/^LM-5207 /);
  await page.goto('/settings/costs');
  const before = await price.inputValue();
  await price.fill('');
  await page.getByRole('button', { name: 'Keep the prices' }).click();
  await expect(page.getByText('Prices kept')).toBeVisible();
  await page.goto(check);
  await expect(page.getByTestId('sums')).toContainText('No price is known of LM-5207');
  await page.goto('/settings/costs');
  await expect(price).toHaveValue('');
  await price.fill(before);
  await page.getByRole('button', { name: 'Keep the prices' }).click();
  await expect(page.getByText('Prices kept')).toBeVisible();
});
