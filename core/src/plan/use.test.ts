import { rateOfUse } from './index';

const harvest = {
  crop: 'malting barley',
  start: '2026-06-30',
  end: '2026-07-12',
  areaHa: 520,
  widthM: 10.7,
  speedKmh: 6.2,
  efficiency: 0.72,
};
const meter = (day: string, hours: number) => ({ takenAt: `${day}T08:00:00.000Z`, hours });

describe('how a machine works', () => {
  test('unknown, it is taken from the plan: its hectares over its harvest days, none outside', () => {
    const { inSeason, outOfSeason } = rateOfUse(harvest, []);
    expect(inSeason).toBeCloseTo(108.87 / 13, 2);
    expect(outOfSeason).toBe(0);
    expect(rateOfUse(harvest, [meter('2026-06-09', 1284)])).toEqual(rateOfUse(harvest, []));
  });
  test('known by its meter: each year’s harvest lies as this year’s does', () => {
    const looks = [
      meter('2024-06-01', 900),
      meter('2024-09-01', 1004 + 7.9),
      meter('2025-06-01', 1039.2),
      meter('2025-09-01', 1151.1),
    ];
    const { inSeason, outOfSeason } = rateOfUse(harvest, looks);
    expect(inSeason).toBeCloseTo(8, 6);
    expect(outOfSeason).toBeCloseTo(0.1, 6);
  });
  test('in whatever order the looks come, and several of a day are one', () => {
    const looks = [meter('2024-06-01', 900), meter('2024-09-01', 1004), meter('2025-09-01', 1108)];
    const same = [looks[2]!, meter('2024-09-01', 1003.5), looks[0]!, looks[1]!];
    expect(rateOfUse(harvest, same)).toEqual(rateOfUse(harvest, looks));
    expect(rateOfUse(harvest, looks).inSeason).toBeCloseTo(8, 6);
  });
  test('neither rate is below nothing, and nobody threshes day and night', () => {
    const idle = rateOfUse(harvest, [meter('2024-06-01', 900), meter('2025-06-01', 900)]);
    expect([idle.inSeason, idle.outOfSeason]).toEqual([0, 0]);
    const mad = rateOfUse(harvest, [meter('2025-06-01', 900), meter('2025-09-01', 1900)]);
    expect(mad.inSeason).toBe(20);
    const odd = rateOfUse(harvest, [
      meter('2025-06-01', 900),
      meter('2025-06-29', 990),
      meter('2025-09-01', 991),
    ]);
    expect(odd.inSeason).toBeGreaterThanOrEqual(0);
    expect(odd.outOfSeason).toBeGreaterThanOrEqual(0);
  });
  test('a meter that ran backwards says nothing', () =>
    expect(rateOfUse(harvest, [meter('2024-06-01', 900), meter('2025-06-01', 400)])).toEqual(
      rateOfUse(harvest, []),
    ));
});
