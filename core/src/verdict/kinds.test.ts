import fc from 'fast-check';
import type { Check, Reading, ReadingValue } from '../contracts';
import { madeCheck, reading } from '../testing/sheet';
import { expectedOption, type MachineFacts } from '../kinds';
import { headSentence, judgeCheck, judgeMachine } from './index';

const facts: MachineFacts = {
  hours: 1284,
  seasonHours: 108.87,
  crop: 'Lentils',
  header: 'DF10',
  today: '2026-06-09',
};
const measured = (...values: number[]): ReadingValue => ({
  kind: 'measure',
  values,
  typed: [],
  unit: 'mm',
});
const verdictOf = (
  check: Check,
  values: Readonly<Record<string, ReadingValue | readonly ReadingValue[]>>,
  change: Partial<Reading> = {},
  at: MachineFacts = facts,
) => {
  const verdict = judgeCheck(
    check,
    Object.entries(values).flatMap(([place, v]) =>
      (Array.isArray(v) ? (v as ReadingValue[]) : [v as ReadingValue]).map((one) =>
        reading(check.id, place, one, change),
      ),
    ),
    at,
  );
  if (!verdict) throw new Error('nothing judged');
  return verdict;
};
const said = (
  check: Check,
  value: ReadingValue,
  change: Partial<Reading> = {},
  at: MachineFacts = facts,
) => {
  const verdict = verdictOf(check, { [check.places[0]!]: value }, change, at);
  return [verdict.decision, headSentence(check, verdict.places[0]!.findings)] as const;
};

describe('a clearance in its band', () => {
  const gap = madeCheck('measure', {
    limit: { type: 'band', low: 0.4, high: 1.2, above: 'adjust', below: 'adjust' },
  });
  test.each([
    [0.8, 'holds'],
    [0.2, 'adjust'],
    [0, 'adjust'],
    [1.5, 'adjust'],
    [0.41, 'remeasure'],
    [1.19, 'remeasure'],
  ] as const)('%d mm: %s', (x, decision) => expect(said(gap, measured(x))[0]).toBe(decision));
  test('says which side and what the band is', () =>
    expect(said(gap, measured(1.5))[1]).toBe('1.5 mm is above 0.4 mm to 1.2 mm. Set it.'));
  test('three repeats at the edge settle it, and the edge itself is inside', () => {
    expect(said(gap, measured(1.2, 1.2, 1.2))[0]).toBe('holds');
    expect(said(gap, measured(1.21, 1.21, 1.21))[0]).toBe('adjust');
  });
  test('a band may lead to renewing or to turning', () => {
    expect(
      said(
        madeCheck('measure', { limit: { type: 'band', high: 2, above: 'replace' } }),
        measured(3),
      )[0],
    ).toBe('replace');
    expect(
      said(
        madeCheck('measure', { limit: { type: 'band', low: 5, below: 'turn' } }),
        measured(3),
      )[0],
    ).toBe('turn');
  });
  test('a new belt has its own band until it is run in', () => {
    const belt = madeCheck('measure', {
      quantity: 'frequency',
      unit: 'Hz',
      style: 'plain',
      tool: { name: 'Phone', resolution: 0.5 },
      limit: { type: 'band', low: 40, high: 48, whenNew: { low: 52, high: 60, hours: 20 } },
    });
    expect(said(belt, measured(56), { renewed: true, state: 'asLeft' })[0]).toBe('holds');
    expect(said(belt, measured(44), { renewed: true, state: 'asLeft' })).toEqual([
      'adjust',
      '44 Hz is below 52 Hz to 60 Hz. Set it.',
    ]);
    expect(said(belt, measured(44))[0]).toBe('holds');
  });
  test('a voltage is printed in volts', () => {
    const sensor = madeCheck('measure', {
      quantity: 'voltage',
      unit: 'V',
      style: 'plain',
      tool: { name: 'Meter', resolution: 0.01 },
      limit: { type: 'band', low: 0.7, high: 4.1 },
    });
    expect(said(sensor, measured(4.6))[1]).toBe('4.6 V is above 0.7 V to 4.1 V. Set it.');
  });
  test('repeats that scatter are taken again', () =>
    expect(said(gap, measured(0.6, 1))[0]).toBe('remeasure'));
  test('no value turns from outside to inside by going further out', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.3, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (x, more) =>
          said(gap, measured(x))[0] === 'adjust' && said(gap, measured(x + more))[0] === 'adjust',
      ),
    );
  });
});

describe('concave clearance at four corners', () => {
  const concave = madeCheck('series', {
    places: ['front left', 'front right', 'rear left', 'rear right'],
    limit: { type: 'band', low: 6, high: 10 },
    maxDifference: 1,
    outOfFamily: 2,
  });
  test('all alike and in the band holds', () =>
    expect(
      verdictOf(concave, {
        'front left': measured(8),
        'front right': measured(8.2),
        'rear left': measured(8.1),
        'rear right': measured(8.4),
      }).decision,
    ).toBe('holds'));
  test('out of level adjusts the two corners furthest apart and names them', () => {
    const verdict = verdictOf(concave, {
      'front left': measured(7),
      'front right': measured(8),
      'rear left': measured(8),
      'rear right': measured(8.6),
    });
    expect(verdict.places.map((p) => p.decision)).toEqual(['adjust', 'holds', 'holds', 'adjust']);
    expect(headSentence(concave, verdict.places[0]!.findings)).toBe(
      'Front left 7 mm and rear right 8.6 mm differ by 1.6 mm, 1 mm allowed. Level them.',
    );
  });
  test('when put right, the readings as left are compared', () => {
    const found = {
      'front left': measured(7),
      'front right': measured(8),
      'rear left': measured(8),
      'rear right': measured(8.6),
    };
    const all = [
      ...Object.entries(found).map(([p, v]) => reading('made', p, v)),
      reading('made', 'front left', measured(8), { state: 'asLeft' }),
    ];
    expect(judgeCheck(concave, all, facts)!.decision).toBe('holds');
  });
});

describe('an indicator with no travel to read', () => {
  const canister = madeCheck('mark', {
    gauge: { length: 40, past: 2, short: 1 },
    maxSideDifference: 2,
  });
  test.each([
    ['at', 0, 'holds'],
    ['short', 1, 'holds'],
    ['short', 3, 'adjust'],
    ['short', 0, 'adjust'],
    ['past', 2, 'holds'],
    ['past', 5, 'adjust'],
  ] as const)('%s by %d: %s', (stands, by, decision) =>
    expect(said(canister, { kind: 'mark', stands, by })[0]).toBe(decision),
  );
  test('one that sets itself is looked at, not adjusted', () => {
    const hydraulic = madeCheck('mark', {
      gauge: { length: 40, past: 2 },
      maxSideDifference: 2,
      setsItself: true,
    });
    expect(said(hydraulic, { kind: 'mark', stands: 'short', by: 6 })).toEqual([
      'replace',
      'Short of its mark, and this tensioner sets itself: do not adjust it, find the leak or the tired spring.',
    ]);
    expect(said(hydraulic, { kind: 'mark', stands: 'at', by: 0 })).toEqual([
      'holds',
      'At its mark.',
    ]);
  });
});

describe('feel with no play', () => {
  const chain = madeCheck('feel', { good: ['justSlides', 'slidesEasily'], asksPlay: true });
  test('slides as it should: holds', () =>
    expect(said(chain, { kind: 'feel', feel: 'justSlides', play: false })).toEqual([
      'holds',
      'Chain just slides, as it should.',
    ]));
  test('slides, but moves up and down: adjust', () =>
    expect(said(chain, { kind: 'feel', feel: 'justSlides', play: true })[0]).toBe('adjust'));
});

describe('a profile gauge', () => {
  test.each([
    ['fits', true, 'holds'],
    ['fits', false, 'replace'],
    ['doesNotFit', true, 'replace'],
    ['doesNotFit', false, 'holds'],
  ] as const)('good when it %s, and it fits is %s: %s', (good, fits, decision) =>
    expect(
      said(madeCheck('gonogo', { gauge: 'Belt gauge', good }), { kind: 'gonogo', fits })[0],
    ).toBe(decision),
  );
  test('turns or adjusts where the sheet says so', () => {
    expect(
      said(madeCheck('gonogo', { gauge: 'Tine gauge', good: 'fits', otherwise: 'turn' }), {
        kind: 'gonogo',
        fits: false,
      }),
    ).toEqual(['turn', 'Tine gauge does not fit: this edge is worn, turn it to the good one.']);
    expect(
      said(madeCheck('gonogo', { gauge: 'Height block', good: 'fits', otherwise: 'adjust' }), {
        kind: 'gonogo',
        fits: false,
      })[0],
    ).toBe('adjust');
  });
});

describe('a count', () => {
  const lost = (missing: number): ReadingValue => ({
    kind: 'count',
    missing,
    damaged: 0,
    oneEdge: 0,
    bothEdges: 0,
  });
  test('one pivot bolt broken renews the set', () => {
    const bolts = madeCheck('count', { counted: 'pivot bolts', total: 6, renew: 'set' });
    expect(said(bolts, lost(1))).toEqual([
      'replace',
      '1 missing of 6 pivot bolts: renew the whole set.',
    ]);
    expect(verdictOf(bolts, { here: lost(1) }).places[0]!.renew).toBe(6);
  });
  test('a few that may wait are watched', () => {
    const fingers = madeCheck('count', {
      counted: 'fingers',
      total: 40,
      renew: 'each',
      allowed: 2,
    });
    expect(said(fingers, lost(2))).toEqual([
      'watch',
      '2 of 40 fingers missing or damaged, 2 may wait.',
    ]);
    expect(said(fingers, lost(3))[0]).toBe('replace');
    expect(said(fingers, lost(0))).toEqual(['holds', 'All 40 there.']);
  });
});

describe('a condition seen', () => {
  const see = (grade: 'sound' | 'marked' | 'damaged', ...seen: string[]): ReadingValue => ({
    kind: 'condition',
    grade,
    seen,
    found: '',
  });
  const slats = madeCheck('condition', { looksFor: ['bent', 'cracked'] });
  test.each([
    ['sound', 'holds'],
    ['marked', 'watch'],
    ['damaged', 'replace'],
  ] as const)('%s: %s', (grade, decision) =>
    expect(said(slats, see(grade, 'bent'))[0]).toBe(decision),
  );
  test('the school that straightens adjusts', () =>
    expect(
      said(
        madeCheck('condition', { looksFor: ['bent'], damaged: 'adjust' }),
        see('damaged', 'bent'),
      ),
    ).toEqual(['adjust', 'Seen: bent. Put it right.']));
  test('a spent edge is turned', () =>
    expect(
      said(
        madeCheck('condition', { looksFor: ['rounded'], marked: 'turn' }),
        see('marked', 'rounded'),
      )[0],
    ).toBe('turn'));
});

describe('a level', () => {
  const box = madeCheck('level', {
    eye: 'sight glass',
    product: 'Gear oil EP 90',
    colours: ['milky', 'black'],
  });
  const at = (level: 'low' | 'right' | 'high', colour = ''): ReadingValue => ({
    kind: 'level',
    level,
    colour,
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
      { crop: 'lentils', header: 'DF10', option: 'high' },
      { header: 'RC12', option: 'low' },
    ],
  });
  const set = (option: string): ReadingValue => ({ kind: 'setting', option });
  test('the line that names crop and header goes first', () =>
    expect(said(drum, set('high'))).toEqual(['holds', 'Set to high, as Lentils wants.']));
  test('without that header the crop decides, and says why', () =>
    expect(said(drum, set('high'), {}, { ...facts, header: 'GF7' })).toEqual([
      'adjust',
      'Set to high; Lentils wants low: small seed and stones.',
    ]));
  test('any other crop takes the line that names none', () =>
    expect(expectedOption(drum, 'barley', 'GF7')?.option).toBe('high'));
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
    ).toBe('holds');
  });
});

test('a whole machine is judged in one pass, as check by check', () => {
  const checks = [
    madeCheck('measure', { id: 'a', limit: { type: 'band', low: 1 } }),
    madeCheck('condition', { id: 'b', looksFor: ['bent'] }),
    madeCheck('level', { id: 'c', eye: 'plug', product: 'oil' }),
  ];
  const readings = [
    reading('b', 'here', { kind: 'condition', grade: 'marked', seen: ['bent'], found: '' }),
    reading('a', 'here', measured(3)),
    reading('else', 'here', measured(3)),
  ];
  expect(judgeMachine(checks, readings, facts)).toEqual(
    checks.flatMap((c) => judgeCheck(c, readings, facts) ?? []),
  );
  expect(judgeMachine(checks, readings, facts).map((v) => [v.check.id, v.decision])).toEqual([
    ['a', 'holds'],
    ['b', 'watch'],
  ]);
});
