import type { Check, Reading, WalkKind } from '../contracts';
import { dueOf, standingOf } from '../plan';
import { walkPlan } from '../walk';
import { candidatesFor, fitWalk, kindFor, type Candidate } from './index';
import { demoSheet, madeCheck, reading } from '../testing/sheet';
import { measured } from '../testing/judged';
import { seasonFile, TODAY } from '../testing/season';

const wearing = (id: string, change: object = {}) =>
  madeCheck('measure', {
    id,
    component: `Part ${id}`,
    limit: { type: 'wear', nominal: 40, limit: 36 },
    wearRate: { perHour: 0.0004, sd: 0.0002 },
    tool: { name: 'Caliper', resolution: 0.1 },
    ...change,
  });
const condition = (change: object) => madeCheck('condition', { looksFor: ['cracks'], ...change });
const COSTS = { currency: 'crowns', labourHour: 60, stopHour: 600, ownStopHour: false, prices: {} };
const seen = (
  checks: readonly Check[],
  readings: readonly Reading[] = [],
  change: Partial<ReturnType<typeof seasonFile>> = {},
) => ({ ...seasonFile({ checks, readings }), costs: COSTS, ...change });

type File = ReturnType<typeof seen>;
function candidates(
  kind: WalkKind | null,
  file: File,
  noticed: readonly string[] = [],
): Candidate[] {
  const standing = standingOf(file, TODAY);
  return candidatesFor(kind, { file, standing, due: dueOf(file, standing), noticed });
}
const ids = (list: readonly Candidate[]) => list.map((c) => c.check.id);
const one = (kind: WalkKind | null, file: File, id: string, noticed: readonly string[] = []) => {
  const found = candidates(kind, file, noticed).find((c) => c.check.id === id);
  if (!found) throw new Error(`${id} does not belong to it`);
  return found;
};

test('the kind of walk that a day asks for', () => {
  const harvest = { start: '2026-06-30', end: '2026-07-12' };
  expect(kindFor(harvest, '2026-06-09')).toBe('beforeHarvest');
  expect(kindFor(harvest, '2026-06-30')).toBe('daily');
  expect(kindFor(harvest, '2026-07-12')).toBe('daily');
  expect(kindFor(harvest, '2026-07-13')).toBe('afterHarvest');
});

describe('what belongs to a walk', () => {
  const checks = [
    wearing('season', { interval: { kind: 'season' } }),
    condition({ id: 'every-day', interval: { kind: 'daily' }, places: ['here'] }),
    condition({ id: 'after', interval: { kind: 'afterHarvest' } }),
    condition({ id: 'in', interval: { kind: 'storageIn' } }),
    condition({ id: 'out', interval: { kind: 'storageOut' } }),
    condition({ id: 'crop', interval: { kind: 'perCrop' } }),
    condition({ id: 'header', interval: { kind: 'perHeader' } }),
  ];
  test.each<[WalkKind | null, string[]]>([
    ['beforeHarvest', ['season', 'out', 'crop', 'header']],
    ['daily', ['every-day']],
    ['storageIn', ['in']],
    ['storageOut', ['out']],
    ['changeover', ['crop', 'header']],
    ['afterHarvest', ['season', 'after', 'in']],
    ['winter', ['after']],
    ['recheck', []],
    ['symptom', []],
    [null, checks.map((c) => c.id)],
  ])('%s', (kind, wanted) => expect(ids(candidates(kind, seen(checks)))).toEqual(wanted));
  test('winter: what is worn, too', () => {
    const worn = [reading('season', 'here', measured(35.5))];
    expect(ids(candidates('winter', seen(checks, worn)))).toEqual(['season', 'after']);
  });
  test('before harvest, what was read for this harvest is not due', () => {
    const sound = [reading('season', 'here', measured(39.9))];
    expect(one('beforeHarvest', seen(checks), 'season').due).toBe(true);
    expect(one('beforeHarvest', seen(checks, sound), 'season').due).toBe(false);
    expect(one('beforeHarvest', seen(checks, sound), 'crop').due).toBe(true);
  });
});

describe('what must be walked whatever the time', () => {
  test('what somebody can be hurt by', () => {
    const file = seen([wearing('a'), condition({ id: 'b', guardsPeople: true })]);
    expect(one('beforeHarvest', file, 'a').must).toBeUndefined();
    expect(one('beforeHarvest', file, 'b').must).toBe('safety');
  });
  test('what the operator’s words point to', () => {
    const fan = demoSheet('ouzel7').checks.find((c) => c.id === 'fan-drive-belt');
    if (!fan) throw new Error('no fan drive belt');
    const file = seen([fan, wearing('a')]);
    expect(one('beforeHarvest', file, 'fan-drive-belt', ['fan-drive-belt']).must).toBe('noticed');
    expect(ids(candidates('symptom', file, ['fan-drive-belt', 'not-on-it']))).toEqual([
      'fan-drive-belt',
    ]);
    expect(one('beforeHarvest', file, 'fan-drive-belt').must).toBeUndefined();
  });
  test('what is in doubt', () => {
    const doubtful = [reading('a', 'here', measured(39), { positionConfirmed: false })];
    expect(one('beforeHarvest', seen([wearing('a')], doubtful), 'a').must).toBe('doubt');
  });
  test('a service that is late', () => {
    const oil = madeCheck('service', {
      id: 'oil',
      asks: 'done',
      product: 'Gear oil',
      interval: { kind: 'every', hours: 100 },
    });
    const done = (hours: number) =>
      reading(
        'oil',
        'here',
        { kind: 'service', amount: null, product: '' },
        {
          hours,
          takenAt: '2026-05-01T08:00:00.000Z',
        },
      );
    expect(one(null, seen([oil], [done(1000)]), 'oil').must).toBe('service');
    expect(one(null, seen([oil], [done(1280)]), 'oil').must).toBeUndefined();
  });
});

describe('what it is worth to walk a check', () => {
  const sheet = { costs: { stopHours: 5, collateral: 200, fieldMinutes: 60 } };
  test('never read: by what the fleet has shown of its class', () => {
    const file = seen([wearing('a', { ...sheet, wearClass: 'belts' })]);
    // 5 h × 600 + 200 + 1 h × 60, one time in twenty
    expect(one('beforeHarvest', file, 'a')).toMatchObject({
      chance: expect.closeTo(0.05, 9),
      worth: expect.closeTo(0.05 * 3260, 6),
    });
    const shown = { ...file, hands: { belts: { looks: 42, hands: 6 } } };
    expect(one('beforeHarvest', shown, 'a')).toMatchObject({
      chance: expect.closeTo(7 / 62, 9),
      worth: expect.closeTo((7 / 62) * 3260, 6),
    });
  });
  test('read: by its own forecast, and for the life that would be thrown away less', () => {
    const parts = [{ number: 'P1', name: 'Belt', each: 1 }];
    const at = (mm: number) =>
      one(
        'beforeHarvest',
        seen([wearing('a', { ...sheet, parts })], [reading('a', 'here', measured(mm))], {
          costs: { ...COSTS, prices: { P1: 100 } },
        }),
        'a',
      );
    expect(at(39.5).chance).toBeLessThan(at(37).chance);
    expect(at(39.5).worth).toBeLessThan(at(37).worth);
  });
  test('over its places: the chance of any, the worth of all', () => {
    const places = ['left', 'right'];
    const file = seen([wearing('a', { ...sheet, places })]);
    expect(one('beforeHarvest', file, 'a')).toMatchObject({
      chance: expect.closeTo(1 - 0.95 ** 2, 9),
      worth: expect.closeTo(2 * 0.05 * 3260, 6),
    });
  });
  test('what is decided already is worth no second look', () => {
    const worn = [reading('a', 'here', measured(35.5))];
    expect(one('beforeHarvest', seen([wearing('a', sheet)], worn), 'a').worth).toBe(0);
  });
  test('where the branch has not said what a stop costs: hours of standing still', () =>
    expect(
      one('beforeHarvest', { ...seen([wearing('a', sheet)]), costs: null } as never, 'a').worth,
    ).toBeCloseTo(0.05 * 5, 9));
});

describe('the walk that fits', () => {
  const costs = (stopHours: number) => ({ costs: { stopHours, collateral: 0, fieldMinutes: 0 } });
  const file = seen([
    wearing('dear', { labour: { measure: 20 }, ...costs(9) }),
    wearing('cheap', { labour: { measure: 20 }, ...costs(1) }),
    condition({ id: 'safe', guardsPeople: true, labour: { measure: 10 } }),
  ]);
  const list = candidates('beforeHarvest', file);
  test('what avoids most, beside what must be; the rest with what it may cost', () => {
    const fit = fitWalk(list, file, 30);
    expect([...fit.taken].sort()).toEqual(['dear', 'safe']);
    expect(ids(fit.leftOut)).toEqual(['cheap']);
    expect(fit.leftValue).toBeCloseTo(0.05 * 600, 6);
    expect(fit.over).toBe(0);
  });
  test('too short for what must be: that alone, and by how much it is too short', () => {
    expect(fitWalk(list, file, 4)).toMatchObject({ taken: ['safe'], over: 6 });
  });
  test('as long as it takes: all', () => {
    expect(fitWalk(list, file, null)).toMatchObject({ minutes: 50, leftOut: [], over: 0 });
  });
});

test('a whole machine of the demo: the time is kept, and more time never avoids less', () => {
  const sheet = demoSheet('ouzel7');
  const file = seen(sheet.checks, [], { sheets: [sheet] });
  const list = candidates('beforeHarvest', file);
  let before = -1;
  for (const minutes of [120, 240]) {
    const fit = fitWalk(list, file, minutes);
    expect(fit.over === 0 ? fit.minutes : 0).toBeLessThanOrEqual(minutes);
    expect(fit.value).toBeGreaterThan(before);
    before = fit.value;
    // as it is walked then, it takes no longer than was said
    const walked = walkPlan(file.machine, file.sheets, { checks: [...fit.taken], minutes });
    expect(walked.minutes).toBeLessThanOrEqual(fit.moving + 1e-9);
  }
  const all = fitWalk(list, file, null);
  const whole = walkPlan(file.machine, file.sheets, { checks: [...all.taken], minutes: null });
  expect(all.moving).toBe(whole.minutes);
  expect(all.moving).toBeGreaterThan(0);
});
