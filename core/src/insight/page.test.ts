import { ClassPage, InsightPage } from '../contracts/insight';
import { seasonFile } from '../testing/season';
import { reading, shortSheet, WALK_ID } from '../testing/sheet';
import { width } from '../testing/values';
import {
  choicesOf,
  classPage,
  classWear,
  foundPerHour,
  insightPage,
  ratesByMachine,
  scoreOf,
  survivalOf,
  taughtOf,
  walksOf,
  walkYields,
  type InsightMember,
  type WalkYield,
} from './index';

const walk = (id: string, change: Partial<WalkYield> = {}): WalkYield => ({
  ...{ id: `0197a000-0000-7000-8000-${id.padStart(12, '0')}`, kind: 'winter', day: '2026-01-10' },
  ...{ minutes: 60, read: 20, found: 4 },
  ...change,
});

let made = 0;
/** A machine of a crop, whose fan belt wears at a rate. */
const member = (
  crop: string,
  slope: number,
  change: Partial<InsightMember> = {},
): InsightMember => {
  made += 1;
  const id = `0197a000-0000-7000-8000-${String(made).padStart(12, '0')}`;
  const place = { checkId: 'fan-drive-belt', place: 'belt' };
  return {
    machine: {
      ...{ id, serial: `M${made}`, model: 'Ouzel 7', crop, customer: 'Harrow End' },
      ...{ branch: 'Upper Larkmoor', hours: 1200 },
    },
    slopes: [{ key: 'belt', ...place, slope, se: 0.00005 }],
    parts: [
      { key: 'belt', ...place, from: 100, to: 700, worn: 0.9 },
      { key: 'belt', ...place, from: 700, to: null, worn: 0.4 },
    ],
    hands: { belt: { looks: 4, hands: 1 } },
    jobs: [{ kind: 'belt replace', ratio: 1.2 }],
    stops: [],
    walks: [walk(String(made))],
    forecasts: [
      {
        ...{ checkId: 'fan-drive-belt', place: 'belt', kind: 'belt', season: '2025-06-20' },
        ...{ chance: 0.3, happened: false, by: 'reading' as const },
      },
    ],
    ...change,
  };
};
const maize = Array.from({ length: 8 }, (_, i) => member('maize', 0.0016 + 0.00002 * i));
const wheat = Array.from({ length: 8 }, (_, i) => member('wheat', 0.001 + 0.00002 * i));
const stopped = member('wheat', 0.00101, {
  stops: [{ id: walk('99').id, key: 'belt', hoursLost: 3.5 }],
  slopes: [
    { key: 'belt', checkId: 'fan-drive-belt', place: 'belt', slope: 0.00101, se: 0.00005 },
    { key: 'belt travel', checkId: 'fan-drive-belt', place: 'belt', slope: 0.0002, se: 0.00005 },
  ],
  walks: [walk('7', { kind: 'beforeHarvest', found: 9 })],
});
const all = [...maize, ...wheat, stopped];

describe('what wears out where', () => {
  const choices = choicesOf(all.map((m) => m.machine));
  const page = insightPage(all, { of: {}, learntOn: '2026-06-09', choices });
  const [belt] = page.classes;

  test('the page is what its contract says, and a class is what its parts come to', () => {
    expect(InsightPage.parse(page)).toEqual(page);
    expect(page).toMatchObject({ machines: 17, learntOn: '2026-06-09' });
    const { each: _, ...wear } = classWear(
      ratesByMachine(
        all.map(({ machine, slopes: [s] }) => ({
          machine: machine.id,
          slope: s?.slope ?? 0,
          se: s?.se ?? 1,
        })),
      ),
    );
    expect(belt?.wear).toEqual(wear);
    const { median, low, high } = survivalOf(
      all.flatMap(() => [
        { hours: 600, ended: true },
        { hours: 500, ended: false },
      ]),
    );
    expect(belt?.life).toMatchObject({ lives: 34, ended: 17, median, low, high });
    expect(belt?.life?.worn).toBeCloseTo(0.9, 9);
    expect(belt).toMatchObject({
      ...{ key: 'belt', looks: 68, hands: 17, stops: 1, hoursLost: 3.5 },
      forecast: { n: 17, happened: 0 },
      minutes: { jobs: 17, value: expect.closeTo(1.2, 6) },
      travel: { lives: 1 },
      drift: null,
    });
  });
  test('the crop stands out, both ways, and nothing else does', () => {
    expect(page.standsOut.map((s) => [s.dimension, s.group.group]).sort()).toEqual([
      ['crop', 'maize'],
      ['crop', 'wheat'],
    ]);
    const fast = page.standsOut.find((s) => s.group.group === 'maize')?.group;
    expect(fast?.apart.low).toBeGreaterThan(0);
    expect(fast?.machines).toBe(8);
  });
  test('walks by kind, forecasts by branch', () => {
    expect(page.walks.map((w) => w.kind)).toEqual(['beforeHarvest', 'winter']);
    const walks = all.flatMap((m) => m.walks);
    expect(page.walks[1]).toEqual({
      kind: 'winter',
      ...foundPerHour(
        walks.filter((w) => w.kind === 'winter'),
        walks,
      ),
    });
    expect(page.forecasts).toEqual([
      { branch: 'Upper Larkmoor', score: scoreOf(all.flatMap((m) => m.forecasts)) },
    ]);
  });
  test('of some machines only; of none', () => {
    const few = insightPage(maize, { of: { crop: 'maize' }, learntOn: null, choices });
    expect(few).toMatchObject({ machines: 8, learntOn: null, of: { crop: 'maize' } });
    expect(few.choices.crop).toEqual(['maize', 'wheat']);
    expect(few.classes[0]?.wear?.machines).toBe(8);
    expect(insightPage([], { of: { crop: 'rape' }, learntOn: null, choices })).toMatchObject({
      ...{ machines: 0, classes: [], standsOut: [], walks: [], forecasts: [] },
    });
  });
});

describe('one class', () => {
  const page = classPage(all, {}, 'belt');
  test('its groups, its lives, and every machine it is told from', () => {
    expect(ClassPage.parse(page)).toEqual(page);
    expect(page?.line).toBe('wear');
    const crops = page?.by.find((b) => b.dimension === 'crop');
    expect(crops?.groups.map((g) => g.group)).toEqual(['maize', 'wheat']);
    expect(crops?.spread).toBeGreaterThan(
      page?.by.find((b) => b.dimension === 'model')?.spread ?? 1,
    );
    expect(page?.machines).toHaveLength(17);
    expect(page?.machines[0]?.crop).toBe('maize');
    expect(page?.machines.find((m) => m.id === stopped.machine.id)).toMatchObject({
      ...{ stops: 1, hoursLost: 3.5, parts: 2, ended: 1, jobs: 1, forecasts: 1, happened: 0 },
      done: ['replace'],
      rate: { lives: 1 },
    });
    expect(page?.minutes).toMatchObject([{ decision: 'replace', jobs: 17 }]);
    expect(page?.survival[0]).toMatchObject({ hours: 600, atRisk: 17 });
  });
  test('a class of which only travel is known is told by its travel', () => {
    const chain = member('rye', 0.001, {
      slopes: [{ key: 'chain travel', checkId: 'chain', place: 'left', slope: 0.0003, se: 0.0001 }],
      ...{ parts: [], jobs: [], forecasts: [], hands: {} },
    });
    const own = classPage([chain], {}, 'chain');
    expect(own).toMatchObject({ line: 'travel', class: { wear: null, travel: { lives: 1 } } });
    expect(own?.machines).toHaveLength(1);
  });
  test('one nobody knows is none', () => expect(classPage(all, {}, 'boiler')).toBeUndefined());
});

test('walks of a kind, those that found most in an hour first, with their machines', () => {
  const quick = member('wheat', 0.001, { walks: [walk('501', { minutes: 20, found: 4 })] });
  const list = walksOf([...maize, quick], 'winter');
  expect(list[0]).toMatchObject({ serial: quick.machine.serial, machineId: quick.machine.id });
  expect(list).toHaveLength(9);
  expect(walksOf(maize, 'beforeHarvest')).toEqual([]);
});

describe('what a machine teaches', () => {
  const { machine } = seasonFile({});
  const { checks } = shortSheet('ouzel7');
  const belt = (mm: number, at: string, change: object = {}) =>
    reading('fan-drive-belt', 'belt', width(mm), {
      id: `0197a000-0000-7000-8000-0000000${at.replace(/\D/g, '').slice(7, 12)}`,
      takenAt: at,
      ...change,
    });
  const walked = {
    ...{ id: WALK_ID, machineId: machine.id, startedAt: '2026-06-09T06:00:00.000Z' },
    ...{ finishedAt: '2026-06-09T08:30:00.000Z', madeSafeAt: null, hours: 1200, by: 'Ines Marrow' },
    ...{ noticed: '', asFound: {}, checks: null, kind: 'winter' as const, minutes: null },
  };
  const yields = (readings: Parameters<typeof walkYields>[0]['readings'], change = {}) =>
    walkYields({ machine, checks, readings, walks: [{ ...walked, ...change }] });
  test('a walk finds what is past its limit as found, also where it was put right at once', () => {
    const found = belt(33, '2026-06-09T06:10:00.000Z');
    const left = belt(38, '2026-06-09T06:18:00.000Z', { state: 'asLeft', renewed: true });
    expect(yields([found, left])).toMatchObject([{ read: 1, found: 1, kind: 'winter' }]);
    expect(yields([belt(37.8, '2026-06-09T06:10:00.000Z')])).toMatchObject([{ read: 1, found: 0 }]);
  });
  test('time is what was spent at it: a long break counts as twenty minutes', () =>
    expect(yields([belt(37, '2026-06-09T06:10:00.000Z')])[0]?.minutes).toBe(10 + 20));
  test('one not finished, and one in which nothing was read, are none', () => {
    expect(yields([belt(37, '2026-06-09T06:10:00.000Z')], { finishedAt: null })).toEqual([]);
    expect(yields([belt(37, '2026-06-09T06:10:00.000Z', { walkId: null })])).toEqual([]);
  });
  test('what stopped it goes by its class; what is on no sheet by its name', () => {
    const at = { hoursLost: 2, component: 'Fan drive belt' };
    const { stops, parts } = taughtOf({
      ...{ machine, checks, walks: [], readings: [] },
      breakdowns: [
        { id: 'a', checkId: 'fan-drive-belt', ...at },
        { id: 'b', checkId: null, component: ' Cab  door ', hoursLost: null },
      ],
    });
    const { wearClass } = checks.find((c) => c.id === 'fan-drive-belt') ?? {};
    expect(stops.map((s) => [s.key, s.hoursLost])).toEqual([
      [wearClass ?? 'fan-drive-belt', 2],
      ['cab-door', 0],
    ]);
    expect(parts).toEqual([]);
  });
});
