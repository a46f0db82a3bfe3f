import { insightAccuracy } from '../../bench/insight';
import {
  classWear,
  foundPerHour,
  groupedWear,
  jobMinutes,
  ratesByMachine,
  type SeenRate,
  type WalkYield,
} from './index';

const rate = (machine: string, slope: number, se = 0.0001): SeenRate => ({ machine, slope, se });
const crop = (machine: string) => machine.split(' ')[0] ?? '';
const groupsOf = (rates: readonly SeenRate[]) => {
  const grouped = groupedWear(ratesByMachine(rates), crop);
  return new Map(grouped.groups.map((g, i) => [g, grouped.group(i)]));
};
/** Machines of a crop, so many, all near one rate. */
const machines = (name: string, n: number, slope: number) =>
  Array.from({ length: n }, (_, i) => rate(`${name} ${i}`, slope * (1 + 0.1 * Math.sin(7 * i))));

describe('how fast a class wears', () => {
  test('a machine counts once, however many of the part it has', () => {
    const many = Array.from({ length: 24 }, () => rate('one', 0.004));
    const {
      value,
      machines: count,
      lives,
    } = classWear(ratesByMachine([...many, ...machines('maize', 4, 0.001)]));
    expect([count, lives]).toEqual([5, 28]);
    // by parts it would be 0.0036
    expect(value).toBeLessThan(0.0021);
  });
  test('each machine is drawn toward the class as far as it is not sure', () => {
    const own = classWear(
      ratesByMachine([...machines('oats', 8, 0.001), rate('loud', 0.003, 0.0015)]),
    ).each();
    const loud = own.find((m) => m.machine === 'loud');
    expect(loud?.value).toBeLessThan(0.0015);
    expect(loud?.high).toBeGreaterThan(loud?.value ?? 1);
  });
  test('three machines do not shout; thirty may', () => {
    const rest = [...machines('oats', 20, 0.001), ...machines('rape', 20, 0.00102)];
    const shout = [rate('maize 1', 0.0014), rate('maize 2', 0.0019), rate('maize 3', 0.0008)];
    const few = groupsOf([...rest, ...shout]).get('maize');
    expect(few?.value).toBeLessThan(0.00135);
    expect((few?.apart.low ?? 1) < 0).toBe(true);
    const many = groupsOf([...rest, ...machines('maize', 30, 0.0014)]).get('maize');
    expect(many?.apart.low).toBeGreaterThan(0.05);
    expect(many).toMatchObject({ machines: 30, lives: 30 });
  });
  test('fleets simulated: nine ranges of ten hold the truth, and nearer than plain means', () => {
    const { coverage, error, falseAlarms, found } = insightAccuracy(11, 60);
    expect(coverage).toBeGreaterThan(0.86);
    expect(coverage).toBeLessThan(0.97);
    expect(error).toBeLessThan(0.95);
    expect(falseAlarms).toBeLessThan(0.08);
    expect(found).toBeGreaterThan(0.7);
  });
});

describe('what jobs took', () => {
  const jobs = (kind: string, n: number, ratio: number) =>
    Array.from({ length: n }, (_, i) => ({ kind, ratio: ratio * (i % 2 ? 1.1 : 1 / 1.1) }));
  test('many jobs say what they took; one is drawn to the rest', () => {
    const all = jobMinutes([
      ...jobs('belts', 20, 1.5),
      ...jobs('chains', 20, 1),
      ...jobs('knives', 1, 4),
    ]);
    const of = (kind: string) => all.find((m) => m.kind === kind);
    expect(of('belts')?.value).toBeCloseTo(1.5, 1);
    expect(of('belts')?.jobs).toBe(20);
    expect(of('knives')?.value).toBeLessThan(3.9);
    expect((of('knives')?.high ?? 0) / (of('knives')?.low ?? 1)).toBeGreaterThan(
      (of('belts')?.high ?? 0) / (of('belts')?.low ?? 1),
    );
  });
  test('none, and one that took no time, say nothing', () => {
    expect(jobMinutes([])).toEqual([]);
    expect(jobMinutes([{ kind: 'belts', ratio: 0 }])).toEqual([]);
  });
});

describe('what walks found in an hour', () => {
  const walk = (found: number, minutes = 60): WalkYield => ({
    ...{ id: `${found} ${minutes}`, kind: 'winter', day: '2026-01-10' },
    ...{ minutes, read: 20, found },
  });
  test('many walks say what they found; one short one is drawn to the rest', () => {
    const many = Array.from({ length: 30 }, (_, i) => walk(4 + (i % 3)));
    const lucky = walk(3, 6);
    const all = foundPerHour(many, [...many, lucky]);
    expect(all.value).toBeCloseTo(5, 0);
    expect(all).toMatchObject({ walks: 30, hours: 30, read: 600 });
    const one = foundPerHour([lucky], [...many, lucky]);
    // by itself it would be 30 an hour
    expect(one.value).toBeLessThan(14);
    expect(one.high - one.low).toBeGreaterThan(3 * (all.high - all.low));
  });
  test('finds that come in bunches say less', () => {
    const even = Array.from({ length: 12 }, () => walk(5));
    const bunched = Array.from({ length: 12 }, (_, i) => walk(i % 4 ? 0 : 20));
    const width = (walks: WalkYield[]) => {
      const { low, high } = foundPerHour(walks, walks);
      return high - low;
    };
    expect(width(bunched)).toBeGreaterThan(2 * width(even));
  });
  test('nothing found anywhere is none an hour', () =>
    expect(foundPerHour([walk(0)], [walk(0)])).toMatchObject({ value: 0, low: 0, high: 0 }));
});
