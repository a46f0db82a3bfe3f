import { expect, test } from '@playwright/test';
import { openMachine, openYardAs, PHONE } from './steps';

test.use({ viewport: PHONE });

/** "26 checks" of the button that goes on. */
const CHECKS = /^Make safe next: (\d+) checks?, (\d+) min$/;

test('an hour and a half: what fits is walked, what is left out and what that may cost is said', async ({
  page,
}) => {
  await openYardAs(page, 'sana');
  await openMachine(page, 'T140');
  await page
    .getByTestId('machine')
    .getByRole('button', { name: /^Walk again|^Start the walk/ })
    .click();
  await expect(page.getByTestId('plan walk')).toBeVisible();
  const onward = page.getByTestId('to gate');
  const fit = page.getByTestId('fit');
  await expect(fit).not.toContainText('not walked');

  await page.getByRole('radio', { name: '90', exact: true }).click();
  await expect(onward).toHaveText(CHECKS);
  await expect(fit).toContainText(/not walked: about \d+ h of standing still, (most|first) of it/);
  await expect(fit).toContainText(/in whatever the time: .*for safety/);
  const [, checks, minutes] = CHECKS.exec(await onward.innerText()) ?? [];
  expect(Number(minutes)).toBeLessThanOrEqual(90);

  // a time of one's own is there again after a reload
  await page.getByLabel('Other minutes').fill('45');
  await expect(onward).toHaveText(CHECKS);
  await page.reload();
  await expect(page.getByLabel('Other minutes')).toHaveValue('45');

  // too little for what must be walked
  await page.getByLabel('Other minutes').fill('5');
  await expect(fit).toContainText('What must be walked takes');
  await page.getByLabel('Other minutes').fill('soon');
  await expect(page.getByText('Whole minutes from 1 to 720.')).toBeVisible();
  await page.getByRole('radio', { name: '90', exact: true }).click();
  await expect(onward).toHaveText(new RegExp(`: ${checks} checks`));

  // what was chosen stays over a reload, and is what is walked
  await page.reload();
  await expect(onward).toHaveText(new RegExp(`: ${checks} checks`));
  await onward.click();
  await expect(page.getByTestId('gate')).toContainText(`A short walk: ${checks} checks`);
  await expect(page.getByTestId('gate')).toContainText(`about ${minutes} min`);
  await page.getByRole('button', { name: 'Change the walk' }).click();
  await expect(onward).toHaveText(new RegExp(`: ${checks} checks`));
  await onward.click();
  for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
  await page.getByRole('button', { name: /Made safe/ }).click();
  const walk = page.getByTestId('walk');
  await expect(walk.getByRole('heading', { level: 1 })).toHaveText(`Walk: 0 of ${checks}`);
  await expect(walk).toContainText('for 90 min: each position is taken up once');
});
