import fc from 'fast-check';
import { checkLives, classPrior, livesOf, shrinkages } from './index';

const at = (hours: number, y: number, renewed = false) => ({ hours, y, sigma: 0.03, renewed });

describe('lives', () => {
  test('a renewal begins a new life, counted from its own start', () => {
    const lives = livesOf([at(100, 0.4), at(250, 0.98), at(250, 0, true), at(400, 0.3)]);
    expect(lives.map((l) => [l.from, l.to, l.points.map((p) => p.hours)])).toEqual([
      [0, 250, [100, 250]],
      [250, undefined, [0, 150]],
    ]);
    expect(() => checkLives(lives)).not.toThrow();
  });
  test('every reading belongs to one life, and lives never overlap', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            step: fc.nat(300),
            y: fc.double({ min: 0, max: 1.2, noNaN: true }),
            renewed: fc.boolean(),
          }),
          { maxLength: 20 },
        ),
        (steps) => {
          let hours = 0;
          const readings = steps.map((s) => at((hours += s.step), s.y, s.renewed));
          const lives = livesOf(readings);
          checkLives(lives);
          return (
            lives.reduce((n, l) => n + l.points.length, 0) === readings.length &&
            lives.length === 1 + readings.filter((r) => r.renewed).length
          );
        },
      ),
    );
  });
  test.each([
    [
      () => livesOf([at(100, 0.1), at(90, 0.2)]),
      /readings\.1\.hours: got 90, wanted at least the 100 h/,
    ],
    [() => livesOf([at(NaN, 0.1)]), /readings\.0\.hours/],
    [() => livesOf([{ ...at(1, 0.1), sigma: -1 }]), /sigma/],
    [
      () =>
        checkLives([
          { from: 0, to: 200 },
          { from: 150, to: undefined },
        ]),
      /lives\.1\.from: got 150.*200 h.*two parts/,
    ],
    [
      () =>
        checkLives([
          { from: 0, to: undefined },
          { from: 150, to: undefined },
        ]),
      /lives\.1\.from/,
    ],
    [() => checkLives([{ from: 100, to: 50 }]), /lives\.0\.to/],
  ])('bad input names its field', (bad, field) => expect(bad).toThrow(field));
});

describe('wear cannot shrink', () => {
  test('a smaller reading beyond what both explain is named, with the one it belies', () =>
    expect(shrinkages([at(0, 0.02), at(100, 0.5), at(200, 0.2), at(300, 0.6)])).toEqual([
      { index: 2, before: 1 },
    ]));
  test('noise is no shrinking', () =>
    expect(shrinkages([at(0, 0.3), at(10, 0.25), at(20, 0.31)])).toEqual([]));
  test('growing wear is never named', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 0.2, noNaN: true }), { maxLength: 12 }),
        (steps) => {
          let y = 0;
          return shrinkages(steps.map((s, i) => at(i * 50, (y += s)))).length === 0;
        },
      ),
    );
  });
});

describe('class prior from lives', () => {
  test('is the pooled slope of those that show one', () => {
    const lives = [0.001, 0.0012, 0.0014].map((b) => ({
      from: 0,
      to: undefined,
      points: [100, 300, 500].map((hours) => ({ hours, y: 0.02 + b * hours, sigma: 0.03 })),
    }));
    const prior = classPrior(
      [...lives, { from: 0, to: undefined, points: [{ hours: 5, y: 0.9, sigma: 0.03 }] }],
      0.02,
      0.03,
    );
    expect(prior?.mu).toBeCloseTo(0.0012, 9);
  });
  test('is none when nothing shows a slope', () =>
    expect(classPrior([{ from: 0, to: undefined, points: [] }], 0.02, 0.03)).toBeUndefined());
});
