import fc from 'fast-check';
import { survivalOf, type Ran } from './index';

/** Freireich 1963, treated: weeks in remission; + is still in it. The textbook example. */
const REMISSION: readonly Ran[] =
  '6 6 6 6+ 7 9+ 10 10+ 11+ 13 16 17+ 19+ 20+ 22 23 25+ 32+ 32+ 34+ 35+'
    .split(' ')
    .map((t) => ({ hours: parseInt(t, 10), ended: !t.endsWith('+') }));

describe('how long parts live', () => {
  test('the textbook example, step by step', () => {
    const { steps, median, lives, ended, low, high } = survivalOf(REMISSION);
    expect([lives, ended]).toEqual([21, 9]);
    expect(steps.map((s) => [s.hours, Number(s.share.toFixed(3)), s.atRisk])).toEqual([
      [6, 0.857, 21],
      [7, 0.807, 17],
      [10, 0.753, 15],
      [13, 0.69, 12],
      [16, 0.627, 11],
      [22, 0.538, 7],
      [23, 0.448, 6],
    ]);
    expect(median).toBe(23);
    expect(low).toBe(13);
    expect(high).toBeNull();
  });
  test('none ended: how long they live is not known; half not reached is not known either', () => {
    expect(survivalOf([{ hours: 300, ended: false }])).toMatchObject({ median: null, steps: [] });
    expect(
      survivalOf([
        { hours: 100, ended: true },
        ...[200, 300, 400].map((hours) => ({ hours, ended: false })),
      ]).median,
    ).toBeNull();
    expect(survivalOf([])).toMatchObject({ lives: 0, ended: 0, median: null });
  });
  test('all ended at once: nothing runs after it', () =>
    expect(survivalOf([5, 5].map((hours) => ({ hours, ended: true }))).steps).toMatchObject([
      { hours: 5, share: 0, low: 0, high: 0 },
    ]));
  test('without one still running it is the plain share; it never rises; the range holds it', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ hours: fc.integer({ min: 0, max: 50 }), ended: fc.boolean() }), {
          minLength: 1,
          maxLength: 40,
        }),
        (ran) => {
          const { steps } = survivalOf(ran);
          steps.reduce((before, { share, low, high }) => {
            expect(share).toBeLessThanOrEqual(before + 1e-12);
            expect(low).toBeLessThanOrEqual(share + 1e-12);
            expect(high).toBeGreaterThanOrEqual(share - 1e-12);
            return share;
          }, 1);
          if (ran.every((r) => r.ended))
            for (const { hours, share } of steps)
              expect(share).toBeCloseTo(ran.filter((r) => r.hours > hours).length / ran.length, 9);
        },
      ),
    ));
  test('hours that are none are refused by name', () =>
    expect(() => survivalOf([{ hours: -1, ended: true }])).toThrow(/ran\.0\.hours/));
});
