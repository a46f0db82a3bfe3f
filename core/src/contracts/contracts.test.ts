import fc from 'fast-check';
import { demoCheck, demoSheet, reading } from '../testing/sheet';
import {
  Check,
  Day,
  Harvest,
  Machine,
  Reading,
  ReadingBatch,
  SpecSheet,
  VisitPlan,
  WorkItem,
} from './index';

const issues = (result: {
  success: boolean;
  error?: { issues: { path: PropertyKey[]; message: string }[] };
}) => (result.success ? [] : (result.error?.issues.map((i) => i.path.join('.')) ?? []));
const good = () =>
  reading('fan-drive-belt', 'belt', {
    kind: 'measure',
    values: [37.2],
    typed: ['37.2'],
    unit: 'mm',
  });

describe('a reading', () => {
  test('a good one passes as it is', () => {
    const one = good();
    expect(Reading.parse(one)).toEqual(one);
  });
  test.each([
    ['an id that is none', { id: '17' }, 'id'],
    ['a negative width', { value: { kind: 'measure', values: [-1] } }, 'value.values.0'],
    ['a width that is no number', { value: { kind: 'measure', values: [NaN] } }, 'value.values.0'],
    ['an endless width', { value: { kind: 'measure', values: [Infinity] } }, 'value.values.0'],
    ['no repeats', { value: { kind: 'measure', values: [] } }, 'value.values'],
    [
      'a length of two kilometres',
      { value: { kind: 'measure', values: [2_000_000] } },
      'value.values.0',
    ],
    ['an unknown feel', { value: { kind: 'feel', feel: 'soft' } }, 'value.feel'],
    [
      'half a knife',
      { value: { kind: 'count', missing: 0.5, damaged: 0, oneEdge: 0, bothEdges: 0 } },
      'value.missing',
    ],
    ['an unknown kind', { value: { kind: 'guess' } }, 'value.kind'],
    ['a day without a time', { takenAt: '2026-06-09' }, 'takenAt'],
    ['a date that is not in the calendar', { takenAt: '2026-02-30T08:00:00Z' }, 'takenAt'],
    ['hours below 0', { hours: -1 }, 'hours'],
    ['an empty place', { place: ' ' }, 'place'],
    ['a check id with spaces', { checkId: 'Fan drive belt' }, 'checkId'],
  ])('%s is refused at its path', (_what, change, path) =>
    expect(issues(Reading.safeParse({ ...good(), ...change }))).toContain(path),
  );
  test('whatever comes, parsing answers and never throws', () => {
    fc.assert(
      fc.property(fc.anything(), (thing) => typeof Reading.safeParse(thing).success === 'boolean'),
      { numRuns: 500 },
    );
  });
  test('a batch of none and of too many is refused', () => {
    expect(ReadingBatch.safeParse({ readings: [] }).success).toBe(false);
    expect(ReadingBatch.safeParse({ readings: Array.from({ length: 1001 }, good) }).success).toBe(
      false,
    );
  });
});

describe('a spec sheet', () => {
  test.each(['ouzel7', 'ouzel5', 'corrie4', 'merle12'] as const)(
    '%s as shipped is good, and the same again after a round trip',
    (file) => {
      const sheet = demoSheet(file);
      expect(SpecSheet.parse(JSON.parse(JSON.stringify(sheet)))).toEqual(sheet);
    },
  );
  const sheet = demoSheet('ouzel7');
  const broken = (change: object) => issues(SpecSheet.safeParse({ ...sheet, ...change }));
  test('a check twice, a place twice, a header check on a combine are named', () => {
    expect(broken({ checks: [sheet.checks[0], sheet.checks[0]] })).toContain('checks.1.id');
    expect(broken({ checks: [{ ...sheet.checks[0], places: ['left', 'left'] }] })).toContain(
      'checks.0.places',
    );
    expect(broken({ checks: [{ ...sheet.checks[0], on: 'header' }] })).toContain('checks.0.on');
    expect(broken({ checks: [] })).toContain('checks');
  });
  test('a limit equal to the new size is no limit', () => {
    expect(
      issues(
        Check.safeParse({
          ...demoCheck('fan-drive-belt', 'measure'),
          limit: { type: 'wear', nominal: 38, limit: 38 },
        }),
      ),
    ).toContain('limit.limit');
  });
  test('any one field spoilt is refused with a path into the sheet', () => {
    const check = demoCheck('conveyor-chain-tension', 'mark');
    const keys = Object.keys(check).filter(
      (k) => !['parts', 'knockOns', 'safety', 'runsToSettle', 'labourPer'].includes(k),
    );
    fc.assert(
      fc.property(fc.constantFrom(...keys), (key) => {
        const paths = issues(Check.safeParse({ ...check, [key]: { spoilt: true } }));
        return paths.length > 0 && paths.every((p) => p === key || p.startsWith(`${key}.`));
      }),
    );
  });
});

describe('days, harvests, machines, plans', () => {
  test.each(['2026-06-09', '2024-02-29'])('%s is a day', (day) =>
    expect(Day.safeParse(day).success).toBe(true),
  );
  test.each(['2026-6-9', '2026-02-30', '9 June', '', '2025-02-29', '2026-06-09T00:00:00Z'])(
    '"%s" is none',
    (day) => expect(Day.safeParse(day).success).toBe(false),
  );
  const harvest = {
    crop: 'lentils',
    start: '2026-07-01',
    end: '2026-07-10',
    areaHa: 300,
    widthM: 9,
    speedKmh: 6,
    efficiency: 0.7,
  };
  test('a harvest that ends before it starts, over no land, or above full efficiency is refused', () => {
    expect(issues(Harvest.safeParse({ ...harvest, end: '2026-06-30' }))).toContain('end');
    expect(issues(Harvest.safeParse({ ...harvest, areaHa: 0 }))).toContain('areaHa');
    expect(issues(Harvest.safeParse({ ...harvest, efficiency: 1.1 }))).toContain('efficiency');
  });
  test('a machine says all that is missing at once', () =>
    expect(issues(Machine.safeParse({})).length).toBeGreaterThan(5));
  test('a visit needs a technician and a day', () =>
    expect(
      issues(
        VisitPlan.safeParse({
          id: good().id,
          machineId: good().machineId,
          technicianId: '',
          startsOn: 'soon',
        }),
      ),
    ).toEqual(['technicianId', 'startsOn']));
  test('what holds is no work', () => {
    const item = {
      id: good().id,
      machineId: good().machineId,
      checkId: 'fan-drive-belt',
      decision: 'holds',
      places: ['belt'],
      reason: '',
      minutes: 10,
      acceptedBy: 'x',
      acceptedAt: '2026-06-09T08:00:00Z',
    };
    expect(issues(WorkItem.safeParse(item))).toContain('decision');
    expect(WorkItem.safeParse({ ...item, decision: 'replace' }).success).toBe(true);
  });
});
