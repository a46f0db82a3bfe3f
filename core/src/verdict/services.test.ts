import type { ReadingValue } from '../contracts';
import { madeCheck } from '../testing/sheet';
import { expectedOption, type MachineFacts } from '../kinds';
import { facts, measured, said } from '../testing/judged';

describe('a level', () => {
  const box = madeCheck('level', {
    eye: 'sight glass',
    product: 'Gear oil EP 90',
    colours: ['milky', 'black'],
  });
  const at = (level: 'low' | 'right' | 'high', colour = '', product = ''): ReadingValue => ({
    kind: 'level',
    level,
    colour,
    product,
    toppedUp: null,
  });
  test('right holds; low is topped up; high is looked into', () => {
    expect(said(box, at('right', 'amber'))).toEqual(['holds', 'Right at the sight glass, amber.']);
    expect(said(box, at('low'))).toEqual([
      'adjust',
      'Low at the sight glass: top up with Gear oil EP 90, and look for the leak.',
    ]);
    expect(said(box, at('high'))[0]).toBe('adjust');
  });
  test('a telling colour is changed whatever the level', () =>
    expect(said(box, at('right', 'Milky'))).toEqual([
      'replace',
      'Gear oil EP 90 is Milky: change it and find out why.',
    ]));
  test('the classic mistake: read in the wrong position it is void', () =>
    expect(said(box, at('right'), { positionConfirmed: false })[0]).toBe('remeasure'));
});

describe('a setting against crop and header', () => {
  const drum = madeCheck('setting', {
    options: ['low', 'high'],
    expected: [
      { option: 'high' },
      { crop: 'lentils', option: 'low', because: 'small seed and stones' },
      { crop: 'lentils', header: 'Merle 10', option: 'high' },
      { header: 'Merle 12', option: 'low' },
    ],
  });
  const set = (option: string): ReadingValue => ({ kind: 'setting', option });
  test('the line that names crop and header goes first', () =>
    expect(said(drum, set('high'))).toEqual(['holds', 'Set to high, as Lentils wants.']));
  test('without that header the crop decides, and says why', () =>
    expect(said(drum, set('high'), {}, { ...facts, header: 'Tarn 7' })).toEqual([
      'adjust',
      'Set to high; Lentils wants low: small seed and stones.',
    ]));
  test('any other crop takes the line that names none', () =>
    expect(expectedOption(drum, 'barley', 'Tarn 7')?.option).toBe('high'));
  test('a crop the sheet says nothing of is not passed in silence', () => {
    const only = madeCheck('setting', {
      options: ['a', 'b'],
      expected: [{ crop: 'maize', option: 'a' }],
    });
    expect(said(only, set('b'))).toEqual([
      'watch',
      "Set to b; the sheet says nothing for Lentils. See the maker's manual.",
    ]);
  });
  test('an option that is none is refused by name', () =>
    expect(() => said(drum, set('middle'))).toThrow(/option: got middle, wanted one of low, high/));
});

describe('a service', () => {
  const clutch = madeCheck('service', {
    asks: 'strokes',
    amount: 2,
    most: 3,
    product: 'Grease NLGI 2',
    interval: { kind: 'every', hours: 50, days: 365 },
  });
  const done = (amount: number | null, product = ''): ReadingValue => ({
    kind: 'service',
    amount,
    product,
  });
  const short: MachineFacts = { ...facts, seasonHours: 30 };
  test('done as the book says holds', () =>
    expect(said(clutch, done(2), {}, short)).toEqual([
      'holds',
      'Done: 2 strokes of Grease NLGI 2.',
    ]));
  test('too much lets a slip clutch slip', () =>
    expect(said(clutch, done(5), {}, short)).toEqual([
      'adjust',
      '5 strokes given, never more than 3 strokes: wipe off and run it out.',
    ]));
  test('too little is done again; the wrong product is changed', () => {
    expect(said(clutch, done(1), {}, short)[0]).toBe('adjust');
    expect(said(clutch, done(2, 'Grease NLGI 0'), {}, short)[1]).toBe(
      'Grease NLGI 0 was used, the book says Grease NLGI 2: change it.',
    );
  });
  test('falls due inside harvest: watched, with the hour', () =>
    expect(said(clutch, done(2))).toEqual([
      'watch',
      'Falls due at 1,334 h, before harvest ends: 2 strokes of Grease NLGI 2.',
    ]));
  test('has fallen due by hours', () =>
    expect(said(clutch, done(2), { hours: 1200 }, short)).toEqual([
      'adjust',
      'Due: last done at 1,200 h, every 50 h or 365 days. 2 strokes of Grease NLGI 2.',
    ]));
  test('or by the calendar, whichever comes first', () =>
    expect(said(clutch, done(2), { takenAt: '2025-06-01T08:00:00Z', walkId: null }, short)[0]).toBe(
      'adjust',
    ));
  test('a new part is looked at early', () => {
    const chain = madeCheck('measure', {
      limit: { type: 'wear', nominal: 10, limit: 5 },
      interval: { kind: 'season', early: 20 },
    });
    expect(said(chain, measured(10), { state: 'asLeft', renewed: true })).toEqual([
      'watch',
      'New: it stretches and settles first. Look again at 1,304 h.',
    ]);
    expect(
      said(chain, measured(10), { state: 'asLeft', renewed: true }, { ...facts, hours: 1310 })[0],
    ).toBe('due');
  });
});
