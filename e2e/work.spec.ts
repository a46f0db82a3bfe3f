import { expect, test, type Page } from '@playwright/test';
import { confirmPosition, enter, openAs, openYardAs, PHONE, WIDE } from './steps';

/** The address of a machine's page of work. */
async function workOf(page: Page, serial: string): Promise<string> {
  const { rows } = (await (await page.request.get(`/api/yard?q=${serial}`)).json()) as {
    rows: { machine: { id: string; serial: string } }[];
  };
  return `/work/${rows.find((r) => r.machine.serial === serial)?.machine.id}`;
}

test.describe('on a phone', () => {
  test.use({ viewport: PHONE });

  test('work is changed before it is accepted, put off, left, and the owner’s word stands beside it', async ({
    page,
  }) => {
    await openYardAs(page, 'ines');
    await page.goto(await workOf(page, 'B050'));
    const called = page.getByTestId('proposed');
    await expect(called).toContainText('Owner: call me first');
    await expect(called.getByTestId('sums').first()).toContainText('if it goes in harvest');

    await test.step('until when is asked for in words; nonsense is kept and explained', async () => {
      await page.getByRole('button', { name: 'Something else: Fan drive belt' }).click();
      await page.getByRole('radio', { name: 'Put it off' }).click();
      await page.getByLabel('Until: a day, or an hour of the machine').fill('soon');
      await page.getByLabel('Why', { exact: true }).fill('After the barley');
      await page.getByTestId('put off').click();
      await expect(page.getByTestId('until trouble')).toContainText('a day like 2026-07-20');
      await expect(page.getByLabel('Until: a day, or an hour of the machine')).toHaveValue('soon');
      await page.getByLabel('Until: a day, or an hour of the machine').fill('2026-07-20');
      await page.getByTestId('put off').click();
      await expect(page.getByTestId('put off list')).toContainText(
        'Until 20 Jul: After the barley',
      );
    });

    await test.step('decided after all, it is changed and accepted; how it was proposed stands beside', async () => {
      await page.getByRole('button', { name: 'Decide it now: Fan drive belt' }).click();
      await page.getByRole('button', { name: 'Something else: Fan drive belt' }).click();
      await page.getByRole('radio', { name: 'Change it, then accept' }).click();
      await page.getByLabel(/Minutes, without covers/).fill('an hour');
      await page.getByTestId('accept changed').click();
      await expect(page.getByTestId('answers')).toContainText('Type minutes in figures');
      await page.getByLabel(/Minutes, without covers/).fill('120');
      await page.getByTestId('accept changed').click();
      await expect(page.getByTestId('accepted')).toContainText('Changed by Ines Marrow');
      await expect(page.getByTestId('as proposed')).toContainText('Proposed: remeasure');
    });

    await test.step('the owner says not now; it is left for that', async () => {
      await page.getByRole('button', { name: 'Something else: Feeder drive chain' }).click();
      await page.getByRole('radio', { name: 'Owner’s answer' }).click();
      await page.getByRole('radio', { name: 'Not now' }).click();
      await page.getByLabel('Who said it, and what').fill('Mrs Low, by phone');
      await page.getByTestId('note owner').click();
      await expect(page.getByTestId('owner said').first()).toBeVisible();
      await page.getByRole('button', { name: 'Something else: Feeder drive chain' }).click();
      await page.getByRole('radio', { name: 'Leave it' }).click();
      await expect(page.getByLabel('Why it is left')).toHaveValue('The owner said not now');
      await page.getByTestId('leave').click();
      await expect(page.getByTestId('left alone')).toContainText('The owner said not now');
      await expect(page.getByTestId('sync')).toContainText('all sent');
    });
  });

  test('after the work: who, how long, what was fitted; it is closed by a reading, and not before', async ({
    page,
  }) => {
    await openYardAs(page, 'ines');
    const path = await workOf(page, 'T131');
    await page.goto(path);
    await page.getByRole('button', { name: 'Accept into work: Fan drive belt' }).click();
    await page.getByTestId('worked fan-drive-belt').click();
    await expect(page.getByTestId('keep worked')).toBeDisabled();
    await page.getByTestId('hand Bram Tolley').click();
    await page.getByLabel(/Minutes, all hands together/).fill('95');
    await page.getByTestId('keep worked').click();
    const left = page.getByTestId('as left fan-drive-belt');
    await expect(left).toContainText('95 min, Ines Marrow, Bram Tolley');
    await expect(page.getByTestId('sync')).toContainText('all sent');
    await left.click();
    for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
    await page.getByRole('button', { name: /Made safe/ }).click();
    await page.getByTestId('stop fan-drive-belt').click();
    await confirmPosition(page);
    await enter(page, '39.9');
    await expect(page.getByTestId('decision')).toBeVisible();
    await expect(page.getByTestId('sync')).toContainText('all sent');
    await page.goto(path);
    await expect(page.getByTestId('put right')).toContainText('Fan drive belt: replace');
    await expect(page.getByTestId('put right')).toContainText('95 min');
  });
});

test.describe('at a desk', () => {
  test.use({ viewport: WIDE });

  test('work is chosen by decision over all machines and accepted together; its parts are wanted then', async ({
    page,
  }) => {
    await openAs(page, 'rhea', '/work/decide');
    await page.getByTestId('decision replace').click();
    await page.getByLabel('Machine, customer or component').fill('T090');
    await expect(page.getByTestId('choose all')).toContainText('Choose all 1 shown');
    await page.getByTestId('choose all').click();
    await page.getByTestId('accept chosen').click();
    await page.getByTestId('state accepted').click();
    await expect(page.getByTestId('decide work')).toContainText('T090');

    await page.goto('/parts');
    await page.getByTestId('all wanted').click();
    await expect(page.getByTestId('parts')).toContainText('T090, fan drive belt');
  });

  test('what is short is noted as ordered, comes, and is on the shelf then', async ({ page }) => {
    await openAs(page, 'rhea', '/parts');
    await page.getByTestId('choose short').click();
    await page.getByTestId('order chosen').click();
    await expect(page.getByTestId('parts')).toContainText('Nothing is short');
    const order = page.getByTestId('order LM-7712');
    await expect(order).toContainText('ordered 9 Jun by Rhea Aldane');
    await order.getByRole('button', { name: /It has come/ }).click();
    await expect(order).toContainText('came 9 Jun');
    await page.getByTestId('all wanted').click();
    await expect(page.getByRole('row').filter({ hasText: 'LM-7712' }).first()).toContainText(
      'all there or on its way',
    );
  });

  test('suppliers: figures are asked for in words; what was typed is kept', async ({ page }) => {
    await openAs(page, 'rhea', '/parts/catalogue');
    await page.getByTestId('change suppliers').click();
    await page.getByTestId('another supplier').click();
    await page.getByLabel('Supplier 4').fill('Mill Lane');
    await page.getByTestId('keep suppliers').click();
    await expect(page.getByRole('alert')).toContainText('Mill Lane: type working days in figures');
    await expect(page.getByLabel('Supplier 4')).toHaveValue('Mill Lane');
    await page.getByLabel('Working days').last().fill('3');
    await page.getByTestId('keep suppliers').click();
    await expect(page.getByTestId('suppliers')).toContainText('Mill Lane 3');
  });
});

test('what is loaded for a visit is one tap from its work', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await openYardAs(page, 'ines');
  await page.goto(await workOf(page, 'T118'));
  await page.getByTestId('van of visit').click();
  await expect(page.getByTestId('van visit T118')).toContainText('Fan drive belt: replace');
  await expect(page.getByTestId('load Parts')).toContainText('LM-5207');
  await expect(page.getByTestId('load Gauges')).toContainText('Caliper');
});
