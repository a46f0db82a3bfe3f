import { expect, test, type Page } from '@playwright/test';
import { layoutFaults } from './layout';
import {
  confirmPosition,
  decision,
  enter,
  openAs,
  openMachine,
  openYardAs,
  PHONE,
  planEverything,
  WIDE,
} from './steps';

/** Without a mouse, and without eyes. */
test.describe('by keyboard alone', () => {
  test.use({ viewport: WIDE });

  test('from signing in to a verdict', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByLabel('Sign-in name')).toBeVisible();
    await tabTo(page, 'Sign-in name');
    await page.keyboard.type('ines');
    await tabTo(page, 'Password');
    await page.keyboard.type('before-harvest');
    await tabTo(page, 'Sign in');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('yard')).toBeVisible();

    await tabTo(page, 'Find a machine');
    await page.keyboard.type('T126');
    await tabTo(page, /^Ouzel 7 · T126/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: /T126/, level: 1 })).toBeVisible();
    await tabTo(page, /^(Start the walk|Walk again)/);
    await page.keyboard.press('Enter');

    await expect(page.getByTestId('plan walk')).toBeVisible();
    await tabTo(page, /^Make safe next: \d+ checks/);
    await page.keyboard.press('Enter');

    await expect(page.getByTestId('gate')).toBeVisible();
    for (let i = 0; i < 5; i += 1) {
      await tabTo(page, await page.getByTestId(`gate ${i}`).getAttribute('aria-label'));
      await page.keyboard.press('Space');
      await expect(page.getByTestId(`gate ${i}`)).toBeChecked();
    }
    await tabTo(page, /^Made safe/);
    await page.keyboard.press('Enter');

    await expect(page.getByTestId('walk')).toBeVisible();
    await tabTo(page, 'Find a check');
    await page.keyboard.type('fan-drive-belt');
    await tabTo(page, /^Fan drive belt/);
    await page.keyboard.press('Enter');
    await tabTo(page, /^Said before it is turned/);
    await page.keyboard.press('Space');
    await tabTo(page, 'It stands like this');
    await page.keyboard.press('Enter');

    await expect(page.getByTestId('pad text')).toBeVisible();
    await padIsNamed(page);
    await tabTo(page, /in mm$/);
    await page.keyboard.type('34.2');
    await page.keyboard.press('Enter');
    await decision(page, 'Replace');
  });
});

test.describe('as it is read out', () => {
  test.use({ viewport: PHONE });

  test('the gate: each line a checkbox with its whole sentence, told when it is on', async ({
    page,
  }) => {
    await openYardAs(page, 'ines');
    await openMachine(page, 'B019');
    await page
      .getByTestId('machine')
      .getByRole('button', { name: /Start the walk|Walk again/ })
      .click();
    await planEverything(page);
    const lines = page.getByTestId('gate').getByRole('checkbox');
    await expect(lines).toHaveCount(5);
    for (const line of await lines.all()) {
      expect((await line.getAttribute('aria-label'))?.length).toBeGreaterThan(10);
      await expect(line).not.toBeChecked();
      await line.press('Space');
      await expect(line).toBeChecked();
    }
    await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
  });

  test('the strip and the glyph say what they show', async ({ page }) => {
    await openYardAs(page, 'ines');
    await openMachine(page, 'T118');
    const strip = page.getByRole('img', {
      name: /^.+: \d+ % of the way to the limit, \d+ readings?(; at harvest's end about .*)?\.$/,
    });
    await expect(strip.first()).toBeVisible();
    await expect(page.getByRole('img', { name: 'Replace', exact: true }).first()).toBeVisible();
    await expect(page.getByRole('button', { name: /^Station 9, .*: Replace$/ })).toBeVisible();
  });

  test('where one has come is said: the title changes and the screen takes the focus', async ({
    page,
  }) => {
    await openYardAs(page, 'ines');
    await expect(page).toHaveTitle('Yard · Green Tally');
    await openMachine(page, 'T118');
    await expect(page).toHaveTitle(/T118.* · Green Tally/);
    await expect
      .poll(() =>
        page.evaluate(() => document.activeElement?.contains(document.querySelector('h1'))),
      )
      .toBe(true);
    const sideways = page.getByRole('radiogroup').first();
    await page.goto('/settings/look');
    await sideways.getByRole('radio', { name: /Daylight/ }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(sideways.getByRole('radio', { name: /Shed/ })).toBeChecked();
    await page.keyboard.press('ArrowLeft');
    await expect(sideways.getByRole('radio', { name: /Daylight/ })).toBeChecked();
  });
});

/** The pad and its keys say what they are; what is wrong with the entry is read out with its field. */
async function padIsNamed(page: Page): Promise<void> {
  const pad = page.getByTestId('pad text');
  await expect(pad).toHaveAccessibleName(/, in mm$/);
  for (const key of ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'])
    await expect(page.getByRole('button', { name: key, exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'decimal point' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'delete' })).toBeVisible();
  await pad.fill('wide');
  await pad.press('Enter');
  await expect(pad).toHaveAttribute('aria-invalid', 'true');
  await expect(pad).toHaveAccessibleDescription(/this is not a number/);
  await expect(page.getByRole('alert')).toContainText('this is not a number');
  await pad.fill('');
}

/** Presses Tab until the control of a name has the focus; fails when it is not reached. */
async function tabTo(page: Page, name: string | RegExp | null): Promise<void> {
  const wanted = name instanceof RegExp ? name : new RegExp(`^${escapeText(name ?? '')}$`);
  const met: string[] = [];
  for (let i = 0; i < 200; i += 1) {
    await page.keyboard.press('Tab');
    const at = await page.evaluate(() => {
      const e = document.activeElement === document.body ? null : document.activeElement;
      const own = e && 'labels' in e ? (e.labels as NodeListOf<HTMLLabelElement> | null) : null;
      return e?.getAttribute('aria-label') ?? own?.[0]?.textContent ?? e?.textContent ?? '';
    });
    if (wanted.test(at.trim())) return;
    met.push(at.trim().slice(0, 40));
  }
  throw new Error(`${String(name)} is not reached by Tab; met ${met.join(' | ')}`);
}

const escapeText = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Whatever is tapped on the walk is 56 px high, for a thumb in a glove. */
const lowTargets = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll(
        'button, a, input, textarea, [role=button], [role=radio], [role=checkbox], [role=link]',
      ),
    ].flatMap((e) => {
      const { height, width } = e.getBoundingClientRect();
      const said = e.getAttribute('aria-label') ?? e.textContent ?? '';
      // a field's frame is what is tapped
      const frame = e instanceof HTMLInputElement ? e.parentElement?.parentElement : e;
      const high = frame?.getBoundingClientRect().height ?? height;
      return height && width && high < 55.5 ? [`${said.slice(0, 50)}: ${Math.round(high)}`] : [];
    }),
  );

test('in gloves, with the left thumb, with large letters', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await openAs(page, 'sana', '/settings/look');
  await page.getByRole('radio', { name: 'Left' }).click();
  await page.goto('/');
  await openMachine(page, 'B022');
  const wrong: string[] = [];
  const look = async (what: string) => {
    wrong.push(...(await lowTargets(page)).map((t) => `${what}: ${t}`));
    // letters twice as large, as a browser makes them
    await page.evaluate(() => {
      for (const e of document.querySelectorAll<HTMLElement>('[dir=auto], input, textarea')) {
        const { fontSize, lineHeight } = getComputedStyle(e);
        e.style.fontSize = `${2 * parseFloat(fontSize)}px`;
        if (lineHeight !== 'normal') e.style.lineHeight = `${2 * parseFloat(lineHeight)}px`;
      }
    });
    wrong.push(...(await layoutFaults(page)).map((f) => `${what} at 200 %: ${f}`));
  };
  await page
    .getByTestId('machine')
    .getByRole('button', { name: /Start the walk|Walk again|Go on/ })
    .click();
  await expect(page.getByTestId('plan walk')).toBeVisible();
  await look('plan');
  await page.reload();
  await planEverything(page);
  await look('gate');
  await page.reload();
  await planEverything(page);
  for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
  await page.getByRole('button', { name: /Made safe/ }).click();
  await expect(page.getByTestId('walk')).toBeVisible();
  const walk = page.url();
  await look('walk');
  await page.goto(`${walk}/fan-drive-belt`);
  await expect(page.getByTestId('confirm position')).toBeVisible();
  await look('position');
  await page.reload();
  await confirmPosition(page);
  await expect(page.getByTestId('pad text')).toBeVisible();
  const x = async (key: string) => (await page.getByTestId(`key ${key}`).boundingBox())?.x ?? 0;
  expect(await x('tool')).toBeLessThan(await x('1'));
  expect(await x('1')).toBeLessThan(await x('2'));
  await look('pad');
  await page.reload();
  await page.getByTestId('key inch').click();
  await expect(page.getByTestId('key 1/32')).toBeVisible();
  await look('pad in inches');
  await page.getByTestId('key mm').click();
  await page.reload();
  await enter(page, '31.5');
  await expect(page.getByTestId('decision')).toBeVisible();
  await look('verdict');
  await page.goto(`${walk}/end`);
  await expect(page.getByTestId('walk end')).toBeVisible();
  await look('end');
  expect(wrong).toEqual([]);
});

test('the keys are listed by ?, and put away by it', async ({ page }) => {
  await page.setViewportSize(WIDE);
  await openYardAs(page, 'sana');
  await openMachine(page, 'B022');
  await page.getByTestId('machine').getByRole('button', { name: /Go on/ }).click();
  await expect(page.getByTestId('walk')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByTestId('keys')).toContainText('find a check');
  await page.keyboard.press('?');
  await expect(page.getByTestId('keys')).toHaveCount(0);
  await page.keyboard.press('/');
  await expect(page.getByLabel('Find a check')).toBeFocused();
});
