import { expect, test, type Page } from '@playwright/test';
import { beginWalk, confirmPosition, openMachine, openStop, openYardAs, PHONE } from './steps';

/** What leaves the shop: the report, on paper and by link, and what the owner answers. */
test.use({ viewport: PHONE });

/** Makes a link to the report that is open, and gives it. */
async function share(page: Page): Promise<string> {
  await page.getByTestId('share report').click();
  await expect(page.getByTestId('report link')).toBeVisible();
  return (await page.getByTestId('report link').textContent()) ?? '';
}

test('a reading → report → link in another browser → answer → the planner sees it; taken back it opens nothing', async ({
  page,
  browser,
}) => {
  test.slow();
  await openYardAs(page, 'sana');
  await openMachine(page, 'T114');
  const machine = page.url();
  await beginWalk(page);
  await openStop(page, 'fan-drive-belt');
  await confirmPosition(page);
  await page.getByTestId('pad text').fill('34.2');
  await page.getByTestId('judge').click();
  await expect(page.getByTestId('decision')).toContainText('Replace');
  await page.goto(machine);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  await page.getByTestId('to report').click();
  const belt = page.getByTestId('report Fan drive belt');
  await expect(belt).toContainText('34.2 mm · 1.346 in');
  await expect(belt).toContainText(/Now\D*\d/);
  const link = await share(page);

  // in another browser, without an account
  const owner = await (await browser.newContext({ viewport: PHONE })).newPage();
  await owner.goto(link);
  const item = owner.getByTestId('report Fan drive belt');
  await expect(item).toContainText('34.2 mm');
  await item.getByTestId('answer yes').click();
  await expect(item).toContainText('Say your name first');
  await owner.getByLabel('Your name').fill('Nell Harrow');
  await item.getByLabel('A word to it').fill('before the barley');
  await item.getByTestId('answer yes').click();
  await expect(item.getByTestId('owner said')).toContainText('Yes, do it: Nell Harrow');
  await expect(owner.getByRole('link', { name: 'Yard' })).toHaveCount(0);

  // on paper, by the same link
  const pdf = await owner.request.get(link.replace('/r/', '/api/report/') + '/report.pdf');
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');

  // the planner, who has the machine's work open
  await page.goto(machine.replace('/machine/', '/work/'));
  await expect(page.getByText(/Nell Harrow/).first()).toBeVisible();

  await page.goto(machine.replace('/machine/', '/report/'));
  await expect(page.getByTestId('a link').first()).toContainText('opened');
  // as it stood when a walk of the past ended: on paper only, for that is not to be answered any more
  const chosen = page.getByRole('radiogroup', { name: 'What it tells' });
  await chosen.getByRole('radio', { name: /2025$/ }).first().click();
  await expect(page).toHaveURL(/walk=/);
  await expect(page.getByTestId('past report')).toBeVisible();
  await expect(page.getByText('nor whether it is ready', { exact: false })).toBeVisible();
  await expect(page.getByTestId('report ready')).toHaveCount(0);
  await expect(page.getByTestId('share report')).toHaveCount(0);
  await expect(page.getByTestId('report Fan drive belt')).not.toContainText('34.2 mm');
  await chosen.getByRole('radio', { name: 'as it stands' }).click();
  await expect(page.getByTestId('report Fan drive belt')).toContainText('34.2 mm');
  // the owner's other machines, a line each
  await page.getByTestId('to season').click();
  await expect(page.getByTestId('season T114')).toContainText('Replace: Fan drive belt');
  await page.goBack();
  await page
    .getByRole('button', { name: /Take back the link/ })
    .first()
    .click();
  await expect(page.getByTestId('a link').first()).toContainText('taken back');
  await owner.reload();
  await expect(owner.getByText('This link opens nothing')).toBeVisible();
  await owner.context().close();
});

test('mail is a stand-in and says so; an address that is none is said at its field', async ({
  page,
}) => {
  await openYardAs(page, 'rhea');
  await openMachine(page, 'T118');
  await page.getByTestId('to report').click();
  await page.getByLabel('Mail it to (may stay empty)').fill('nell at harrow');
  await page.getByTestId('share report').click();
  await expect(page.getByTestId('sharing')).toContainText(/e-mail address/);
  await page.getByLabel('Mail it to (may stay empty)').fill('nell@harrow.invalid');
  await share(page);
  await expect(page.getByTestId('sharing')).toContainText('This stand-in sends nothing');
});
