import { expect, test } from '@playwright/test';
import {
  beginWalk,
  confirmPosition,
  decision,
  openAs,
  openMachine,
  openStop,
  openYardAs,
  PHONE,
  WIDE,
} from './steps';

/** A limit is changed, published, walked by, and a machine judged anew by it. */
test.describe.configure({ mode: 'serial' });

test.describe('on a phone', () => {
  test.use({ viewport: PHONE });

  test('a planner finds a check, changes its limit, and publishes; what is wrong is said at its field and nothing typed is lost', async ({
    page,
  }) => {
    await openYardAs(page, 'rhea');
    await page.getByRole('link', { name: 'More' }).click();
    await page.getByRole('link', { name: 'Spec sheets' }).click();
    await page.getByTestId('spec Ouzel 5').click();
    await page.getByLabel('Find a check').fill('LM-5207');
    await expect(page.getByText('1 of 209 checks')).toBeVisible();
    await page.getByTestId('check fan-drive-belt').click();
    await expect(page.getByTestId('spec check')).toContainText('New 1 3/8 in · limit 1 1/4 in');
    await page.getByTestId('change check').click();
    const limit = page.getByLabel('Limit, at it is out');
    await limit.fill('wide');
    await page.getByLabel('Places, by commas').fill('belt, belt');
    await page.getByTestId('keep check').click();
    await expect(page.getByText('this is not a number', { exact: false })).toBeVisible();
    await limit.fill('1 23/64');
    await page.getByTestId('keep check').click();
    await expect(page.getByText('Wanted: places that are all different')).toBeVisible();
    await page.reload();
    await expect(limit).toHaveValue('1 23/64');
    await expect(page.getByLabel('Places, by commas')).toHaveValue('belt, belt');
    await page.getByLabel('Places, by commas').fill('belt');
    await page.getByTestId('keep check').click();
    await expect(page.getByTestId('changed')).toContainText('limit › limit: 31.75 → 34.5281');
    await page.getByRole('link', { name: 'Back to Ouzel 5' }).click();
    await expect(page.getByTestId('draft')).toContainText('last saved by Rhea Aldane');
    await page.getByTestId('publish').click();
    await expect(page.getByText('Say in a few words what was changed')).toBeVisible();
    await page.getByLabel(/^Remark/).fill('Belts slipped well before the old limit.');
    await page.getByTestId('publish').click();
    await expect(page.getByTestId('draft')).toBeHidden();
    await expect(page.getByTestId('sheet')).toContainText('revision 2');
    await expect(page.getByTestId('revisions')).toContainText(
      'Belts slipped well before the old limit.',
    );
  });

  test('the next walk uses the new limit', async ({ page }) => {
    await openYardAs(page, 'sana');
    await openMachine(page, 'T077');
    await beginWalk(page);
    await openStop(page, 'fan-drive-belt');
    await confirmPosition(page);
    await expect(page.getByTestId('check')).toContainText('limit 1 23/64 in');
    await page.getByTestId('pad text').fill('1 11/32');
    await page.getByTestId('judge').click();
    await decision(page, 'Replace');
    await expect(page.getByTestId('why')).toContainText('1 23/64 in');
  });

  test('an older walk stays judged as it was, until a planner judges it anew', async ({ page }) => {
    await openYardAs(page, 'rhea');
    await openMachine(page, 'T091');
    const card = page.getByTestId('rejudge');
    await card.getByRole('button', { name: 'What would Ouzel 5 revision 2 change?' }).click();
    await expect(card.getByTestId('rejudged')).toContainText(
      /Fan drive belt: (Holds|Watch) → Replace/,
    );
    await expect(page.getByTestId('loud')).toBeHidden();
    await card.getByTestId('adopt').click();
    await expect(card).toBeHidden();
    await expect(page.getByTestId('loud')).toContainText('Fan drive belt');
  });

  test('a header of eight rows has eight rows to read', async ({ page }) => {
    await openYardAs(page, 'rhea');
    await openMachine(page, 'T126');
    await page.getByRole('button', { name: 'Change how it is built' }).click();
    const build = page.getByTestId('equipment');
    await build.getByRole('radio', { name: 'Eight' }).click();
    await build.getByRole('radio', { name: 'Fixed, multi-rib belt' }).click();
    await build.getByTestId('keep build').click();
    await expect(build).toContainText('Rows: eight');
    await expect(build).toContainText('Feeder drive: fixed, multi-rib belt');
    const { id } = (
      (await (await page.request.get('/api/yard')).json()) as {
        rows: { machine: { id: string; serial: string } }[];
      }
    ).rows.find((r) => r.machine.serial === 'T126')!.machine;
    const { items } = (await (
      await page.request.get(`/api/machines/${id}/checks?limit=500`)
    ).json()) as { items: { id: string; places: string[] }[] };
    expect(items.find((c) => c.id === 'gathering-chain-8')?.places).toHaveLength(16);
    expect(items.some((c) => c.id === 'gathering-chain' || c.id === 'variable-belt-width')).toBe(
      false,
    );
  });

  test('a technician reads the sheet but cannot change it', async ({ page }) => {
    await openAs(page, 'ines', '/specs/Corrie%204/conveyor-chain-tension');
    await expect(page.getByTestId('spec check')).toContainText('third slat');
    await expect(page.getByTestId('change check')).toBeHidden();
    await page
      .getByRole('link', { name: /^Stripper plates/ })
      .first()
      .click();
    await expect(page.getByTestId('spec check')).toContainText('Taken again after work on');
    await page.goto('/specs/ZZ9');
    await expect(
      page.getByRole('heading', { name: 'The sheet of ZZ9 cannot be shown' }),
    ).toBeVisible();
    await expect(page.getByText('There is no such spec sheet.')).toBeVisible();
  });
});

test.describe('on a wide screen', () => {
  test.use({ viewport: WIDE });

  test('two people change one sheet: the second is told, and nothing is overwritten', async ({
    browser,
    page,
  }) => {
    await openAs(page, 'rhea', '/specs/Tarn%207/reel-tines');
    const other = await (
      await browser.newContext({ viewport: WIDE, baseURL: new URL(page.url()).origin })
    ).newPage();
    await openAs(other, 'maud', '/specs/Tarn%207/reel-tines');
    for (const [tab, allowed] of [
      [page, '6'],
      [other, '9'],
    ] as const) {
      await tab.getByTestId('change check').click();
      await tab.getByLabel('How many bad may wait').fill(allowed);
    }
    await page.getByTestId('keep check').click();
    await expect(page.getByTestId('draft')).toContainText('allowed: 4 → 6');
    await other.getByTestId('keep check').click();
    await expect(other.getByTestId('draft trouble')).toContainText(
      'Rhea Aldane saved it meanwhile',
    );
    await expect(other.getByLabel('How many bad may wait')).toHaveValue('9');
    await other.getByRole('button', { name: 'Show what is there now' }).click();
    await expect(other.getByTestId('draft')).toContainText('allowed: 4 → 6');
    await other.getByTestId('keep check').click();
    await expect(other.getByTestId('draft')).toContainText('allowed: 4 → 9');
    await other.getByRole('button', { name: 'Drop draft' }).click();
    await other.getByRole('button', { name: 'Tap again to drop' }).click();
    await expect(other.getByTestId('draft')).toBeHidden();
    await other.context().close();
  });

  test('a file is shown before it is stored; a spoilt one names line and field', async ({
    page,
  }) => {
    await openYardAs(page, 'rhea');
    const file = await (await page.request.get('/api/specs/Merle%2010/file')).text();
    await page.getByRole('link', { name: 'Specs' }).click();
    await page.getByTestId('sheet file').setInputFiles({
      name: 'merle10.json',
      mimeType: 'application/json',
      buffer: Buffer.from(file.replace('"total": 124', '"total": "many"')),
    });
    const line = file.split('\n').findIndex((l) => l.includes('"total": 124')) + 1;
    await expect(page.getByTestId('import errors')).toContainText(`line ${line}, checks.`);
    await page.getByTestId('sheet file').setInputFiles({
      name: 'merle10.json',
      mimeType: 'application/json',
      buffer: Buffer.from(
        file.replace('"revision": 1', '"revision": 2').replace('"total": 124', '"total": 118'),
      ),
    });
    await expect(page.getByTestId('import preview')).toContainText('total: 124 → 118');
    await page.getByTestId('store sheet').click();
    await expect(page.getByTestId('import preview')).toContainText('Stored: Merle 10 revision 2.');
    await expect(page.getByTestId('spec Merle 10')).toHaveAccessibleName(/revision 2/);
  });

  test('a new check is added and written', async ({ page }) => {
    await openAs(page, 'rhea', '/specs/Corrie%204');
    await page.getByTestId('add check').click();
    await page.getByTestId('add to draft').click();
    await expect(page.getByText('Say what is checked', { exact: false })).toBeVisible();
    await page.getByTestId('new check').getByLabel('Component').fill('Rear ladder');
    await page.getByTestId('new check').getByRole('radio', { name: 'Count' }).click();
    await page.getByTestId('add to draft').click();
    await expect(page).toHaveURL(/rear-ladder$/);
    await page.getByTestId('change check').click();
    await page.getByLabel('How many there are').fill('8');
    await page.getByTestId('keep check').click();
    await expect(page.getByTestId('spec check')).toContainText('All 8 bolts');
    await expect(page.getByTestId('draft')).toContainText('New: Rear ladder');
    await page.getByRole('button', { name: 'Drop draft' }).click();
    await page.getByRole('button', { name: 'Tap again to drop' }).click();
    await expect(page.getByTestId('draft')).toBeHidden();
  });

  test('a check is copied, moved and taken out in the draft', async ({ page }) => {
    await openAs(page, 'rhea', '/specs/Merle%2012/cross-auger-floor');
    await page.getByTestId('copy check').click();
    await expect(page).toHaveURL(/cross-auger-floor-copy/);
    await expect(page.getByTestId('draft')).toContainText('New: Cross auger (copy)');
    await page.getByRole('button', { name: 'Move it up in its station' }).click();
    await expect(page.getByRole('button', { name: 'Move it down in its station' })).toBeEnabled();
    await page.getByRole('button', { name: 'Take out' }).click();
    await page.getByRole('button', { name: 'Tap again: take it out' }).click();
    await expect(page.getByTestId('draft')).toContainText('Nothing differs.');
    await page.getByRole('button', { name: 'Drop draft' }).click();
    await page.getByRole('button', { name: 'Tap again to drop' }).click();
    await expect(page.getByTestId('draft')).toBeHidden();
  });
});
