import { expect, test } from '@playwright/test';
import {
  beginWalk,
  confirmPosition,
  openAs,
  openMachine,
  openStop,
  openYardAs,
  PHONE,
  WIDE,
} from './steps';

/** The bench: reckoned and drawn, kept, shared by link; from a check and back to it. */
test.describe('on a phone', () => {
  test.use({ viewport: PHONE });

  test('a chain is reckoned: typed, moved by keys, kept over a reload, nonsense said, shared', async ({
    page,
    browser,
  }) => {
    await openYardAs(page, 'ines');
    await page.getByRole('link', { name: 'More', exact: true }).click();
    await page.getByRole('link', { name: /^Bench/ }).click();
    await page.getByTestId('bench chain').click();
    await expect(page.getByTestId('lacks')).toHaveText('Enter “Pitch”.');
    for (const [field, text] of [
      ['Pitch, mm', '41.4'],
      ['Pitches measured', '20'],
      ['Read to ±, mm', '1'],
      ['Limit of its sheet, %', '2.5'],
    ] as const)
      await page.getByRole('textbox', { name: field }).fill(text);
    await expect(page.getByTestId('lacks')).toHaveText('Enter “Length over them”.');
    await page.getByLabel('Length over them, mm').fill('836');
    const grown = page.getByTestId('result Elongation');
    await expect(grown).toContainText('0.966 ± 0.121 %');
    await expect(grown).toContainText('below the limit');
    await grown.getByRole('button').click();
    await expect(page.getByTestId('how Elongation')).toContainText('836 / (20 · 41.4) − 1');
    await page.getByRole('slider', { name: /^Length over them/ }).press('ArrowRight');
    await expect(page.getByLabel('Length over them, mm')).toHaveValue('836.5');
    await expect(grown).toContainText('1.027');
    await expect(page.getByTestId('bench drawing')).toHaveAccessibleName(/Elongation 1.027/);

    await page.reload();
    await expect(page.getByLabel('Length over them, mm')).toHaveValue('836.5');
    await page.getByRole('textbox', { name: 'Pitches measured' }).fill('0');
    await expect(page.getByTestId('field pitches')).toContainText('between 1 and 400');
    await expect(page.getByTestId('lacks')).toContainText('“Pitches measured”');
    await page.getByRole('textbox', { name: 'Pitches measured' }).fill('20');

    await page.getByTestId('share bench').click();
    const link = await page.getByTestId('bench link').getByText(/^http/).textContent();
    expect(link).toMatch(/\/bench\/chain\?.*length=836\.5/);
    const other = await (await browser.newContext({ viewport: PHONE })).newPage();
    await openAs(other, 'bram', link ?? '');
    await expect(other.getByTestId('result Elongation')).toContainText('1.027');
    // what is typed after it stays, though the link is opened again by a reload
    await other.getByLabel('Length over them, mm').fill('840');
    await other.reload();
    await expect(other.getByLabel('Length over them, mm')).toHaveValue('840');
    await other.context().close();

    await page.getByTestId('clear bench').click();
    await expect(page.getByLabel('Length over them, mm')).toHaveValue('');
    // an example is nobody's, and is asked for
    await page.getByTestId('example').click();
    await expect(page.getByRole('textbox', { name: 'Pitch, mm' })).toHaveValue('41.4');
  });

  test('from a check with its sheet’s figures, and back into its pad', async ({ page }) => {
    await openYardAs(page, 'bram');
    await openMachine(page, 'T113');
    await beginWalk(page);
    await openStop(page, 'fan-drive-belt');
    await confirmPosition(page);
    await page.getByRole('link', { name: /on the bench$/ }).click();
    await expect(page.getByRole('radio', { name: 'Width', exact: true })).toBeChecked();
    await page.getByLabel('Width now, mm').fill('35.2');
    // the sheet does not know it, and nothing stands in its place
    await expect(page.getByTestId('lacks')).toHaveText('Enter “Groove angle”.');
    await page.getByLabel('Groove angle, °').fill('30');
    await expect(page.getByTestId('result Drops in its groove')).toContainText(/\d mm/);
    await page.getByTestId('take to check').click();
    await expect(page.getByTestId('pad text')).toHaveValue('35.2');
    await page.getByTestId('judge').click();
    await expect(page.getByTestId('decision')).toBeVisible();
  });
});

test.describe('knives', () => {
  test.use({ viewport: PHONE });

  test('tapped on the unrolled rotor, planned, and counted into the check', async ({ page }) => {
    await openYardAs(page, 'bram');
    await openMachine(page, 'T113');
    await beginWalk(page);
    await openStop(page, 'chopper-knives');
    await confirmPosition(page);
    await page.getByRole('link', { name: /on the bench$/ }).click();
    await expect(page.getByTestId('knife map').getByRole('radio')).toHaveCount(48);
    await expect(page.getByTestId('knife plan')).toContainText('Nothing is said of any knife yet');
    await page.getByRole('radio', { name: /^row 2, place 6/ }).click();
    await page.getByTestId('one knife').getByRole('radio', { name: 'Missing' }).click();
    await expect(page.getByTestId('knife plan')).toContainText('Enter “A new knife weighs”.');
    for (const [field, text] of [
      ['A new knife weighs, g', '180'],
      ['Knives hang at a radius of, mm', '260'],
      ['First place from the left bearing, mm', '120'],
      ['From place to place, mm', '105'],
      ['Between the bearings, mm', '1400'],
      ['The rotor weighs, kg', '118'],
      ['It turns at, rpm', '3100'],
    ] as const)
      await page.getByRole('textbox', { name: field }).fill(text);
    await expect(page.getByTestId('plane left')).toContainText('times too much');
    await expect(page.getByTestId('knife plan')).toContainText('2 new knives');
    await page.getByTestId('show moves').click();
    await expect(page.getByTestId('knife plan')).toContainText('New knife in row 4, place 6');
    await expect(page.getByTestId('plane left')).toContainText('After the plan: inside');
    await page.getByTestId('next knife').click();
    await page.getByTestId('one knife').getByRole('radio', { name: 'Worn on one edge' }).click();
    await page.getByRole('textbox', { name: 'A new knife is high, mm' }).fill('60');
    await page.getByRole('textbox', { name: 'Height left of worn ones, mm' }).fill('52');
    await page.reload();
    await expect(page.getByRole('radio', { name: /^row 2, place 7: Worn/ })).toBeVisible();
    await page.getByRole('radio', { name: 'Weigh and place' }).click();
    await expect(page.getByTestId('knife plan words')).toContainText(/inside what is permitted/);
    // nobody has counted yet: no verdict calls for work
    await expect(page.getByTestId('no work of it')).toBeVisible();
    const bench = page.url();
    await page.getByTestId('take to check').click();
    await expect(page.getByTestId('count Missing')).toHaveText('1');
    await expect(page.getByTestId('count Worn on one edge')).toHaveText('1');
    await page.getByTestId('judge').click();
    await expect(page.getByTestId('decision')).toHaveText('Replace');
    // the plan goes into work by one tap, with its moves
    await page.goto(bench);
    await page.getByTestId('add plan').click();
    await expect(page.getByTestId('plan in work')).toBeVisible();
    await page.goto(`/work/${new URL(bench).searchParams.get('machine')}`);
    await expect(page.getByText(/Plan: New knife in row \d, place \d+/).first()).toBeVisible();
  });
});

test.describe('at a desk', () => {
  test.use({ viewport: WIDE });

  test('the drive: the gap for a speed, a speed that cannot be had; names that are no bench', async ({
    page,
  }) => {
    await openAs(page, 'rhea', '/bench/drive?show=speed');
    await page.getByTestId('example').click();
    await page.getByLabel('The header wants, rpm').fill('939.74');
    await expect(page.getByTestId('result Gap for that speed')).toContainText('4 mm');
    await page.getByLabel('The header wants, rpm').fill('1500');
    await expect(page.getByTestId('field wanted')).toContainText('between 831 and 1001 rpm');
    await page.goto('/bench/anvil');
    await expect(page.getByText('There is no such calculator')).toBeVisible();
  });
});
