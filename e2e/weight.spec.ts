import { gzipSync } from 'node:zlib';
import { expect, test, type Page } from '@playwright/test';
import { PHONE, signIn } from './steps';

/** Script that may be loaded before the Yard is shown, kB gzip. It may only ever be lowered. */
const BUDGET = 536;

/** Without the service worker, which fetches the rest in its own time. */
test.use({ viewport: PHONE });

test(`what is loaded at start is at most ${BUDGET} kB gzip, and without the forms`, async ({
  page,
}) => {
  const loaded = scriptsOf(page);
  await signIn(page, 'ines');
  await expect(page.getByTestId('machine T118')).toBeVisible();
  await page.waitForLoadState('networkidle');
  const weights = await loaded.weights();
  const all = weights.reduce((sum, w) => sum + w.kB, 0);
  process.stdout.write(`loaded at start: ${all.toFixed(0)} kB gzip\n`);
  expect(weights.length).toBeGreaterThan(2);
  expect(all).toBeLessThanOrEqual(BUDGET);
});

test('one who walks never loads the editor of the sheets; one who opens it does', async ({
  page,
}) => {
  const loaded = scriptsOf(page);
  await signIn(page, 'rhea');
  await page.getByTestId('machine T118').click();
  await page
    .getByTestId('machine')
    .getByRole('button', { name: /Walk again|Go on/ })
    .click();
  await expect(page.getByTestId('plan walk').or(page.getByTestId('walk'))).toBeVisible();
  await page.waitForLoadState('networkidle');
  const walking = (await loaded.texts()).join('');
  expect(walking).not.toContain('keep check');
  await page.goto('/specs/Ouzel%207/conveyor-chain-tension');
  await page.getByTestId('change check').click();
  await expect(page.getByTestId('check form')).toBeVisible();
  expect((await loaded.texts()).join('')).toContain('keep check');
});

function scriptsOf(page: Page) {
  const scripts = new Map<string, Promise<Buffer>>();
  page.on('response', (response) => {
    // a worker's script runs beside the page, and its body is not to be had here
    if (/(?<!worker-[0-9a-f]+)\.js$/.test(new URL(response.url()).pathname))
      scripts.set(response.url(), response.body());
  });
  return {
    texts: async () => (await Promise.all(scripts.values())).map(String),
    weights: () =>
      Promise.all(
        [...scripts].map(async ([url, body]) => ({
          url,
          kB: gzipSync(await body, { level: 9 }).length / 1024,
        })),
      ),
  };
}
