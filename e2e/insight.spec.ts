import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { openAs, PHONE, WIDE } from './steps';

/** What wears out where: every figure leads to the machines it is told from. */
const tableOf = async (page: Page, query: string): Promise<string[][]> => {
  const text = await (await page.request.get(`/api/insight.csv${query}`)).text();
  return text
    .trim()
    .split('\n')
    .map((line) => line.split(','));
};
const rounded = (per100: string | undefined) => `${Number(Number(per100).toFixed(1))} %`;

test('from what wears fastest to its machines: the figures are those of the table', async ({
  page,
}) => {
  await page.setViewportSize(WIDE);
  await openAs(page, 'rhea', '/more');
  await page.getByRole('link', { name: /^Insight/ }).click();
  const wear = page.getByTestId('insight wear');
  await expect(wear).toBeVisible();
  const [heads = [], ...rows] = await tableOf(page, '?what=classes');
  const column = (name: string) => heads.indexOf(name);
  const belt = rows.find((r) => r[column('class')] === 'fan-drive-belt') ?? [];
  const row = wear.getByRole('row').filter({ hasText: 'Fan drive belt' });
  await expect(row).toContainText(rounded(belt[column('wear_per_100h')]));
  await expect(row).toContainText(`${belt[column('machines')]} machines`);

  await wear.getByRole('link', { name: /^Fan drive belt:/ }).click();
  const own = page.getByTestId('insight class');
  await expect(own).toContainText(rounded(belt[column('wear_per_100h')]));
  await page.getByRole('radio', { name: 'Model' }).click();
  await expect(page).toHaveURL(/by=model/);
  const [, ...groups] = await tableOf(page, '?what=groups&key=fan-drive-belt');
  const models = groups.filter((g) => g[2] === 'model');
  const drawn = page.getByTestId('insight by model');
  await expect(drawn.getByRole('link')).toHaveCount(models.length);
  for (const [, , , model = '', rate] of models)
    await expect(drawn.getByRole('link', { name: `${model}: ${rounded(rate)}` })).toBeVisible();

  const [, , , first = ''] = models[0] ?? [];
  await drawn.getByRole('link', { name: new RegExp(`^${first}:`) }).click();
  await expect(page.getByText(`: ${first}`, { exact: false }).first()).toBeVisible();
  await page.getByTestId('insight each machine').getByRole('link').first().click();
  await expect(page.getByTestId('machine')).toBeVisible();
  await page.goBack();
  await expect(own).toBeVisible();
});

test('on a phone: machines are chosen, what was asked stays over a reload, walks lead to theirs', async ({
  page,
}) => {
  await page.setViewportSize(PHONE);
  await openAs(page, 'rhea', '/insight?show=walks');
  const walks = page.getByTestId('insight walks');
  await expect(walks.getByRole('link', { name: /^Before harvest:/ })).toBeVisible();
  const all = await page.getByTestId('insight machines').textContent();
  await page.getByTestId('choose machines').click();
  await page.getByRole('radio', { name: 'maize', exact: true }).click();
  await expect(page.getByTestId('insight machines')).toContainText('maize');
  await page.reload();
  await expect(page.getByTestId('insight machines')).toContainText(': maize');
  expect(await page.getByTestId('insight machines').textContent()).not.toBe(all);
  await page.goto('/insight?show=walks');
  await walks.getByRole('link', { name: /^Before harvest:/ }).click();
  const [, ...rows] = await tableOf(page, '?what=walks&kind=beforeHarvest');
  const each = page.getByTestId('insight each walk');
  await expect(each).toContainText(rows[0]?.[2] ?? 'no walk');
  await each.getByRole('link').first().click();
  await expect(page.getByTestId('machine')).toBeVisible();
});

test('an admin sees branches side by side; a table goes out as CSV; what is not known says so', async ({
  page,
}) => {
  await page.setViewportSize(WIDE);
  await openAs(page, 'maud', '/insight');
  await page.getByRole('radio', { name: 'Forecasts' }).click();
  const branches = page.getByTestId('insight branches');
  await expect(branches.getByRole('link', { name: /^Sedge Ford:/ })).toBeVisible();
  await expect(branches.getByRole('link', { name: /^Upper Larkmoor:/ })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Forecasts as CSV' }).click(),
  ]);
  expect(await readFile(await file.path(), 'utf8')).toMatch(
    /^branch,forecasts,[^\n]*\nSedge Ford,/,
  );
  await page.goto('/insight?crop=cork');
  await expect(page.getByTestId('insight machines')).toContainText('0 machines: cork');
  await expect(page.getByText('Nothing to tell')).toBeVisible();
  await page.goto('/insight/boiler');
  await expect(page.getByTestId('no class')).toContainText('None of these machines knows it');
});
