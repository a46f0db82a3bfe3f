import fc from 'fast-check';
import { compareStrands } from '../chain';
import {
  centreDistance,
  chainClimb,
  engagementLeft,
  extraLength,
  judgeTooth,
  likelyChains,
  loopPitches,
  pitchDiameter,
  sagAt,
  slackTension,
  STANDARD_CHAINS,
  tipDiameter,
  usualMovement,
} from '.';

const teeth = fc.integer({ min: 9, max: 80 });

describe('a grown chain climbs its sprocket', () => {
  test('the worked figures', () => {
    expect(pitchDiameter(15.875, 40)).toBeCloseTo(202.335, 3);
    expect(tipDiameter(15.875, 40)).toBeCloseTo(211.236, 3);
    expect(chainClimb(2, 15.875, 40)).toBeCloseTo(2.023, 3);
    expect(engagementLeft(2, 15.875, 40)).toBeCloseTo(0.545, 3);
    expect(engagementLeft(2, 15.875, 80)).toBeCloseTo(0.122, 3);
    expect(engagementLeft(3, 15.875, 15)).toBeCloseTo(0.708, 3);
  });
  test('more teeth hold a grown chain less', () => {
    fc.assert(
      fc.property(
        teeth,
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        (z, e) => engagementLeft(e, 15.875, z + 1) < engagementLeft(e, 15.875, z),
      ),
    );
  });
  test('a sprocket of four teeth or of half a tooth is refused', () => {
    expect(() => pitchDiameter(15.875, 4)).toThrow(/teeth/);
    expect(() => tipDiameter(15.875, 20.5)).toThrow(/teeth/);
  });
});

describe('loop and centre distance', () => {
  test('the worked figures', () => {
    expect(loopPitches(25.4, 15, 38, 640)).toBeCloseTo(77.4255, 4);
    expect(centreDistance(25.4, 15, 38, 78)).toBeCloseTo(647.373, 3);
    expect(centreDistance(25.4, 15, 38, 77)).toBeCloseTo(634.538, 3);
  });
  test('one is the inverse of the other', () => {
    fc.assert(
      fc.property(
        teeth,
        teeth,
        fc.double({ min: 400, max: 3000, noNaN: true }),
        (a, b, c) =>
          Math.abs(centreDistance(25.4, a, b, loopPitches(25.4, a, b, c)) - c) < 1e-6 * c,
      ),
    );
  });
  test('a loop too short to go round is refused by name', () =>
    expect(() => centreDistance(25.4, 15, 38, 20)).toThrow(/pitches: got 20/));
});

describe('sag', () => {
  test('the worked figures', () => {
    expect(slackTension(25, 0.8, 0.016)).toBeCloseTo(125, 9);
    expect(extraLength(800, 16)).toBeCloseTo(0.853, 3);
  });
  test('tension and sag are inverse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.2, noNaN: true }),
        (f) => Math.abs(sagAt(25, 0.8, slackTension(25, 0.8, f)) - f) < 1e-12,
      ),
    );
  });
  test('a level drive moves twice as much as a steep one', () =>
    expect(usualMovement(800, 'level')).toBe(2 * usualMovement(800, 'steep')));
});

describe('sprocket teeth', () => {
  test('new chain on worn teeth renews the sprocket, before the tooth itself is out', () => {
    expect(judgeTooth(7.1, { nominal: 8, limit: 6.5 })).toMatchObject({
      out: false,
      renewWithChain: true,
    });
    expect(judgeTooth(7.6, { nominal: 8, limit: 6.5 })).toMatchObject({
      out: false,
      renewWithChain: false,
    });
    expect(judgeTooth(6.5, { nominal: 8, limit: 6.5 })).toMatchObject({ out: true, wear: 1 });
  });
  test('a growing hook is judged the same way', () =>
    expect(judgeTooth(2, { nominal: 0, limit: 3 }).wear).toBeCloseTo(2 / 3, 12));
});

describe('standard chains', () => {
  test('a worn chain is taken for a shorter standard, not a longer one', () => {
    expect(likelyChains(41.9)[0]?.name).toBe('S62');
    expect(likelyChains(25.6).map((c) => c.pitch)).toEqual([25.4, 25.4]);
    expect(likelyChains(20.5)).toEqual([]);
  });
  test('names are unique', () =>
    expect(new Set(STANDARD_CHAINS.map((c) => c.name)).size).toBe(STANDARD_CHAINS.length));
});

describe('strands side by side', () => {
  test('the worst is named, and a difference beyond the allowed', () => {
    expect(
      compareStrands(
        [
          { name: 'left', elongation: 1.1 },
          { name: 'middle', elongation: 1.6 },
          { name: 'right', elongation: 1.2 },
        ],
        0.3,
      ),
    ).toMatchObject({ worst: { name: 'middle' }, least: { name: 'left' }, equal: false });
  });
  test('one strand alone cannot be compared', () =>
    expect(() => compareStrands([{ name: 'left', elongation: 1 }], 0.3)).toThrow(/strands/));
});
