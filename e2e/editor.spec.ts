import { expect, test } from '@playwright/test';
import {
  beginWalk,
  confirmPosition,
  openAs,
  openMachine,
  openStop,
  openYardAs,
  paste,
  PHONE,
  WIDE,
} from './steps';

/** A sheet is written without ever seeing a file: what it is fitted with, its checks, all of each. */
/** A picture of one dot, PNG in base64. */
const DOT =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

test.describe('at a desk', () => {
  test.use({ viewport: WIDE });

  test('equipment and a check that is there only with it; the walk asks by how it is built', async ({
    page,
  }) => {
    await openAs(page, 'maud', '/specs/Corrie%206');
    await page.getByRole('button', { name: 'Show the equipment' }).click();
    await page.getByTestId('write equipment').click();
    const form = page.getByTestId('equipment form');
    await page.getByTestId('add equipment').click();
    await page.getByTestId('keep equipment').click();
    await expect(form).toContainText('Say what it is about.');
    const fresh = form.getByRole('group', { name: 'Add equipment' });
    await fresh.getByLabel(/^What it is/).fill('Rear ladder');
    const ladder = form.getByRole('group', { name: 'Rear ladder' });
    await ladder.getByLabel('Option 1', { exact: true }).fill('Fixed');
    await ladder.getByLabel('Option 2', { exact: true }).fill('Folding');
    // typing survives a reload
    await page.reload();
    await page.getByRole('button', { name: 'Show the equipment' }).click();
    await page.getByTestId('write equipment').click();
    await expect(ladder.getByLabel('Option 2', { exact: true })).toHaveValue('Folding');
    await page.getByTestId('keep equipment').click();
    await expect(form).toHaveCount(0);

    await page.getByTestId('add check').click();
    await page.getByTestId('new check').getByLabel('Component').fill('Rear ladder hinge');
    await page.getByTestId('new check').getByRole('radio', { name: 'Measure' }).click();
    await page.getByTestId('add to draft').click();
    // beside the list another check stood open until now
    await expect(page).toHaveURL(/rear-ladder-hinge/);
    await expect(page.getByRole('heading', { name: 'Rear ladder hinge' })).toBeVisible();
    await page.getByTestId('change check').click();
    const check = page.getByTestId('check form');
    await check.getByRole('radio', { name: 'It wears from new to a limit' }).click();
    await check.getByLabel('New', { exact: true }).fill('20');
    await check.getByLabel('Limit, at it is out').fill('18');
    await check.getByRole('checkbox', { name: 'Rear ladder: only with: Folding' }).click();
    await check.getByRole('radio', { name: '13 · Unloading, wheels, cleanliness' }).click();
    await check.getByLabel('Mind, one a line').fill('Three points of contact.');
    await page.getByTestId('keep check').click();
    await expect(page.getByTestId('spec check')).toContainText('limit 18 mm');
    await expect(page.getByTestId('spec check')).toContainText('Three points of contact.');
    await expect(page.getByTestId('spec check')).toContainText('13 · Unloading');
    await page.getByLabel(/^Remark/).fill('The folding ladder has a hinge that wears.');
    await page.getByTestId('publish').click();
    await expect(page.getByTestId('draft')).toHaveCount(0);
    // nothing is said of any machine: its first option is fixed, and the hinge is not asked for
    const { rows } = (await (await page.request.get('/api/yard')).json()) as {
      rows: { machine: { id: string; model: string } }[];
    };
    const corrie = rows.find((r) => r.machine.model === 'Corrie 6')?.machine.id ?? '';
    await page.goto(`/walk/${corrie}/rear-ladder-hinge`);
    await expect(page.getByText('has no such check')).toBeVisible();
  });

  test('the checks are written as a table by keyboard; what cannot be is told at its cell', async ({
    page,
  }) => {
    await openAs(page, 'rhea', '/specs/Tarn%207');
    await page.getByTestId('to table').click();
    const cell = (id: string, column: string) =>
      page.getByTestId(`row ${id}`).getByLabel(new RegExp(`: ${column}$`));
    const rows = page.locator('[data-testid^="row "]');
    await expect(rows.first()).toBeVisible();
    const [first, second] = await rows.evaluateAll((all) =>
      all.map((r) => r.getAttribute('data-testid')?.slice(4) ?? ''),
    );
    await cell(first ?? '', 'What is read').fill('seen from the ladder');
    await cell(first ?? '', 'What is read').press('Enter');
    await expect(cell(second ?? '', 'What is read')).toBeFocused();
    await page.getByRole('radio', { name: 'When' }).click();
    await cell(first ?? '', 'How often').fill('now and then');
    await cell(second ?? '', 'How often').fill('By hours or days');
    await cell(second ?? '', 'Hours').fill('120');
    await page.reload();
    await page.getByRole('radio', { name: 'When' }).click();
    await expect(cell(second ?? '', 'Hours')).toHaveValue('120');
    await page.getByTestId('keep rows').click();
    await expect(page.getByTestId(`row ${first}`)).toContainText('one of Before each harvest');
    await expect(page.getByRole('alert').first()).toBeVisible();
    await expect(page.getByTestId('draft')).toContainText('interval › hours: – → 120');
    await cell(first ?? '', 'How often').fill('Daily');
    await page.getByTestId('keep rows').click();
    await expect(page.getByTestId('draft')).toContainText('seen from the ladder');
    // a block from a spreadsheet fills from the cell on to the right and down
    await page.getByRole('radio', { name: 'Minutes' }).click();
    await paste(page, cell(first ?? '', 'Take it'), '4\t9\n5\t11');
    await expect(cell(second ?? '', 'Adjust')).toHaveValue('11');
    await page.getByTestId('keep rows').click();
    await expect(page.getByTestId('draft')).toContainText('labour › adjust');
    await page.getByRole('button', { name: 'Drop draft' }).click();
    await page.getByRole('button', { name: 'Tap again to drop' }).click();
    await expect(page.getByTestId('draft')).toHaveCount(0);
  });

  test('a school of one’s own: its ways with their reasons', async ({ page }) => {
    await openAs(page, 'rhea', '/specs/Merle%2010');
    await page.getByRole('button', { name: 'Show the schools' }).click();
    await page.getByTestId('write schools').click();
    await page.getByTestId('add schools').click();
    const fresh = page.getByTestId('schools form').getByRole('group', { name: 'Add a school' });
    await fresh.getByLabel(/^What people differ in/).fill('When drapers are washed');
    const school = page.getByRole('group', { name: 'When drapers are washed' });
    await school.getByLabel('Way 1', { exact: true }).fill('Every autumn');
    await school.getByLabel('Why people do it so (1)').fill('Dirt holds water.');
    await school.getByLabel('Way 2', { exact: true }).fill('When they slip');
    await page.getByTestId('keep schools').click();
    await expect(school).toContainText('Say why people do it so.');
    await school.getByLabel('Why people do it so (2)').fill('Washing wets the splice.');
    await page.getByTestId('keep schools').click();
    await expect(
      page.getByTestId('schools').getByRole('radio', { name: /^Every autumn: Dirt holds water/ }),
    ).toBeChecked();
    await page.getByRole('button', { name: 'Drop draft' }).click();
    await page.getByRole('button', { name: 'Tap again to drop' }).click();
  });
});

test.describe('on a phone', () => {
  test.use({ viewport: PHONE, serviceWorkers: 'allow' });

  test('the heavy part is chosen as the work is accepted', async ({ page }) => {
    await openYardAs(page, 'rhea');
    await openMachine(page, 'T131');
    await page.goto(page.url().replace('/machine/', '/work/'));
    const heavy = page.getByRole('checkbox', {
      name: /^Chopper knife, hard-faced, LM-7713, in the place of .*never mixed/,
    });
    await heavy.click();
    await expect(page.getByTestId('proposed')).toContainText('LM-7713 Chopper knife, hard-faced');
    await expect(page.getByTestId('proposed')).toContainText('the whole rotor, never mixed');
    await expect(page.getByTestId('proposed')).toContainText('(with LM-7713)');
    await page.getByRole('button', { name: 'Accept into work: Chopper knives' }).click();
    await expect(page.getByTestId('accepted')).toContainText(
      '64 × LM-7713 Chopper knife, hard-faced (in the place of LM-7712)',
    );
    // shown at once; others are told when the server has it
    const taken = page.waitForResponse((r) => r.request().method() === 'DELETE' && r.ok());
    await page.getByRole('button', { name: 'Withdraw: Chopper knives' }).click();
    await expect(page.getByTestId('accepted')).toHaveCount(0);
    await taken;
  });

  test('a page of the book is opened in the walk where there is no signal', async ({
    page,
    context,
  }) => {
    await openYardAs(page, 'maud');
    await page.request.post('/api/specs/Corrie%204/pages', {
      headers: { origin: new URL(page.url()).origin },
      data: {
        id: crypto.randomUUID(),
        name: 'page 40',
        checks: [],
        // a picture: a PDF is downloaded by a browser that has no reader for it
        data: DOT,
      },
    });
    const { rows } = (await (await page.request.get('/api/yard')).json()) as {
      rows: { machine: { serial: string; model: string } }[];
    };
    await openMachine(page, rows.find((r) => r.machine.model === 'Corrie 4')?.machine.serial ?? '');
    await beginWalk(page);
    await expect(page.getByText(/Pages of the book kept for no signal: 1 of 1/)).toBeVisible();
    await openStop(page, 'fan-drive-belt');
    await confirmPosition(page);
    await context.setOffline(true);
    await page.getByRole('button', { name: 'How, and why this limit?' }).click();
    const beside = page.waitForEvent('popup');
    await page.getByRole('button', { name: 'Open page 40' }).click();
    expect((await beside).url()).toMatch(/^blob:/);
    await context.setOffline(false);
  });
});
