import { harvestTroubles } from '.';
import { Harvest } from '../contracts';

const HARVEST = {
  ...{ start: '2026-06-30', end: '2026-07-14' },
  ...{ areaHa: 520, widthM: 10.7, speedKmh: 6.2, efficiency: 0.72 },
};
const of = { machine: { serial: 'T118', builtOn: '2021-03-15' }, today: '2026-06-09' };

test('a harvest to come of a believable area is taken', () =>
  expect(harvestTroubles(HARVEST, of)).toEqual([]));

test.each([
  [{ start: '2021-03-14' }, 'start', /before T118 was built, 2021-03-15/],
  [{ start: '2026-05-01', end: '2026-06-08' }, 'end', /ended on 2026-06-08 is over/],
  [{ start: '2028-06-09', end: '2028-07-01' }, 'start', /more than two years ahead/],
  [{ end: '2027-01-17' }, 'end', /longer than a season/],
  [{ areaHa: 52_000 }, 'areaHa', /52000 ha at 10.7 m and 6.2 km\/h take 10,887 h.*there are 360 h/],
  [{ efficiency: 0.01 }, 'areaHa', /Check the area, width, speed and efficiency/],
])('%j: %s', (change, field, message) => {
  const [trouble] = harvestTroubles({ ...HARVEST, ...change }, of);
  expect(trouble?.field).toBe(field);
  expect(trouble?.message).toMatch(message);
});

test('the last day counts whole, and the hours there are may be used up', () => {
  // 24 h of one day at 6.667 ha an hour
  const day = { ...HARVEST, end: HARVEST.start, widthM: 10, speedKmh: 10, efficiency: 0.5 };
  expect(harvestTroubles({ ...day, areaHa: 120 }, of)).toEqual([]);
  expect(harvestTroubles({ ...day, areaHa: 120.1 }, of)).toHaveLength(1);
});

test('what stood so before need not be entered anew; less time for it is said', () => {
  const before = { ...HARVEST, crop: 'maize', areaHa: 52_000 };
  expect(harvestTroubles(before, { ...of, before })).toEqual([]);
  // moved by a week, as long as it was
  const later = { ...before, start: '2026-07-07', end: '2026-07-21' };
  expect(harvestTroubles(later, { ...of, before })).toEqual([]);
  expect(harvestTroubles({ ...before, areaHa: 53_000 }, { ...of, before })).toHaveLength(1);
  expect(harvestTroubles({ ...before, end: '2026-07-10' }, { ...of, before })).toHaveLength(1);
});

test.each(['areaHa', 'widthM', 'speedKmh', 'efficiency'])(
  '%s that nothing can be divided by is refused, and the remedy said',
  (field) => {
    const read = Harvest.safeParse({ ...HARVEST, crop: 'maize', [field]: 7e-271 });
    expect(read.error?.issues.map((i) => i.path.join('.'))).toEqual([field]);
    expect(read.error?.issues[0]?.message).toMatch(/at least 0\.\d/);
  },
);
