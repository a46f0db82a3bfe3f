import fc from 'fast-check';
import { driveAt, gapFor, NoDriveSolution, rpmRange, wornBeltLoss } from './index';

const drive = {
  driverRpm: 620,
  centre: 760,
  beltLength: 2350,
  beltWidth: 38,
  grooveAngle: 30,
  driverR0: 95,
  drivenR0: 60,
};
const gaps = fc.double({ min: 2, max: 8, noNaN: true });

test('the worked figures', () => {
  const at2 = driveAt(drive, 2);
  expect(at2.driverRadius).toBeCloseTo(162.177, 3);
  expect(at2.drivenRadius).toBeCloseTo(100.422, 3);
  expect(at2.drivenRpm).toBeCloseTo(1001.27, 2);
  expect(driveAt(drive, 4).drivenRpm).toBeCloseTo(939.74, 2);
  expect(driveAt(drive, 8).drivenRpm).toBeCloseTo(831.34, 2);
  expect(wornBeltLoss(drive, 4, 36).state.drivenRpm).toBeCloseTo(883.31, 2);
  expect(wornBeltLoss(drive, 4, 36).lost).toBeCloseTo(939.74 - 883.31, 1);
});
test('opening the gap slows the drive', () => {
  fc.assert(
    fc.property(
      gaps,
      fc.double({ min: 0.05, max: 1, noNaN: true }),
      (g, more) => driveAt(drive, g + more).drivenRpm < driveAt(drive, g).drivenRpm,
    ),
  );
});
test('the gap for a speed gives that speed', () => {
  fc.assert(
    fc.property(
      gaps,
      (g) => Math.abs(gapFor(drive, driveAt(drive, g).drivenRpm, 2, 8).gap - g) < 1e-6,
    ),
  );
});
test('the driven gap puts the belt back at its radius, and slip slows in proportion', () => {
  const state = driveAt(drive, 4);
  expect(60 + (38 - state.drivenGap) / (2 * Math.tan(Math.PI / 12))).toBeCloseTo(
    state.drivenRadius,
    9,
  );
  expect(driveAt({ ...drive, slip: 0.02 }, 4).drivenRpm).toBeCloseTo(0.98 * state.drivenRpm, 9);
});
test('a speed out of reach says what can be had', () => {
  const { slowest, fastest } = rpmRange(drive, 8, 2);
  expect([slowest.gap, fastest.gap]).toEqual([8, 2]);
  expect(() => gapFor(drive, 1100, 2, 8)).toThrow(
    /wanted: got 1100, wanted between 831 and 1001 rpm, which is what gaps of 2 to 8 mm can give/,
  );
});
test('a belt too short, and a gap that drops it to the shaft, are explained', () => {
  expect(() => driveAt({ ...drive, beltLength: 1500 }, 4)).toThrow(NoDriveSolution);
  expect(() => driveAt({ ...drive, beltLength: 1500 }, 4)).toThrow(/a belt of at least \d+ mm/);
  expect(() => driveAt(drive, 120)).toThrow(/belt lies on the shaft/);
  expect(() => driveAt({ ...drive, grooveAngle: 0 }, 4)).toThrow(/grooveAngle/);
  expect(() => driveAt(drive, NaN)).toThrow(/gap/);
});

test.each([
  ['a gap below nothing', drive, -1, 'gap'],
  ['sheaves that lie in each other', { ...drive, centre: 240, beltLength: 1320 }, 2, 'centre'],
  ['a driven sheave closed further than shut', { ...drive, beltLength: 2550 }, 4, 'gap'],
])('%s is refused by name', (_, impossible, gap, field) =>
  expect(() => driveAt(impossible, gap)).toThrow(expect.objectContaining({ field }) as Error),
);
