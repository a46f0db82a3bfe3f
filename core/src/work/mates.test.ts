import { ifLeft, ifLeftSentence, judgeMachine } from '../verdict';
import { madeCheck, reading, TAKE_UP } from '../testing/sheet';
import type { Check, ReadingValue } from '../contracts';
import { matesOf, proposeWork } from './index';

const facts = { hours: 1284, seasonHours: 109 };
const measured = (x: number): ReadingValue => ({
  kind: 'measure',
  values: [x],
  typed: [],
  unit: 'mm',
});
const sprocket = madeCheck('measure', {
  id: 'sprocket',
  component: 'Conveyor sprocket',
  limit: { type: 'wear', nominal: 8, limit: 6 },
  parts: [{ number: 'LM-2110', name: 'Drive sprocket', each: 1 }],
  labourPer: 'check',
});
const chain = madeCheck('measure', {
  id: 'chain',
  component: 'Conveyor chain',
  limit: { type: 'elongation', pitch: 41.4, pitches: 10, limitPercent: 2 },
  wearRate: { perHour: 0.001, sd: 0.0003 },
  parts: [{ number: 'LM-2104', name: 'Chain', each: 1 }],
  pairs: [{ check: 'sprocket', from: 0.5, why: 'hooked teeth ruin a new chain.' }],
});
const verdicts = (chainLength: number, tooth: number) =>
  judgeMachine(
    [chain, sprocket] as Check[],
    [reading('chain', 'here', measured(chainLength)), reading('sprocket', 'here', measured(tooth))],
    facts,
  );

describe('new on old', () => {
  test('a chain to be renewed brings the sprocket that is worn past pairing, with its parts and the reason', () => {
    const [worn, teeth] = verdicts(425, 6.8);
    expect(worn!.decision).toBe('replace');
    expect(matesOf(worn!, [worn!, teeth!])).toMatchObject([
      { check: { id: 'sprocket' }, wear: expect.closeTo(0.6, 9) as number },
    ]);
    const work = proposeWork(worn!, { others: [worn!, teeth!] });
    expect(work?.parts.map((p) => p.number)).toEqual(['LM-2104', 'LM-2110']);
    expect(work?.reason).toMatch(/With it conveyor sprocket: hooked teeth ruin a new chain\.$/);
  });
  test('a good sprocket stays', () => {
    const all = verdicts(425, 7.5);
    expect(matesOf(all[0]!, all)).toEqual([]);
    expect(proposeWork(all[0]!, { others: all })?.parts).toHaveLength(1);
  });
  test('a sprocket to be replaced anyway is a mate but brings its own parts', () => {
    const all = verdicts(425, 5);
    expect(matesOf(all[0]!, all)).toHaveLength(1);
    expect(proposeWork(all[0]!, { others: all })?.parts).toHaveLength(1);
  });
  test('a chain that stays brings nothing', () => {
    const all = verdicts(415, 6.5);
    expect(matesOf(all[0]!, all)).toEqual([]);
  });
});

describe('what if left', () => {
  test('past its limit it is said so', () =>
    expect(ifLeftSentence(verdicts(425, 7)[0]!.places[0]!, facts)).toBe(
      "It would go into this harvest's 109 h past its limit.",
    ));
  test('with a forecast the chance and the hours are said', () => {
    const place = verdicts(420.5, 7)[0]!.places[0]!;
    const left = ifLeft(place, facts);
    expect(left.chance).toBeCloseTo(place.forecast!.chance, 12);
    expect(left.hours).toBeCloseTo(place.forecast!.hours50, 12);
    expect(ifLeftSentence({ ...place, decision: 'replace' }, facts)).toMatch(
      /^Chance of reaching the limit within this harvest's 109 h: (less than 1|\d+) %, most likely after \d+ h\.$/,
    );
  });
  test('travel that runs out first is what ends it', () => {
    const takeUp = TAKE_UP;
    const mark = madeCheck('mark', {
      gauge: { length: 60, past: 2 },
      maxSideDifference: 3,
      takeUp,
    });
    const read = (left: number) =>
      judgeMachine(
        [mark],
        [
          reading('made', 'here', { kind: 'mark', stands: 'at', by: 0 }),
          reading('made', 'here', { kind: 'travel', left, linksOut: 0, typed: '', unit: 'mm' }),
        ],
        { hours: 400, seasonHours: 109 },
      )[0]!.places[0]!;
    expect(ifLeft(read(3), facts)).toMatchObject({ id: 'travelEnds' });
    expect(ifLeft(read(43), facts)).toMatchObject({ id: 'travelLasts' });
    expect(ifLeftSentence(read(3), facts)).toMatch(
      /^Its travel would run out after about \d+ h of this harvest's 109 h\.$/,
    );
  });
  test('nothing is made up where nothing is known', () =>
    expect(ifLeft({ ...verdicts(415, 7)[1]!.places[0]!, forecast: undefined }, facts)).toEqual({
      id: 'unknown',
      season: 109,
    }));
});
