import { expect, test, type Page } from '@playwright/test';
import { keptHere, openAs, openYardAs, PHONE } from './steps';

/** A machine to learn on, through the screens. */
test.use({ viewport: PHONE, serviceWorkers: 'allow' });

const CASE = '4711.rotary.sly.2.6';
const NONE = `${CASE}.none`;

async function begin(page: Page, text: string): Promise<void> {
  await page.goto(`/practice?case=${text}`);
  await page.getByTestId('begin linked').click();
  await expect(page.getByTestId('practice walk')).toBeVisible();
}

/** Opens a check and says or brings the machine where it is wanted. */
async function openCheck(page: Page, id: string, truly: boolean): Promise<void> {
  await page.getByTestId(`practice ${id}`).click();
  const to = page.getByTestId(truly ? 'set machine' : 'say stood');
  await expect(page.getByTestId('practice position')).toBeVisible();
  if (await to.isVisible()) await to.click();
}

/** The figure a tool shows at a place, mm. */
async function shown(page: Page, place: string): Promise<string> {
  await page.getByTestId(`sight ${place}`).click();
  const text = (await page.getByTestId(`seen ${place}`).textContent()) ?? '';
  return /: ([\d.]+) mm/.exec(text)?.[1] ?? text;
}

async function decide(page: Page, choice: string): Promise<void> {
  await page.getByRole('radio', { name: choice, exact: true }).click();
  await page.getByTestId('practice next').click();
}

test('a belt that looks fine, one strand only, a slot used up: told, with what they cost; over a reload', async ({
  page,
}) => {
  test.slow();
  await openYardAs(page, 'ines');
  await begin(page, `${CASE}.slotRunOut-looksFine-oneSide`);

  // the belt is measured with a caliper, set and all: replace
  await openCheck(page, 'belt', true);
  await page.getByRole('radio', { name: /Caliper/ }).click();
  await page.getByTestId('pad text').fill(await shown(page, 'belt'));
  await page.getByTestId('judge').click();
  await expect(page.getByTestId('decision')).toContainText('Replace');
  await decide(page, 'Replace');

  // one strand is read and believed
  await openCheck(page, 'pair', true);
  await page.getByTestId('pad text').fill(await shown(page, 'left strand'));
  await page.getByTestId('key next').click();
  await page.getByRole('button', { name: 'See the verdict' }).click();
  await decide(page, 'Leave it');

  // the indicator stands right, and the slot is not looked at for what it says
  await openCheck(page, 'tension', true);
  for (const side of ['left', 'right']) {
    const seen = await shown(page, side);
    const left = /; (\d+) mm of the slot/.exec(seen)?.[1] ?? '';
    expect(seen).toContain('level with the end');
    const half = page.getByTestId(`half ${side}`);
    await half.getByRole('radio', { name: /^At/ }).click();
    await half.getByRole('textbox').last().fill(left);
  }
  await page.getByTestId('judge').click();
  await expect(page.getByTestId('decision')).not.toContainText('Holds');
  await decide(page, 'Leave it');
  await page.reload();
  await expect(page.getByTestId('practice tension')).toContainText('you: leave it');

  await page.getByTestId('to plan').click();
  await page.getByTestId('job belt').getByRole('radio', { name: 'Day 1' }).click();
  await page.getByTestId('practice done').click();
  await expect(page.getByTestId('debrief')).toBeVisible();
  await expect(page.getByTestId('trap oneSide')).toContainText('Both have to be measured');
  await expect(page.getByTestId('trap slotRunOut')).toContainText('slot left would have told');
  await expect(page.getByTestId('trap looksFine')).toBeHidden();
  await expect(page.getByTestId('missed tension')).toContainText(/crowns/);
  const score = Number(
    /(\d+) of 100/.exec((await page.getByTestId('score').textContent()) ?? '')?.[1],
  );
  expect(score).toBeGreaterThan(0);
  expect(score).toBeLessThan(70);
  await page.getByTestId('another').click();
  await expect(page.getByTestId('scores')).toContainText(`best ${score} of 100`);
});

test('without signal it goes on; nothing of it is sent, nothing stands on a machine', async ({
  page,
  context,
}) => {
  await openYardAs(page, 'ines');
  await keptHere(page);
  await begin(page, NONE);
  await context.setOffline(true);
  await page.reload();
  await openCheck(page, 'belt', false);
  await page.getByTestId('pad text').fill(await shown(page, 'belt'));
  await page.getByTestId('judge').click();
  await expect(page.getByTestId('verdict')).toBeVisible();
  await decide(page, 'Leave it');
  await context.setOffline(false);
  const readings = await page.request.get('/api/readings?limit=500');
  expect(await readings.text()).not.toContain('Practice machine');
});

test('a trainer’s case goes by link, with the traps chosen; a link that is none says so', async ({
  page,
}) => {
  await openAs(page, 'maud', '/practice');
  await page.getByRole('radio', { name: 'Row-crop head' }).click();
  await page.getByTestId('own traps').click();
  await page.getByText('Hangs wrong').click();
  await page.getByTestId('share case').click();
  const link = (await page.getByTestId('case link').textContent()) ?? '';
  expect(link).toMatch(/case=\d+\.rowCrop\.first\.2\.4\.wrongPosition$/);
  await page.goto(link);
  await page.getByTestId('begin linked').click();
  await expect(page.getByRole('heading', { name: 'Practice: row-crop head' })).toBeVisible();
  // as it hangs the gap looks right, and leaving it is told
  await openCheck(page, 'gap', false);
  await page.getByTestId('pad text').fill(await shown(page, 'narrowest'));
  await page.getByTestId('judge').click();
  await expect(page.getByTestId('decision')).toContainText('Holds');
  await decide(page, 'Leave it');
  await page.getByTestId('to plan').click();
  await page.getByTestId('practice done').click();
  await expect(page.getByTestId('trap wrongPosition')).toContainText('Setting the machine first');
  await page.goto('/practice?case=4711.tank.sly');
  await expect(page.getByText('This link holds no case')).toBeVisible();
});
