import fc from 'fast-check';
import { InputError } from '../units';
import {
  defaultElongationLimit,
  elongation,
  elongationFromTravel,
  elongationUncertainty,
  nominalLength,
  pitchesNeeded,
  takeUpPlan,
  type TakeUpState,
} from './index';

const length = fc.double({ min: 1, max: 5000, noNaN: true });
const count = fc.integer({ min: 1, max: 120 });
const pitch = fc.double({ min: 5, max: 120, noNaN: true });

describe('elongation', () => {
  test('the worked figures', () => {
    expect(elongation(1283, 20, 63.5)).toBeCloseTo(1.024, 3);
    expect(elongation(978, 60, 15.875)).toBeCloseTo(2.677, 3);
  });
  test('a new chain has none', () =>
    expect(elongation(nominalLength(10, 41.4), 10, 41.4)).toBeCloseTo(0, 12));
  test('a longer strand is a longer chain', () => {
    fc.assert(
      fc.property(
        length,
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        count,
        pitch,
        (l, more, n, p) => elongation(l + more, n, p) > elongation(l, n, p),
      ),
    );
  });
  test('does not depend on the unit', () => {
    fc.assert(
      fc.property(
        length,
        count,
        pitch,
        (l, n, p) =>
          Math.abs(elongation(l / 25.4, n, p / 25.4) - elongation(l, n, p)) <
          1e-6 * (1 + Math.abs(elongation(l, n, p))),
      ),
    );
  });
  test.each([
    [0, 10, 41.4, 'length'],
    [100, 0, 41.4, 'pitches'],
    [100, 1.5, 41.4, 'pitches'],
    [100, 10, 0, 'pitch'],
    [NaN, 10, 41.4, 'length'],
    [100, 10, Infinity, 'pitch'],
  ])('elongation(%d, %d, %d) names %s', (l, n, p, field) =>
    expect(() => elongation(l, n, p)).toThrow(
      expect.objectContaining({ name: 'InputError', field }),
    ),
  );
});

describe('uncertainty of an elongation', () => {
  test.each([
    [10, 0.242],
    [20, 0.121],
    [40, 0.06],
  ])('1 mm over %d pitches of 41.4 is %d %%', (n, percent) =>
    expect(elongationUncertainty(1, n, 41.4)).toBeCloseTo(percent, 3),
  );
  test('the pitches asked for bring it to a tenth of the limit, and one fewer would not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 3, noNaN: true }),
        pitch,
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        (u, p, limit) => {
          const n = pitchesNeeded(u, p, limit);
          return (
            elongationUncertainty(u, n, p) <= limit / 10 + 1e-6 &&
            (n === 1 || elongationUncertainty(u, n - 1, p) > limit / 10 - 1e-6)
          );
        },
      ),
    );
  });
});

describe('the shop rule for the limit', () => {
  test('a large sprocket allows less', () => {
    expect(defaultElongationLimit(96, true)).toBeCloseTo(2.083, 3);
    expect(defaultElongationLimit(20, true)).toBe(3);
    expect(defaultElongationLimit(undefined, true)).toBe(3);
  });
  test('no take-up: 1.5 %, or less on a very large sprocket', () => {
    expect(defaultElongationLimit(20, false)).toBe(1.5);
    expect(defaultElongationLimit(200, false)).toBe(1);
  });
});

describe('take-up planner', () => {
  const state: TakeUpState = {
    total: 45,
    used: 20,
    strandsPerTravel: 2,
    pitch: 41.4,
    loopPitches: 94,
    elongation: 1.1,
    limit: 2.6,
    reserve: 10,
    ratePerHour: 0.002,
  };

  test('the worked figures: 1.1 % of 94 pitches of 41.4 is 42.808 mm of chain, 21.404 of travel; a half link gives 20.7 back', () => {
    const plan = takeUpPlan(state);
    expect(plan.stretch).toBeCloseTo(42.808, 3);
    expect(plan.travelEaten).toBeCloseTo(21.404, 3);
    expect(plan.perHalfLink).toBeCloseTo(20.7, 6);
    expect(elongationFromTravel({ used: plan.travelEaten, linksOut: 0 }, state)).toBeCloseTo(
      1.1,
      9,
    );
  });
  test('links already out leave fewer to have grown: N − m pitches fill N·p and the travel', () => {
    // 94 pitches of 41.4 with 2 out and no travel used: 92 fill the place of 94
    expect(elongationFromTravel({ used: 0, linksOut: 2 }, state)).toBeCloseTo((100 * 2) / 92, 9);
    expect(() => elongationFromTravel({ used: 0, linksOut: 93 }, state)).toThrow(/linksOut/);
  });
  test('a long slot takes back more than twelve links', () => {
    const { choices } = takeUpPlan({ ...state, total: 400, used: 390, reserve: 300 });
    const best = choices.find((c) => c.action === 'shorten' && c.fits);
    expect(best?.linksOut).toBe(15);
    expect(choices.filter((c) => c.action === 'shorten')).toHaveLength(18);
  });
  test('a shorter loop stretches less in an hour', () => {
    const { choices } = takeUpPlan({ ...state, used: 44, ratePerHour: 0.002 });
    const [one] = choices.filter((c) => c.action === 'shorten');
    const perHour = (0.002 / 100) * (94 - 1) * 41.4;
    expect(one?.hoursLeft).toBeCloseTo(
      Math.min((one?.travelLeft ?? 0) / (perHour / 2), (2.6 - state.elongation) / 0.002),
      6,
    );
  });
  test('travel in reserve: adjust', () =>
    expect(takeUpPlan(state).best).toMatchObject({ action: 'adjust', travelLeft: 25 }));
  test('travel gone, elongation inside the limit: take one half link out, with an offset link', () => {
    expect(takeUpPlan({ ...state, used: 45 }).best).toMatchObject({
      action: 'shorten',
      linksOut: 1,
      offsetLink: true,
      travelLeft: 20.7,
    });
  });
  test('a larger wanted reserve takes two half links, a whole link, no offset link', () => {
    expect(takeUpPlan({ ...state, used: 45, reserve: 30 }).best).toMatchObject({
      action: 'shorten',
      linksOut: 2,
      offsetLink: false,
    });
  });
  test('elongation at its limit: renew', () =>
    expect(takeUpPlan({ ...state, used: 45, elongation: 2.6 }).best).toMatchObject({
      action: 'replace',
      travelLeft: 45,
    }));
  test('never takes out more than the slot can take back, and always leaves the reserve or renews', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 150, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 12, max: 70, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (total, share, p, e, reserve) => {
          const { best, choices } = takeUpPlan({
            ...state,
            total,
            used: total * share,
            pitch: p,
            elongation: e,
            reserve,
          });
          const smaller = choices.filter(
            (c) => c.action === 'shorten' && c.linksOut < best.linksOut,
          );
          return (
            best.travelLeft <= total + 1e-6 &&
            (best.action === 'replace' || best.travelLeft >= reserve) &&
            smaller.every((c) => !c.fits)
          );
        },
      ),
    );
  });
  test('more wear never leaves more hours', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2.5, noNaN: true }),
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        (e, more) =>
          takeUpPlan({ ...state, elongation: e + more }).choices[0]!.hoursLeft <=
          takeUpPlan({ ...state, elongation: e }).choices[0]!.hoursLeft,
      ),
    );
  });
  test('more travel used than there is, is refused by name', () => {
    expect(() => takeUpPlan({ ...state, used: 46 })).toThrow(InputError);
    expect(() => takeUpPlan({ ...state, used: 46 })).toThrow(
      /used: got 46, wanted no more than the whole travel, 45 mm/,
    );
  });
});
