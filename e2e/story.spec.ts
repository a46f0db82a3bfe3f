import { expect, test, type Page } from '@playwright/test';
import type { VisitPage } from '@green-tally/core/contracts';
import {
  beginWalk,
  confirmPosition,
  decision,
  enter,
  openMachine,
  openStop,
  PHONE,
  readConveyor,
  readElevator,
  readSeries,
  signIn,
  toStop,
  WIDE,
} from './steps';

/** Everything one machine goes through before harvest. Each size walks a machine of its own. */
for (const [name, viewport, serial, late] of [
  ['phone', PHONE, 'T104', ['2026-08-03', 'Mon 3 Aug']],
  // nobody is at two machines on one half day
  ['wide', WIDE, 'T120', ['2026-08-10', 'Mon 10 Aug']],
] as const) {
  test.describe(`${name} ${viewport.width}×${viewport.height}`, () => {
    test.use({ viewport });

    test('a technician takes the five checks that matter most today, reloading in the middle', async ({
      page,
    }) => {
      await signIn(page, 'ines');
      await openMachine(page, serial);
      await beginWalk(page);
      await expect(page.getByTestId('walk')).toContainText('min of moving the machine');
      await openStop(page, 'gathering-chain');

      await test.step('gathering chains: a bad entry is kept and explained, a reload loses nothing', async () => {
        await confirmPosition(page);
        await enter(page, '420');
        await expect(page.getByTestId('series place')).toHaveText('row 1 right');
        await enter(page, '42o');
        await expect(page.getByTestId('pad trouble')).toContainText('At character 3');
        await expect(page.getByTestId('pad text')).toHaveValue('42o');
        await page.reload();
        await expect(page.getByTestId('series place')).toHaveText('row 1 right');
        await expect(page.getByTestId('pad text')).toHaveValue('42o');
        await expect(page.getByTestId('cell row 1 left')).toContainText('1.4 %');
        await readSeries(page, (i) => (i === 15 ? '425' : '420'), '22', 1);
        await decision(page, 'Replace');
        await expect(page.getByTestId('why')).toContainText(
          '2.66 % elongation (425 mm) is at or past the limit of 2.1 % (422.7 mm)',
        );
        await page.getByRole('button', { name: 'Add to work' }).click();
        await expect(page.getByRole('button', { name: 'In work' })).toBeVisible();
        await toStop(page, 'conveyor-chain-tension');
      });

      await test.step('feeder conveyor: false tension, shortened, and closed only as left', async () => {
        await confirmPosition(page);
        await readConveyor(page, '0', '0');
        await decision(page, 'Shorten');
        await expect(page.getByTestId('why')).toContainText('False tension');
        await page.getByTestId('put right').click();
        await expect(page.getByTestId('looked again')).toBeDisabled();
        for (const i of [0, 1]) await page.getByTestId(`settle ${i}`).click();
        await page.getByTestId('looked again').click();
        await readConveyor(page, '21', '20');
        await decision(page, 'Holds');
        await expect(page.getByTestId('verdict')).toContainText('As found: shorten');
        await toStop(page, 'elevator-chain');
      });

      await test.step('elevator chain by feel', async () => {
        await readElevator(page);
        await toStop(page, 'fan-drive-belt');
      });

      await test.step('fan belt: looks fine never passes it; inches are read; a new belt sends the elevator back into the walk', async () => {
        await confirmPosition(page);
        await page.getByTestId('key looks…').click();
        await page.getByRole('radio', { name: /It looks fine/ }).click();
        await decision(page, 'Remeasure');
        await page.getByTestId('measure again').click();
        await enter(page, '1 3/8 in');
        await decision(page, 'Replace');
        await expect(page.getByTestId('why')).toContainText(
          '34.92 mm is at or past the limit of 35 mm',
        );
        await page.getByTestId('put right').click();
        await enter(page, '38');
        await decision(page, 'Watch');
        await expect(page.getByTestId('verdict')).toContainText(
          'New: it stretches and settles first. Look again at',
        );
        await toStop(page, 'chopper-knives');
      });

      await test.step('chopper knives: a lost one with its mate', async () => {
        await confirmPosition(page);
        await page.getByRole('button', { name: 'one more: Missing' }).click();
        await page.getByTestId('judge').click();
        await decision(page, 'Replace');
        await expect(page.getByTestId('why')).toContainText(
          '1 missing of 48: renew 2, the 1 opposite mate',
        );
        await toStop(page, 'elevator-chain');
      });

      await test.step('the elevator chain is asked for again, then the walk is finished', async () => {
        await expect(
          page.getByText('Fan drive belt was worked on', { exact: false }),
        ).toBeVisible();
        await readElevator(page);
        await page.getByRole('link', { name: 'Back to the walk' }).click();
        await expect(page.getByTestId('walk')).toContainText(/Walk: 5 of 22[78]/);
        await page.getByRole('button', { name: 'Finish early: the rest stays due' }).click();
        await expect(page.getByTestId('decisions')).toContainText('2 replace');
        await expect(page.getByTestId('needs a hand')).toContainText('2.66 % elongation');
        await expect(page.getByTestId('put right in this walk')).toContainText('Feeder conveyor');
        await expect(page.getByTestId('not read, stays due')).toContainText('more');
        await page.getByTestId('finish walk').click();
        await expect(page.getByTestId('machine due')).toBeVisible();
        await expect(page.getByTestId('sync')).toContainText('all sent');
      });

      await test.step('what was opened is closed up, and what was worked on brings its task', async () => {
        const closing = page.getByTestId('closing');
        await expect(closing).toContainText('5 of 5 open');
        for (const id of ['shields', 'plugs', 'tools', 'settings', 'testRun'])
          await page.getByTestId(`tick ${id}`).click();
        await expect(closing).toContainText('all done');
        await expect(page.getByTestId('tasks')).toContainText(/3 of \d+ open/);
        await expect(page.getByTestId('tasks')).toContainText(
          'Put back as it was found: Conveyor drum: high',
        );
      });

      await test.step('five of 227 read is not ready: the machine says what is missing', async () => {
        await page.getByRole('button', { name: 'The machine' }).click();
        const missing = page.getByTestId('not ready');
        await expect(missing).toContainText(/1\.Read \d+ check/);
        await expect(missing).toContainText('Tick 3 tasks');
        await expect(page.getByTestId('ready')).toBeHidden();
      });
    });

    test('the planner accepts the work and sets a visit; the slack follows', async ({ page }) => {
      await signIn(page, 'rhea');
      const slack = async () => Number(await page.getByTestId(`slack ${serial}`).innerText());
      await freeDays(page);
      await openMachine(page, serial);
      await page.getByTestId('machine').getByRole('button', { name: /^Work/ }).click();
      await page
        .getByTestId('proposed')
        .getByRole('button', { name: /Accept/ })
        .last()
        .click();
      await expect(page.getByTestId('proposed')).toBeHidden();
      await expect(page.getByTestId('must start')).toContainText('Must start by');
      await setVisit(page, '2026-06-15');
      await page.goto('/');
      await expect(page.getByTestId(`machine ${serial}`)).toContainText(
        'visit Mon 15 Jun, Ines Marrow',
      );
      const early = await slack();
      await page.goBack();
      await setVisit(page, '2026-06-17');
      await page.goto('/');
      await expect(page.getByTestId(`machine ${serial}`)).toContainText(
        'visit Wed 17 Jun, Ines Marrow',
      );
      expect(await slack()).toBe(early - 2);
      await page.goBack();
      await setVisit(page, late[0]);
      await expect(page.getByTestId('visit end')).toContainText('It will be late');
      await page.goto('/');
      await expect(page.getByTestId(`machine ${serial}`)).toContainText(`Late: visit ${late[1]}`);
      await expect(page.getByTestId(`machine ${serial}`)).toContainText('too late');
    });
  });
}

/** Takes off the board what was planned for Ines Marrow before: nobody is at two machines on one half day. */
async function freeDays(page: Page): Promise<void> {
  const { visits } = (await (
    await page.request.get('/api/visits?from=2026-06-15&limit=500')
  ).json()) as VisitPage;
  for (const { visit } of visits)
    if (visit.startsOn <= '2026-06-19' && [visit.technician, visit.mate].includes('Ines Marrow'))
      expect((await page.request.delete(`/api/visits/${visit.id}`)).ok()).toBe(true);
}

async function setVisit(page: Page, day: string): Promise<void> {
  const visit = page.getByTestId('visit');
  await visit.getByRole('radio', { name: 'Ines Marrow' }).click();
  await visit.getByLabel('Starts on (year-month-day)').fill(day);
  const stored = page.waitForResponse(
    (r) => r.url().includes('/api/visits/') && r.request().method() === 'PUT',
  );
  await visit.getByTestId('set visit').click();
  expect((await stored).status()).toBe(200);
  await expect(visit.getByRole('heading', { name: 'Visit planned' })).toBeVisible();
}
