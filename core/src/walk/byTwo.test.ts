import type { Reading, ReadingValue } from '../contracts';
import { demoCheck, madeCheck, reading } from '../testing/sheet';
import { live, placesOf, takenByTwo } from '../history';
import { facts, measured } from '../testing/judged';
import { judgeCheck, verdictSentence } from '../verdict';
import { isRead, unreadPlaces } from './index';

const HANNE = 'Hanne Vos';
const BRAM = 'Bram Tolley';
const at = (minute: string) => `2026-06-09T08:${minute}:00.000Z`;
const grade = (is: 'sound' | 'damaged', found = ''): ReadingValue => ({
  kind: 'condition',
  grade: is,
  seen: [],
  found,
});
const shield = madeCheck('condition', { looksFor: ['tears'], places: ['left'] });
const looked = (value: ReadingValue, change: Partial<Reading> = {}) =>
  reading(shield.id, 'left', value, change);
const judge = (...readings: Reading[]) => judgeCheck(shield, readings, facts);

describe('a check taken by two in one walk', () => {
  const hers = looked(grade('sound'), { by: HANNE, takenAt: at('10') });
  const his = looked(grade('damaged', 'torn'), { by: BRAM, takenAt: at('05') });

  test('by one, however often, is not by two', () => {
    expect(takenByTwo([hers, { ...hers, id: his.id }])).toBeUndefined();
    expect(takenByTwo([])).toBeUndefined();
  });
  test('nor is one of another walk, or of none', () =>
    expect(takenByTwo([{ ...his, walkId: null }, hers])).toBeUndefined());
  test('the newest of each is shown, in the order they came', () => {
    const before = { ...his, id: '0197a000-0000-7000-8000-00000000cccc', takenAt: at('01') };
    expect(takenByTwo([before, his, hers])).toEqual({ takes: [his, hers], differ: true });
  });
  test('what was typed and how it was described make no difference', () =>
    expect(
      takenByTwo([
        looked(measured(36), { by: HANNE }),
        looked({ kind: 'measure', values: [36], typed: ['1 27/64'], unit: 'in' }, { by: BRAM }),
      ])?.differ,
    ).toBe(false));
});

test('one saw water in the oil and the other did not: nothing holds', () => {
  const oil = demoCheck('engine-oil', 'level');
  const [place = ''] = oil.places;
  const at = (by: string, colour: string, minute: string) =>
    reading(
      oil.id,
      place,
      { kind: 'level', level: 'right', colour, product: '', toppedUp: null },
      { by, takenAt: `2026-06-09T08:${minute}:00.000Z` },
    );
  const decisionOf = (...readings: Reading[]) => judgeCheck(oil, readings, facts)?.decision;
  expect(decisionOf(at(HANNE, 'milky', '01'), at(BRAM, 'clear', '02'))).toBe('remeasure');
  expect(decisionOf(at(HANNE, 'clear', '01'), at(BRAM, 'clear', '02'))).toBe('holds');
});

describe('two who do not say the same', () => {
  const slides: ReadingValue = { kind: 'feel', feel: 'justSlides', play: false };
  const hangs: ReadingValue = { kind: 'feel', feel: 'hangs', play: false };
  const left: ReadingValue = { kind: 'travel', left: 44, linksOut: 0, typed: '', unit: 'mm' };
  const chain = demoCheck('elevator-chain', 'feel');
  const [place = ''] = chain.places;
  const felt = (value: ReadingValue, by: string, minute: string, change: Partial<Reading> = {}) =>
    reading(chain.id, place, value, { by, takenAt: at(minute), ...change });
  const one = felt(hangs, HANNE, '01');
  const other = felt(slides, BRAM, '03');
  const travel = felt(left, BRAM, '04');
  const judged = (...readings: Reading[]) => judgeCheck(chain, readings, facts);

  test('nothing holds by the later of the two', () => {
    const verdict = judged(one, other, travel);
    expect(verdict?.decision).toBe('remeasure');
    expect(verdict && verdictSentence(verdict)).toMatch(
      /^Hanne Vos and Bram Tolley read it differently/,
    );
  });
  test('once one is struck, with a reason, the other counts', () => {
    const strike = felt({ kind: 'strike', why: 'cover was on it' }, BRAM, '06', {
      strikes: one.id,
    });
    expect(judged(one, other, travel, strike)?.decision).toBe('holds');
    const the = felt({ kind: 'strike', why: 'was too quick' }, BRAM, '06', { strikes: other.id });
    expect(judged(one, other, travel, the)?.decision).toBe('adjust');
  });
  test('a measure by two is repeats of one, judged by their spread', () => {
    const belt = demoCheck('fan-drive-belt', 'measure');
    const width = (mm: number, by: string, minute: string) =>
      reading(belt.id, 'belt', measured(mm), { by, takenAt: at(minute) });
    expect(
      judgeCheck(belt, [width(37, HANNE, '01'), width(37.1, BRAM, '02')], facts),
    ).toMatchObject({ decision: 'holds' });
    expect(
      judgeCheck(belt, [width(37, HANNE, '01'), width(39.5, BRAM, '02')], facts)?.decision,
    ).toBe('remeasure');
  });
});

describe('a reading that is struck, with nothing in its place', () => {
  const first = looked(grade('sound'), { takenAt: at('01') });
  const strike = looked(
    { kind: 'strike', why: 'wrong machine' },
    {
      takenAt: at('02'),
      strikes: first.id,
    },
  );

  test('neither of the two counts', () => {
    expect(live([first, strike])).toEqual([]);
    expect(judge(first, strike)).toBeUndefined();
    expect(unreadPlaces(shield, live([first, strike]))).toEqual(['left']);
    expect(isRead(shield, live([first, strike]))).toBe(false);
  });
  test('what was read before it counts again, of its own day', () => {
    const before = looked(grade('sound'), { takenAt: '2026-05-01T08:00:00.000Z', walkId: null });
    expect(judge(before, first, strike)?.takenAt).toBe(before.takenAt);
  });
  test('what was damaged is so no more when that was struck; a later sound look alone does not do it', () => {
    const torn = looked(grade('damaged', 'torn'), { takenAt: at('00') });
    expect(judge(torn, first)?.decision).toBe('replace');
    expect(judge(torn, first, { ...strike, strikes: torn.id })?.decision).toBe('holds');
  });
  test('the strike is no tick of the strip', () => {
    const [place] = placesOf(['left'], [first, looked(grade('sound')), strike]).read;
    expect(place?.all.map((r) => r.value.kind)).toEqual(['condition', 'condition']);
    expect([...(place?.struck ?? [])]).toEqual([first.id]);
  });
});
