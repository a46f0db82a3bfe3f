import type { Feel, ReadingValue } from '../../contracts';
import { madeCheck, TAKE_UP } from '../../testing/sheet';
import { said, verdictOf } from '../../testing/judged';
import { travelLeft } from '../../testing/sound';
import { InputError } from '../../units';
import { admitTravel } from './admit';
import { travelUncertainty } from './forecast';
import { judgeTravel, type TravelReading } from './judge';
import { judgeTensionAlone, tensionOfFeel, tensionOfMark } from './tension';

const takeUp = TAKE_UP;
const chain = madeCheck('feel', { good: ['justSlides', 'slidesEasily'], takeUp });
const at = (change: Partial<TravelReading>): TravelReading => ({
  left: 45,
  linksOut: 0,
  measured: undefined,
  inService: 400,
  perHour: 0,
  season: 109,
  ...change,
});

describe('what travel says of a chain', () => {
  test('used travel is elongation: 21.4 mm of it, of 94 pitches of 41.4 mm, is 1.1 %', () => {
    const { numbers } = judgeTravel(takeUp, at({ left: 45 - 21.404 }));
    expect(numbers.percent).toBeCloseTo(1.1, 4);
    // 1.1 % in 400 h: 0.3 % of 3,892 mm in 109 h, by two strands
    expect(numbers.eatenInSeason).toBeCloseTo(5.83, 2);
  });
  test('all of it left is a chain as new, which eats nothing', () => {
    const { numbers, plan } = judgeTravel(takeUp, at({}));
    expect(numbers).toMatchObject({ left: 45, percent: 0, eatenInSeason: 0 });
    expect(plan.best.action).toBe('adjust');
  });
  test('links that are out count: a shorter loop with all its travel is no new chain', () => {
    const { numbers } = judgeTravel(takeUp, at({ linksOut: 2 }));
    // two pitches of 94 are grown in what is left of it
    expect(numbers.percent).toBeCloseTo((100 * 2) / 92, 3);
  });
  test('what was measured over pitches goes before what travel lets one think', () => {
    const { numbers } = judgeTravel(takeUp, at({ left: 38, measured: 0.4 }));
    expect(numbers.percent).toBe(0.4);
    expect(numbers.eatenInSeason).toBeCloseTo(((0.4 / 400) * 109 * 38.916) / 2, 6);
  });
  test('of unknown age it grows as is forecast; on its first hour it has not grown', () => {
    const eaten = (change: Partial<TravelReading>) =>
      judgeTravel(takeUp, at({ left: 38, ...change })).numbers.eatenInSeason;
    expect(eaten({ inService: undefined, perHour: 0.002 })).toBeCloseTo(
      (0.002 * 109 * 38.916) / 2,
      6,
    );
    expect(eaten({ inService: undefined, perHour: 0 })).toBe(0);
    expect(eaten({ inService: 0, perHour: 0.002 })).toBe(0);
  });
  test('a hair more than the slot is its end; more than that cannot be', () => {
    expect(judgeTravel(takeUp, at({ left: 45.9 })).numbers.left).toBe(45);
    expect(() => judgeTravel(takeUp, at({ left: 46.1 }))).toThrow(InputError);
    expect(() => judgeTravel(takeUp, at({ left: 46.1 }))).toThrow(
      /at most the whole travel, 45 mm/,
    );
  });
  test('the fewest links that leave the reserve are taken out', () => {
    const { numbers } = judgeTravel(takeUp, at({ left: 2 }));
    expect(numbers.shorten).toMatchObject({ linksOut: 1, offsetLink: true, travelLeft: 22.7 });
    const deep = judgeTravel({ ...takeUp, reserve: 25 }, at({ left: 2 })).numbers;
    expect(deep.shorten).toMatchObject({ linksOut: 2, offsetLink: false, travelLeft: 43.4 });
  });
  test('beyond its limit no link out helps', () =>
    expect(judgeTravel(takeUp, at({ left: 2, measured: 2.7 })).numbers.shorten).toBeUndefined());
  test('both ends of the slot are read: its uncertainty is that of a difference', () => {
    const one = travelUncertainty(takeUp);
    expect(travelUncertainty({ ...takeUp, resolution: 2 })).toBeCloseTo(2 * one, 9);
    // 2·√2·1/√12 mm, by two strands, of 3,892 mm, of 2.6 %
    expect(one).toBeCloseTo((2 * Math.SQRT2 * (1 / Math.sqrt(12)) * 2) / 3891.6 / 0.026, 6);
  });
});

describe('what is taken of it', () => {
  const of = (change: object) =>
    admitTravel(chain, {
      ...(travelLeft(30) as Extract<ReadingValue, { kind: 'travel' }>),
      ...change,
    });
  test('the whole of a slot and nothing of it', () => {
    expect(of({ left: 0 })).toEqual([]);
    expect(of({ left: 46 })).toEqual([]);
  });
  test('more than the slot, more links than a quarter of its loop', () => {
    expect(of({ left: 47 }).map((t) => t.field)).toEqual(['value.left']);
    expect(of({ linksOut: 23 })).toEqual([]);
    expect(of({ linksOut: 24 })).toEqual([
      {
        field: 'value.linksOut',
        message: '24 links out of a loop of 94 pitches cannot be. Count them again.',
      },
    ]);
  });
  test('what was typed has to be what was kept', () => {
    expect(of({ left: 30, typed: '30' })).toEqual([]);
    expect(of({ left: 30, typed: '13' }).map((t) => t.field)).toEqual(['value.typed']);
  });
});

describe('which side of right a tension is', () => {
  const marked = (short: number, past: number) =>
    madeCheck('mark', { gauge: { length: 40, short, past }, maxSideDifference: 3 });
  test.each([
    ['at its mark', 'at', 0, 'right'],
    ['a little short, as allowed', 'short', 2, 'right'],
    ['further short', 'short', 2.1, 'loose'],
    ['short by nobody knows what', 'short', 0, 'loose'],
    ['a little past, as allowed', 'past', 3, 'right'],
    ['further past', 'past', 3.1, 'tight'],
  ] as const)('%s', (_, stands, by, side) =>
    expect(tensionOfMark(marked(2, 3), { kind: 'mark', stands, by }).side).toBe(side),
  );
  test.each<[Feel, string]>([
    ['stuck', 'tight'],
    ['justSlides', 'right'],
    ['slidesEasily', 'right'],
    ['hangs', 'loose'],
  ])('by feel: %s', (feel, side) =>
    expect(tensionOfFeel(chain, { kind: 'feel', feel }).side).toBe(side),
  );
  test('where hanging is right, all else is too tight', () => {
    const hanging = madeCheck('feel', { good: ['hangs'] });
    const side = (feel: Feel) => tensionOfFeel(hanging, { kind: 'feel', feel }).side;
    expect(['stuck', 'slidesEasily', 'hangs'].map((f) => side(f as Feel))).toEqual([
      'tight',
      'tight',
      'right',
    ]);
  });
  test('a tensioner that sets itself is never adjusted, whichever way it is off', () => {
    for (const stands of ['short', 'past'] as const) {
      const off = tensionOfMark(marked(0, 0), { kind: 'mark', stands, by: 5 });
      expect(judgeTensionAlone(off).id).toBe(stands === 'short' ? 'loose' : 'overTight');
      expect(judgeTensionAlone(off, true).id).toBe('tensionerFaulty');
    }
  });
});

describe('tension and travel together', () => {
  const verdict = (feel: Feel, left?: number, change: object = {}) => {
    const own = { ...chain, ...change };
    const { decision, places } = verdictOf(own, {
      here: [...(left === undefined ? [] : [travelLeft(left)]), { kind: 'feel', feel }],
    });
    return [decision, places[0]?.findings[0]?.id];
  };
  test.each<[string, Feel, number | undefined, string, string]>([
    ['right, with plenty left', 'justSlides', 42, 'holds', 'inside'],
    ['right, and nobody looked at the slot', 'justSlides', undefined, 'remeasure', 'travelMissing'],
    ['right by its feel with no travel left', 'slidesEasily', 0, 'shorten', 'falseTension'],
    ['loose with travel left', 'hangs', 42, 'adjust', 'loose'],
    ['loose at the end of its travel', 'hangs', 4, 'shorten', 'travelGone'],
    ['too tight', 'stuck', 42, 'adjust', 'overTight'],
    ['loose, and nobody looked at the slot', 'hangs', undefined, 'remeasure', 'travelMissing'],
  ])('%s', (_, feel, left, decision, finding) => {
    const [decided, first] = verdict(feel, left);
    expect([decided, first]).toEqual([decision, finding]);
  });
  test('at the end of its travel and too long to be shortened it is renewed', () => {
    // the slot is so long that the chain is past its limit when all of it is used
    const long = { takeUp: { ...takeUp, total: 80 } };
    expect(verdict('hangs', 2, long)).toEqual(['replace', 'stretchedOut']);
    expect(verdict('justSlides', 0, long)).toEqual(['replace', 'stretchedOut']);
  });
  test('it says what is left and what to take out, in millimetres and links', () => {
    const readings = { here: [travelLeft(4), { kind: 'feel', feel: 'hangs' } as const] };
    const [place] = verdictOf(chain, readings).places;
    expect(place?.findings[0]?.id).toBe('travelGone');
    const alone = madeCheck('feel', { good: ['justSlides'] });
    expect(said(alone, { kind: 'feel', feel: 'hangs' })).toEqual([
      'adjust',
      'Chain hangs loose: too loose: tighten it.',
    ]);
  });
});
