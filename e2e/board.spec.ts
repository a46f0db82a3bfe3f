import { expect, test, type Page } from '@playwright/test';
import { openYardAs, PHONE, WIDE } from './steps';

/** From accepted work to a published plan; my day on the phone. */

const openBoard = async (page: Page, who: string): Promise<void> => {
  await openYardAs(page, who);
  await page.getByRole('link', { name: 'Board', exact: true }).click();
  await expect(page.getByTestId('wall')).toBeVisible();
};
const publish = async (page: Page, why: string): Promise<void> => {
  await page.getByTestId('part changes').click();
  await page.getByLabel('Why').fill(why);
  await page.getByTestId('publish').click();
  await expect(page.getByTestId('plan now')).toContainText(why);
};
/** The middle of a technician's column, at a day's morning. */
const cell = async (page: Page, technician: string, day: string) => {
  const column = await page.getByTestId(`column ${technician}`).boundingBox();
  const row = await page.getByTestId(`row ${day}`).boundingBox();
  if (!column || !row) throw new Error(`${technician} on ${day} is not there`);
  return { x: column.x + column.width / 2, y: row.y + 14 };
};

/** Takes something with the mouse and holds it over a technician's morning. */
const dragTo = async (page: Page, testId: string, technician: string, day: string) => {
  // what is held near an edge makes the wall scroll: that is another test's
  await page.getByTestId(`row ${day}`).evaluate((row) => row.scrollIntoView({ block: 'center' }));
  const to = await cell(page, technician, day);
  const from = await page.getByTestId(testId).boundingBox();
  if (!from) throw new Error(`${testId} is not there`);
  const grip = Math.min(14, from.height / 2);
  await page.mouse.move(from.x + 30, from.y + grip);
  await page.mouse.down();
  await page.mouse.move(from.x + 42, from.y + 24, { steps: 3 });
  await page.mouse.move(to.x, to.y, { steps: 10 });
};
test.describe('at a desk', () => {
  test.use({ viewport: WIDE });

  test('work is dragged onto the board, what is in its way is said, and the plan is published', async ({
    page,
  }) => {
    await openBoard(page, 'rhea');
    await expect(page.getByTestId('likely')).toContainText(
      'accepted work in time with at least 95 %',
    );
    // held over a course it says so, and goes on to the day after it
    await dragTo(page, 'waiting T095', 'Tobin Vale', '2026-06-16');
    await expect(page.getByTestId('held')).toContainText('Tobin Vale does not work then');
    await page.keyboard.press('Escape');
    await page.mouse.up();
    await expect(page.getByTestId('part changes')).toHaveText('Changes 0');

    await dragTo(page, 'waiting T095', 'Ines Marrow', '2026-06-10');
    await expect(page.getByTestId('held')).toContainText('Wed 10 Jun, morning: Ines Marrow');
    await expect(page.getByTestId('held')).toContainText('Nothing is in the way.');
    await page.mouse.up();
    await expect(page.getByTestId('visit stands')).toContainText(
      'Wed 10 Jun, morning: Ines Marrow',
    );
    await expect(page.getByTestId('part changes')).toHaveText('Changes 1');
    // what was moved is here still after a reload, and nobody else has seen it
    await page.reload();
    await expect(page.getByTestId('part changes')).toHaveText('Changes 1');
    await publish(page, 'T095 first');
    await expect(page.getByTestId('part changes')).toHaveText('Changes 0');
    await page.getByTestId('part plans').click();
    await page
      .getByRole('button', { name: /^Plan \d+: what it changed/ })
      .first()
      .click();
    await expect(page.getByText(/T095: Wed 10 Jun, morning: Ines Marrow/)).toBeVisible();
  });

  test('two on one half day cannot be published; drawn longer it says what it runs into', async ({
    page,
  }) => {
    await openBoard(page, 'rhea');
    await dragTo(page, 'visit B027', 'Bram Tolley', '2026-06-17');
    await expect(page.getByTestId('held')).toContainText('Bram Tolley is at B046');
    await page.mouse.up();
    await page.getByTestId('part changes').click();
    await expect(page.getByTestId('hard')).toContainText('Bram Tolley is at B046 on Wed 17 Jun');
    await page.getByLabel('Why').fill('it must');
    await expect(page.getByTestId('publish')).toBeDisabled();
    await page.getByTestId('drop changes').click();
    await expect(page.getByTestId('part changes')).toHaveText('Changes 0');

    await dragTo(page, 'edge B046', 'Bram Tolley', '2026-06-18');
    await expect(page.getByTestId('held')).toContainText('Bram Tolley is at B027');
    await page.keyboard.press('Escape');
    await page.mouse.up();
  });

  test('by keys alone: a visit is moved, pinned, and the plan published', async ({ page }) => {
    await openBoard(page, 'rhea');
    await page.getByTestId('visit B027').focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByTestId('visit stands')).toContainText('Thu 18 Jun, after noon');
    await page.keyboard.press('ArrowDown');
    await expect(page.getByTestId('visit stands')).toContainText('Mon 22 Jun, morning');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('p');
    await expect(page.getByTestId('visit B027')).toContainText('pinned');
    await page.getByTestId('part changes').focus();
    await page.keyboard.press('Enter');
    await page.getByLabel('Why').focus();
    await page.keyboard.type('after noon suits them');
    await page.getByTestId('publish').focus();
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('plan now')).toContainText('after noon suits them');
  });

  test('the rest is planned when it is asked for, shown, and taken over or dropped', async ({
    page,
  }) => {
    await openBoard(page, 'rhea');
    await page.getByTestId('part search').click();
    await page.getByRole('radio', { name: '2 s' }).click();
    await page.getByTestId('plan the rest').click();
    await expect(page.getByTestId('search')).toContainText('A plan was found');
    await expect(page.getByTestId('gap')).toContainText('no plan is');
    await expect(page.getByTestId('moves')).toContainText(/would be put or moved/);
    await page.getByTestId('take plan').click();
    await expect(page.getByTestId('part waiting')).toHaveText('Not planned 0');
    await publish(page, 'the rest as found');
    await expect(page.getByTestId('likely')).toContainText('8 of 8 machines');
  });

  test('what if harvest comes early: which are late then, and what would save them', async ({
    page,
  }) => {
    await openBoard(page, 'rhea');
    await page.getByTestId('part whatIf').click();
    await page.getByLabel('Days').fill('18');
    await page.getByTestId('ask this').click();
    await page.getByTestId('what then').click();
    await expect(page.getByTestId('what if')).toContainText('As published');
    await expect(page.getByTestId('what if')).toContainText(/Late then|No visit would be late/);
    await expect(page.getByTestId('part changes')).toHaveText('Changes 0');
  });

  test('two planners: the second is told, keeps what was moved, and publishes on the new plan', async ({
    page,
    browser,
  }) => {
    await openBoard(page, 'rhea');
    await page.getByTestId('visit B044').click();
    await page.getByTestId('pin').click();
    await expect(page.getByTestId('part changes')).toHaveText('Changes 1');
    const other = await browser.newPage({ viewport: WIDE });
    await openBoard(other, 'maud');
    await other.getByTestId('visit B046').click();
    await other.getByTestId('pin').click();
    await publish(other, 'B046 stays there');
    await other.close();
    await expect(page.getByTestId('older plan')).toContainText('Maud Ellery: B046 stays there');
    await expect(page.getByTestId('part changes')).toHaveText('Changes 1');
    await page.getByRole('button', { name: 'They go on this plan' }).click();
    await publish(page, 'B044 stays too');
  });

  test('hours in words are asked for in figures; a calendar is handed out and taken back', async ({
    page,
  }) => {
    await openBoard(page, 'rhea');
    await page.getByRole('link', { name: /What the branch plans by/ }).click();
    await page.getByLabel('Branch, km east').fill('by the mill');
    await page.getByTestId('keep setting').click();
    await expect(
      page.getByText(/Branch, km east: a number in figures, not “by the mill”/),
    ).toBeVisible();
    await expect(page.getByLabel('Branch, km east')).toHaveValue('by the mill');
    await page.getByTestId('make feed').click();
    const address = await page.getByTestId('feed address').first().textContent();
    const text = await (await page.request.get(address ?? '')).text();
    expect(text).toContain('BEGIN:VCALENDAR');
    await page.getByTestId('revoke feed').first().click();
    await expect(page.getByTestId('feed address')).toHaveCount(0);
    expect((await page.request.get(address ?? '')).status()).toBe(404);
  });
});

test.describe('on a phone', () => {
  test.use({ viewport: PHONE, serviceWorkers: 'allow' });

  test('my day: begun without signal, sent when it is back, finished', async ({
    page,
    context,
  }) => {
    // a visit of today, put by a planner
    const planner = await context.browser()?.newPage({ viewport: WIDE });
    if (!planner) throw new Error('no second page');
    await openBoard(planner, 'rhea');
    await planner.getByTestId('visit B019').click();
    await planner.getByRole('radio', { name: 'Ines Marrow' }).click();
    while (!(await planner.getByTestId('visit stands').textContent())?.includes('Tue 9 Jun'))
      await planner.getByTestId('earlier').click();
    await publish(planner, 'at once');
    await planner.close();

    await openYardAs(page, 'ines');
    await page.getByRole('link', { name: 'Work', exact: true }).click();
    await page.getByTestId('to board').click();
    const card = page.getByTestId('visit B019');
    await expect(page.getByTestId('day 2026-06-09')).toContainText('Today');
    await context.setOffline(true);
    await card.getByTestId('start visit').click();
    await expect(card.getByTestId('visit clock')).toContainText('Begun 9 Jun');
    await expect(page.getByTestId('sync')).not.toContainText('all sent');
    await context.setOffline(false);
    await expect(page.getByTestId('sync')).toContainText('all sent');
    await card.getByTestId('stop visit').click();
    await expect(card.getByTestId('visit clock')).toContainText('laid down');
    await card.getByTestId('stop visit').click();
    await expect(card.getByTestId('visit clock')).not.toContainText('laid down');
    await card.getByTestId('finish visit').click();
    await expect(card.getByTestId('visit clock')).toContainText('finished');
    await page.getByTestId('van of 2026-06-09').click();
    await expect(page.getByTestId('van list')).toContainText('B019');
  });
});
