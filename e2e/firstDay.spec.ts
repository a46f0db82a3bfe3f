import { expect, test, type Page } from '@playwright/test';
import { beginWalk, confirmPosition, decision, enter, openStop, paste, PHONE, WIDE } from './steps';

/*
 * A dealership that has nothing: from an empty database to the first judged reading, through the
 * interface alone. Runs against a server of its own, whose place is empty.
 */
const EMPTY = process.env['EMPTY_URL'] ?? 'http://127.0.0.1:8470';
test.use({ baseURL: EMPTY });
test.describe.configure({ mode: 'serial' });

const step = (page: Page, id: string) => page.getByTestId(`step ${id}`);

async function signIn(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Sign-in name').fill('ada');
  await page.getByLabel('Password').fill('ten letters');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByTestId('yard')).toBeVisible();
}

test.describe('at a desk', () => {
  test.use({ viewport: WIDE });

  test('branch, a sheet from a starter, and its first limits', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('Branch').fill('Fen Side');
    await page.getByLabel('Your name').fill('Ada Reed');
    await page.getByLabel('Sign-in name').fill('ada');
    await page.getByLabel(/Password/).fill('ten letters');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.getByRole('button', { name: 'Begin the first day' }).click();
    await expect(step(page, 'branch')).toContainText('Done: Fen Side');

    await page.getByTestId('make sheet').click();
    await expect(page.getByTestId('new sheet')).toContainText('Choose what it begins from');
    await page.getByRole('radio', { name: /^Rotary combine:/ }).click();
    await page.getByRole('textbox', { name: 'Model' }).fill('Own 1');
    await page.getByRole('textbox', { name: 'Maker' }).fill('Own maker');
    await page.getByTestId('make sheet').click();
    await expect(page.getByTestId('limits')).toBeVisible();
    await expect(page.getByTestId('limit progress')).toContainText(/of \d+ entered/);
  });

  test('a sheet made twice is refused, and what was typed stays', async ({ page }) => {
    await signIn(page);
    await page.goto('/specs');
    await page.getByTestId('new sheet').getByRole('button', { name: 'Begin' }).click();
    await page.getByRole('radio', { name: /^Rotary combine:/ }).click();
    await page.getByRole('textbox', { name: 'Model' }).fill('Own 1');
    await page.getByRole('textbox', { name: 'Maker' }).fill('Own maker');
    await page.getByTestId('make sheet').click();
    await expect(page.getByTestId('new sheet')).toContainText('Own 1 has a sheet');
    await expect(page.getByRole('textbox', { name: 'Model' })).toHaveValue('Own 1');
    await page.getByRole('textbox', { name: 'Model' }).fill('');
    await page.getByRole('textbox', { name: 'Maker' }).fill('');
  });

  test('limits by keyboard, and wrong ones told at their cell', async ({ page }) => {
    await signIn(page);
    await page.goto('/specs/Own%201/limits');
    const progress = page.getByTestId('limit progress');
    const before = await progress.textContent();
    await page.getByLabel('Find a check').fill('fan drive belt');
    const fresh = page.getByLabel('Fan drive belt, top width: size when new');
    await fresh.fill('38');
    await page.getByLabel('Fan drive belt, top width: at it, it is out').fill('thirty');
    await page.reload();
    await page.getByLabel('Find a check').fill('fan drive belt');
    await expect(fresh).toHaveValue('38');
    await page.getByTestId('keep limits').click();
    await expect(page.getByTestId('figures fan-drive-belt||limit')).toContainText(/Write/);
    await page.getByLabel('Fan drive belt, top width: at it, it is out').fill('35');
    await page.getByLabel('Fan drive belt, top width: book and page').fill('112');
    // Enter goes down the column, the arrow up comes back, a block fills to the right and down
    await page.getByLabel('Find a check').fill('belt');
    const first = page.getByLabel('Fan drive belt, top width: at it, it is out');
    await first.press('Enter');
    await expect(first).not.toBeFocused();
    await expect(page.locator('input:focus')).toHaveAttribute('aria-label', /belt.*: .+/i);
    await page.keyboard.press('ArrowUp');
    await expect(first).toBeFocused();
    await page.getByLabel('Find a check').fill('fan drive belt');
    await paste(page, fresh, '38,5\t\t\t35');
    await expect(fresh).toHaveValue('38,5');
    await fresh.fill('38');
    await page.getByTestId('keep limits').click();
    await expect(progress).not.toHaveText(before ?? '');
    await expect(page.getByTestId('draft')).toContainText('Fan drive belt');
  });

  test('a table pasted with its heading is shown row by row, then entered and published', async ({
    page,
  }) => {
    await signIn(page);
    await page.goto('/specs/Own%201/limits');
    const file = page.getByTestId('limit file');
    await file.getByRole('button', { name: 'Show' }).click();
    const paste = file.getByLabel('Or paste a table with its heading');
    await paste.fill('check\tlow\thigh\nalternator-belt\t60\t40\nno-such\t1\t2');
    await page.getByTestId('look at pasted').click();
    const preview = page.getByTestId('limits preview');
    await expect(preview).toContainText('2 to mend. Nothing is entered yet.');
    await expect(preview).toContainText('line 2, low: wanted a lowest below the highest');
    await expect(preview).toContainText('line 3, check: wanted a check of this sheet');
    await expect(page.getByTestId('enter table')).toHaveCount(0);
    await preview.getByRole('button', { name: 'Drop it' }).click();
    await paste.fill(
      'Check\tFigures\tLow\tHigh (lbf)\nalternator-belt\tlimit\t40 N\t13\nfeeder-drive-chain\tslot\t\t',
    );
    await page.getByTestId('look at pasted').click();
    await expect(preview).toContainText('2 rows: 1 to enter, 1 as they are');
    await expect(preview).toContainText('in lbf, as its heading says');
    await page.getByTestId('enter table').click();
    await expect(page.getByTestId('draft')).toContainText('Alternator belt');
    await page.getByLabel(/Remark/).fill('First limits, from the manual');
    await page.getByTestId('publish').click();
    await expect(page.getByTestId('draft')).toHaveCount(0);
  });

  test('machines and people from lists: shown first, troubles by line and column', async ({
    page,
  }) => {
    await signIn(page);
    await page.goto('/settings/books');
    const machines = page.getByTestId('book machines');
    const heading =
      'serial;model;customer;built on;hours;crop;harvest start;harvest end;area ha;width m';
    const entry = machines.getByLabel(/Or paste machines/);
    await entry.fill(
      `${heading}\nA1;Nobody 2;Mill Farm;2021-03-15;820;barley;2027-07-04;2027-07-18;380;9,1`,
    );
    await page.getByTestId('look machines').click();
    const report = page.getByTestId('report machines');
    await expect(report).toContainText(/line 2 \(A1\), model: no sheet for a combine "Nobody 2"/);
    await expect(page.getByTestId('store machines')).toHaveCount(0);
    await entry.fill(
      `${heading}\nA1;Own 1;Mill Farm;2021-03-15;820;barley;2027-07-04;2027-07-18;380;9,1`,
    );
    await page.getByTestId('look machines').click();
    await page.getByTestId('store machines').click();
    await expect(report).toContainText('Stored: 1 machines');
    await page.getByRole('radio', { name: 'People' }).click();
    const people = page.getByTestId('book people');
    await people
      .getByLabel(/Or paste people/)
      .fill('name,sign-in,role,password\nBea Moor,bea,technician,ten letters');
    await page.getByTestId('look people').click();
    await page.getByTestId('store people').click();
    await expect(page.getByTestId('report people')).toContainText('Stored: 1 people');
  });
});

test.describe('on a phone', () => {
  test.use({ viewport: PHONE });

  test('the first walk: a reading with a limit is judged, one without says what is missing', async ({
    page,
  }) => {
    await signIn(page);
    await page.goto('/first-day');
    await expect(step(page, 'people')).toContainText('Done: 2 can sign in');
    await page.goto('/');
    await page.getByTestId('machine A1').first().click();
    await beginWalk(page);
    await openStop(page, 'fan-drive-belt');
    await confirmPosition(page);
    await enter(page, '34.2');
    await decision(page, 'Replace');
    await expect(page.getByTestId('why')).toContainText('34.2 mm is at or past the limit of 35 mm');
    await page.getByRole('link', { name: 'Back to the walk' }).click();
    await openStop(page, 'engine-fan-belt');
    await confirmPosition(page);
    await enter(page, '24');
    await decision(page, 'Due');
    await expect(page.getByTestId('why')).toContainText(
      'No limit yet: enter it from the maker’s manual.',
    );
    await page.goto('/first-day');
    await expect(step(page, 'walk')).toContainText('Done: 1 begun or done');
  });
});
