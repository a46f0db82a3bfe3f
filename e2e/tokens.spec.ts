import { expect, test } from '@playwright/test';
import { openAs, PHONE } from './steps';

/** A token for a spreadsheet: made once, told once, taken back. */
test.use({ viewport: PHONE });

test('a token reads the lists it was made for, writes nothing, and reads nothing once it is taken back', async ({
  page,
  playwright,
  baseURL,
}) => {
  await openAs(page, 'maud', '/settings/tokens');
  await page.getByLabel('What uses it').fill('Prices sheet');
  const making = page.getByTestId('make token');
  await making.getByText('Readings', { exact: true }).click();
  await page.getByTestId('make').click();
  const secret = (await page.getByTestId('token key').textContent()) ?? '';
  // in another program, without a cookie
  const program = await playwright.request.newContext({
    ...(baseURL ? { baseURL } : {}),
    extraHTTPHeaders: { authorization: `Bearer ${secret}` },
  });
  const readings = await program.get('/api/readings.csv');
  expect(readings.status()).toBe(200);
  expect(await readings.text()).toMatch(/^id,machine,check/);
  expect((await program.get('/api/people')).status()).toBe(403);
  expect((await program.post('/api/ticks', { data: {} })).status()).toBe(403);
  await page.reload();
  await expect(page.getByTestId('token key')).toHaveCount(0);
  const row = page.getByTestId('token Prices sheet');
  await row.getByRole('button', { name: 'Take back Prices sheet' }).click();
  await expect(row).toContainText('taken back');
  expect((await program.get('/api/readings.csv')).status()).toBe(401);
});
