import { expect, test } from '@playwright/test';
import { openAs, PHONE } from './steps';

/** Everything out of one place and into another that was just set up. */
const SPARE = process.env['SPARE_URL'] ?? 'http://127.0.0.1:8480';
test.use({ viewport: PHONE });

test('out of the demo, looked through, into an empty place: its machines are there', async ({
  browser,
  page,
}) => {
  await openAs(page, 'maud', '/more');
  await page.getByRole('link', { name: /^Archive/ }).click();
  const [out] = await Promise.all([
    page.waitForEvent('download'),
    page.getByTestId('take out').click(),
  ]);
  const file = await out.path();

  await test.step('a place that is not empty says so and takes nothing', async () => {
    await page.getByTestId('archive file').setInputFiles({
      name: 'not an archive.zip',
      mimeType: 'application/zip',
      buffer: Buffer.from('hello'),
    });
    await expect(page.getByTestId('archive in')).toContainText('cannot be opened as a zip');
    await page.getByTestId('archive file').setInputFiles(file);
    await expect(page.getByTestId('archive in')).toContainText('goes into a place');
    await expect(page.getByTestId('bring in')).toHaveCount(0);
  });

  await test.step('an empty one takes it', async () => {
    const elsewhere = await browser.newContext({ viewport: PHONE, baseURL: SPARE });
    const other = await elsewhere.newPage();
    await other.goto('/');
    await other.getByLabel('Branch').fill('Fen Side');
    await other.getByLabel('Your name').fill('Ada Reed');
    await other.getByLabel('Sign-in name').fill('ada');
    await other.getByLabel(/Password/).fill('ten letters');
    await other.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(other.getByRole('button', { name: 'Begin the first day' })).toBeVisible();
    await other.goto('/settings/archive');
    await other.getByTestId('archive file').setInputFiles(file);
    await expect(other.getByTestId('archive found')).toContainText('Whole and sound');
    await expect(other.getByTestId('archive in')).toContainText('machines');
    await other.getByTestId('bring in').click();
    await expect(other.getByTestId('archive found')).toContainText('It is in.');
    // the workers judge what came in, one machine after the other
    await other.goto('/');
    await expect(other.getByTestId('machine T118').first()).toBeVisible({ timeout: 150_000 });
    await elsewhere.close();
  });
});

test('every format is found, with its fields and an example', async ({ page }) => {
  await openAs(page, 'ines', '/settings/formats');
  await page.getByLabel('Find a format').fill('readings');
  const readings = page.getByTestId('format Readings');
  await readings.getByRole('button', { name: 'Fields of Readings' }).click();
  await expect(readings).toContainText('fan-drive-belt,belt,measure,37.1,mm');
});
