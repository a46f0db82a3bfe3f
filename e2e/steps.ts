import { expect, type Locator, type Page } from '@playwright/test';

export const PHONE = { width: 390, height: 844 };
export const WIDE = { width: 1280, height: 800 };

const PASSWORD = 'before-harvest';

/** Signs in at the screen for it. */
export async function signIn(
  page: Page,
  name: string,
  password = PASSWORD,
  shows = 'yard',
): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Sign-in name').fill(name);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByTestId(shows)).toBeVisible();
}

/** Opens the app somewhere as somebody who is signed in already. */
export async function openAs(page: Page, name: string, path: string): Promise<void> {
  const answer = await page.request.post('/api/session', {
    data: { signIn: name, password: PASSWORD },
  });
  expect(answer.ok()).toBe(true);
  await page.goto(path);
}

/** Opens the Yard as somebody who is signed in already. */
export async function openYardAs(page: Page, name: string): Promise<void> {
  await openAs(page, name, '/');
  await expect(page.getByTestId('yard')).toBeVisible();
}

/** Waits until the app is kept on this device and the page goes by what is kept. */
export async function keptHere(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect
    .poll(() => page.evaluate(() => Boolean(navigator.serviceWorker.controller)))
    .toBe(true);
}

export async function openMachine(page: Page, serial: string): Promise<void> {
  await page.getByTestId(`machine ${serial}`).first().click();
  await expect(
    page.getByTestId('machine').getByRole('heading', { name: new RegExp(serial) }),
  ).toBeVisible();
}

/** A walk over everything there is to read, as long as it takes. */
export async function planEverything(page: Page): Promise<void> {
  const everything = page.getByRole('radio', { name: /^Everything/ });
  const others = page.getByTestId('other kinds');
  // on a wide screen all kinds stand there
  await expect(others.or(everything).first()).toBeVisible();
  if (!(await everything.isVisible())) await others.click();
  await everything.click();
  await page.getByTestId('to gate').click();
  await expect(page.getByTestId('gate')).toBeVisible();
}

/** Through the make-safe gate into a new walk; into the one that is open when there is one. */
export async function beginWalk(page: Page): Promise<void> {
  await page
    .getByTestId('machine')
    .getByRole('button', { name: /Start the walk|Walk again|Go on with the walk/ })
    .click();
  const gate = page.getByTestId('gate');
  const plan = page.getByTestId('plan walk');
  await expect(gate.or(plan).or(page.getByTestId('walk'))).toBeVisible();
  if (await plan.isVisible()) await planEverything(page);
  if (await gate.isVisible()) {
    await expect(page.getByRole('button', { name: 'Confirm all 5 first' })).toBeDisabled();
    for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
    await page.getByRole('button', { name: /Made safe/ }).click();
  }
  await expect(page.getByTestId('walk')).toBeVisible();
}

/** Opens one check from the walk's list, finding it by its id. */
export async function openStop(page: Page, id: string): Promise<void> {
  await page.getByLabel('Find a check').fill(id);
  await page.getByTestId(`stop ${id}`).click();
}

/** From a check back to the walk, then to another check. */
export async function toStop(page: Page, id: string): Promise<void> {
  await page.getByRole('link', { name: 'Back to the walk' }).click();
  await expect(page.getByTestId('walk')).toBeVisible();
  await openStop(page, id);
}

/**
 * Says how the settings that are moved for it were found and what was made safe, then that the
 * machine stands so.
 */
export async function confirmPosition(page: Page): Promise<void> {
  const asked = page.getByTestId('position').getByRole('radiogroup');
  await expect(page.getByTestId('confirm position')).toBeVisible();
  for (const choice of await asked.all()) await choice.getByRole('radio').last().click();
  for (const line of await page.getByTestId('position').getByRole('checkbox').all())
    await line.click();
  await page.getByTestId('confirm position').click();
  // kept on this device: what is read of the outbox from here on tells of it too
  await expect(page.getByTestId('confirm position')).toBeHidden();
}

/** Types into the pad and presses Enter, then waits until the entry moved on. */
export async function enter(page: Page, text: string): Promise<void> {
  await page.getByTestId('pad text').fill(text);
  await page.getByTestId('pad text').press('Enter');
}

export async function decision(page: Page, word: string): Promise<void> {
  await expect(page.getByTestId('decision')).toHaveText(word);
}

/** Reads a 12-row series of both sides: lengths, then the travel at each tightener. */
export async function readSeries(
  page: Page,
  length: (i: number) => string,
  travel: string,
  from = 0,
): Promise<void> {
  const places = Array.from(
    { length: 24 },
    (_, i) => `row ${Math.floor(i / 2) + 1} ${i % 2 ? 'right' : 'left'}`,
  );
  for (const [i, place] of places.entries()) {
    if (i < from) continue;
    await expect(page.getByTestId('series place')).toHaveText(place);
    await enter(page, length(i));
    const keep = page.getByRole('button', { name: 'Keep it' });
    await expect(
      keep
        .or(page.getByTestId('series place').filter({ hasNotText: new RegExp(`^${place}$`) }))
        .first(),
    ).toBeVisible();
    if (await keep.isVisible()) await keep.click();
  }
  for (const [i, place] of places.entries()) {
    await expect(page.getByTestId('series place')).toHaveText(`${place}, travel left`);
    if (i === 0) await enter(page, travel);
    else await page.getByTestId('key same').click();
  }
}

/** Both sides of the conveyor: at the mark, with so much slot left. */
export async function readConveyor(page: Page, left: string, right: string): Promise<void> {
  for (const side of ['left', 'right'])
    await page.getByTestId(`half ${side}`).getByRole('radio', { name: 'At it' }).click();
  await page.getByLabel('Slot left, mm, of 45 (left)').fill(left);
  await page.getByLabel('Slot left, mm, of 45 (right)').fill(right);
  await page.getByTestId('judge').click();
}

/** The elevator chain as it should be, with travel left. */
export async function readElevator(page: Page): Promise<void> {
  await confirmPosition(page);
  await page.getByRole('radio', { name: /Just slides/ }).click();
  await page.getByLabel(/Slot left/).fill('30');
  await page.getByTestId('judge').click();
  await decision(page, 'Holds');
}

/** Pastes as a spreadsheet does. */
export async function paste(page: Page, cell: Locator, text: string): Promise<void> {
  await cell.focus();
  await page.evaluate((block) => {
    const data = new DataTransfer();
    data.setData('text', block);
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, text);
}
