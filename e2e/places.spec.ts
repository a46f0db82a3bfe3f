import { expect, test, type Page } from '@playwright/test';
import axe from 'axe-core';
import { layoutFaults } from './layout';
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

/**
 * Every place, at three widths and in both themes: nothing lies over anything, nothing is cut off,
 * axe finds nothing.
 */
const TABLET = { width: 768, height: 1024 };
const WIDTHS = [PHONE, TABLET, WIDE];
const THEMES = ['daylight', 'shed'] as const;

interface Place {
  readonly name: string;
  readonly path: string;
  /** shown when the place is */
  readonly ready: string | RegExp;
}

const places = (measured: string, unwalked: string, technician: string): readonly Place[] => [
  { name: 'board', path: '/board', ready: /^(wall|days)$/ },
  { name: 'plan to print', path: '/board/print', ready: 'print plan' },
  { name: 'hours and map', path: '/settings/crew', ready: 'crew' },
  { name: 'forecasts', path: '/forecasts', ready: 'forecasts' },
  { name: 'breakdown', path: `/breakdown?machine=${measured}`, ready: 'breakdown' },
  { name: 'yard', path: '/', ready: 'machine T118' },
  { name: 'machine', path: `/machine/${measured}`, ready: 'what wears' },
  { name: 'walks', path: '/walk', ready: 'walk list' },
  { name: 'plan of a walk', path: `/walk/${unwalked}`, ready: 'to gate' },
  { name: 'gate', path: `/walk/${unwalked}?only=fan-drive-belt`, ready: 'gate' },
  {
    name: 'check before a walk',
    path: `/walk/${unwalked}/fan-drive-belt`,
    ready: 'outside a walk',
  },
  { name: 'walk', path: `/walk/${measured}`, ready: 'walk' },
  { name: 'end of a walk', path: `/walk/${measured}/end`, ready: 'walk end' },
  { name: 'measure', path: `/walk/${measured}/fan-drive-belt`, ready: 'pad text' },
  { name: 'series', path: `/walk/${measured}/gathering-chain`, ready: 'series place' },
  { name: 'verdict', path: `/walk/${measured}/chopper-knives`, ready: 'verdict' },
  { name: 'work of all', path: '/work', ready: 'work list' },
  { name: 'work of one', path: `/work/${measured}`, ready: 'dates' },
  { name: 'all work', path: '/work/decide', ready: 'decide work' },
  { name: 'parts', path: '/parts', ready: 'parts' },
  { name: 'catalogue', path: '/parts/catalogue', ready: 'parts catalogue' },
  { name: 'van list', path: `/van?technician=${technician}&on=2026-06-10`, ready: 'van list' },
  { name: 'due of all', path: '/due', ready: 'due list' },
  { name: 'due of one', path: `/due/${measured}`, ready: 'machine due' },
  { name: 'specs', path: '/specs', ready: 'specs' },
  { name: 'sheet', path: '/specs/Ouzel%207', ready: 'check list' },
  {
    name: 'check of a sheet',
    path: '/specs/Ouzel%207/conveyor-chain-tension',
    ready: 'spec check',
  },
  { name: 'limits', path: '/specs/Tarn%205/limits', ready: 'limit progress' },
  { name: 'checks as a table', path: '/specs/Tarn%205/table', ready: 'sheet table' },
  { name: 'compare', path: '/specs/Tarn%205/compare?with=Tarn%207', ready: 'compare summary' },
  { name: 'first day', path: '/first-day', ready: 'first day' },
  { name: 'lists', path: '/settings/books', ready: 'books' },
  { name: 'readings', path: '/readings', ready: 'download csv' },
  { name: 'more', path: '/more', ready: /^(more|you)$/ },
  { name: 'you', path: '/settings/you', ready: 'you' },
  { name: 'your tools', path: '/settings/tools', ready: 'own tools' },
  { name: 'look', path: '/settings/look', ready: 'look' },
  { name: 'device', path: '/settings/device', ready: 'device' },
  { name: 'safety', path: '/settings/safety', ready: 'safety' },
  { name: 'machines', path: '/settings/machines', ready: 'machines' },
  { name: 'costs', path: '/settings/costs', ready: 'costs' },
  { name: 'people', path: '/settings/people', ready: 'people' },
  { name: 'who changed what', path: '/settings/audit', ready: 'audit' },
  { name: 'bench', path: '/bench', ready: 'benches' },
  {
    name: 'chain bench',
    path: '/bench/chain?length=838&pitch=41.4&pitches=20&uncertainty=1',
    ready: 'bench drawing',
  },
  {
    name: 'take-up on the bench',
    path: `/bench/chain?show=takeUp&used=40&machine=${measured}&check=conveyor-chain-tension`,
    ready: 'bench drawing',
  },
  { name: 'knife bench', path: `/bench/knives?states=.m..1..2..d.n&${ROTOR}`, ready: 'knife map' },
  {
    name: 'belt note bench',
    path: '/bench/belt?show=note&note=42&mass=0.42&large=400&small=250&centre=900',
    ready: 'listen',
  },
  { name: 'drive bench', path: `/bench/drive?show=worn&${DRIVE}`, ready: 'bench drawing' },
  { name: 'photo bench', path: '/bench/photo', ready: 'photo bench' },
  { name: 'practice', path: '/practice', ready: 'practice' },
  { name: 'report', path: `/report/${measured}`, ready: 'report ready' },
  { name: 'season of a customer', path: '/report/season?customer=Harrow%20End', ready: 'season' },
  { name: 'labels', path: '/scan', ready: 'scan' },
  { name: 'hours of the fleet', path: '/settings/hours', ready: 'hours' },
  { name: 'tokens', path: '/settings/tokens', ready: 'tokens' },
  { name: 'insight', path: '/insight', ready: 'insight wear' },
  { name: 'insight of a class', path: '/insight/fan-drive-belt?by=model', ready: 'insight class' },
  { name: 'archive', path: '/settings/archive', ready: 'archive' },
  { name: 'formats', path: '/settings/formats', ready: 'formats' },
  { name: 'nowhere', path: '/nowhere', ready: 'nothing here' },
];

/** What stands on two of the benches, as their links hold it. */
const ROTOR =
  'rows=4&along=12&newMass=180&newHeight=60&leftHeight=52&radius=260&first=120&spacing=105&bearings=1400&mass=118&rpm=3100&set=4';
const DRIVE =
  'worn=36&gap=4&driverRpm=620&centre=760&beltLength=2350&beltWidth=38&groove=30&driverR0=95&drivenR0=60';

let visited: readonly Place[] = [];

test.beforeAll(
  'a walk is begun, so that every place has something to show',
  async ({ browser }) => {
    const page = await browser.newPage();
    await page.setViewportSize(PHONE);
    await openYardAs(page, 'maud');
    const { rows } = (await (await page.request.get('/api/yard')).json()) as {
      rows: { machine: { id: string; serial: string } }[];
    };
    const idOf = (serial: string) =>
      rows.find((r) => r.machine.serial === serial)?.machine.id ?? '';
    await openMachine(page, 'T118');
    // begun already when this runs once more, after a test that failed
    if (!(await page.getByRole('button', { name: /Go on with the walk/ }).isVisible())) {
      await beginWalk(page);
      await openStop(page, 'chopper-knives');
      await confirmPosition(page);
      await page.getByRole('button', { name: 'one more: Missing' }).click();
      await page.getByTestId('judge').click();
      await expect(page.getByTestId('decision')).toBeVisible();
      await expect(page.getByTestId('sync')).toContainText('all sent');
    }
    const { people } = (await (await page.request.get('/api/people')).json()) as {
      people: { id: string; signIn: string }[];
    };
    const ines = people.find((p) => p.signIn === 'ines')?.id ?? '';
    visited = places(idOf('T118'), idOf('T090'), ines);
    await page.close();
  },
);

/** In the other theme the colours alone are others: it is looked at as a phone and wide. */
const LOOKED_AT = { daylight: WIDTHS, shed: [WIDE, PHONE] } as const;

/** Places looked at in one test: one that fails names few. */
const AT_ONCE = 9;
const PARTS = Array.from({ length: Math.ceil(places('', '', '').length / AT_ONCE) }, (_, i) => i);

for (const part of PARTS)
  test(`every place is whole at three widths in both themes, part ${part + 1}`, async ({
    page,
  }) => {
    await page.setViewportSize(PHONE);
    const here = visited.slice(part * AT_ONCE, (part + 1) * AT_ONCE);
    // the first is loaded by its address, the others are gone to from there
    await openAs(page, 'maud', here[0]?.path ?? '/');
    await expect(page.getByTestId(here[0]?.ready ?? '').first()).toBeVisible();
    const wrong: string[] = [];
    // a place is loaded once: its screens follow the window, and the theme chosen in another tab
    for (const place of here) {
      await page.setViewportSize(PHONE);
      await goTo(page, place);
      for (const theme of THEMES) {
        await choose(page, theme);
        for (const viewport of LOOKED_AT[theme]) {
          await page.setViewportSize(viewport);
          await settled(page, place);
          const at = `${place.name} at ${viewport.width}, ${theme}`;
          wrong.push(...(await layoutFaults(page)).map((f) => `${at}: ${f}`));
          // each of the two shapes once by every rule, each theme once
          if (viewport !== (theme === 'daylight' ? WIDE : PHONE)) continue;
          wrong.push(...(await axeFaults(page)).map((f) => `${at}: ${f}`));
        }
      }
    }
    expect(wrong).toEqual([]);
  });

test('every place is the app at its address', async ({ request }) => {
  const app = await (await request.get('/')).text();
  expect(app).toContain('<script');
  for (const { path } of visited) {
    const answer = await request.get(path);
    expect([path, answer.status(), (await answer.text()) === app]).toEqual([path, 200, true]);
  }
});

/** Chooses a theme as another tab would. */
async function choose(page: Page, theme: (typeof THEMES)[number]): Promise<void> {
  await page.evaluate((newValue) => {
    localStorage.setItem('green-tally-theme', newValue);
    dispatchEvent(new StorageEvent('storage', { key: 'green-tally-theme', newValue }));
  }, theme as string);
  const paper = { daylight: 'rgb(247, 244, 235)', shed: 'rgb(19, 26, 23)' }[theme];
  await expect(page.locator('body')).toHaveCSS('background-color', paper);
}

/** What axe finds wrong: the rule, and the first of what breaks it. It is brought to a page once. */
async function axeFaults(page: Page): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(axe.source);
  return page.evaluate(async () => {
    const { axe: here } = globalThis as unknown as { axe: typeof axe };
    // one page, without frames; what is in order needs no words
    const { violations } = await here.run({
      resultTypes: ['violations'],
      iframes: false,
      preload: false,
      selectors: false,
    });
    return violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`);
  });
}

test('the looks for faults find one card over another, a word cut off, one past the side, one too pale', async ({
  page,
}) => {
  await page.setContent(`
    <div style="position:absolute;top:0;left:0;width:200px">first card</div>
    <div style="position:absolute;top:5px;left:20px;width:200px">second card</div>
    <div style="position:absolute;top:60px;width:40px;overflow:hidden;white-space:nowrap">much too long</div>
    <div style="position:absolute;top:90px;left:0;height:10px;overflow:hidden"><p style="margin:0">too low</p></div>
    <div style="position:absolute;top:150px;left:0"><p style="margin:0;color:#ddd;background:#fff">too pale</p></div>
    <div style="position:absolute;top:120px;left:100%;margin-left:-20px;white-space:nowrap">over the side</div>`);
  expect(await axeFaults(page)).toContain(
    'color-contrast: <p style="margin:0;color:#ddd;background:#fff">too pale</p>',
  );
  expect(await layoutFaults(page)).toEqual([
    'cut off: "much too long"',
    'cut off: "too low"',
    'past the window\'s side: "over the side"',
    '"first card" lies over "second card"',
    'the page scrolls sideways',
  ]);
});

/** The window was made wider: what was shown is shown again, in its wide form. */
async function settled(page: Page, { ready }: Place): Promise<void> {
  await drawn(page);
  await expect(page.getByTestId(ready).first()).toBeVisible();
  await nothingLoads(page);
}

/** Nothing stands for what is still to come, and what is there has been drawn. */
async function nothingLoads(page: Page): Promise<void> {
  await expect(page.locator('[role=status][aria-busy=true]')).toHaveCount(0);
  await drawn(page);
}

const drawn = (page: Page) =>
  page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
  );

/** Opens a place and brings a check that wants its position confirmed to its entry. */
async function goTo(page: Page, place: Place): Promise<void> {
  await page.evaluate((path) => {
    history.pushState(null, '', path);
    dispatchEvent(new PopStateEvent('popstate'));
  }, place.path);
  await drawn(page);
  const confirm = page.getByTestId('confirm position');
  const ready = page.getByTestId(place.ready).first();
  await expect(ready.or(confirm).first()).toBeVisible();
  if (await confirm.isVisible()) await confirmPosition(page);
  await expect(ready).toBeVisible();
  await nothingLoads(page);
}
