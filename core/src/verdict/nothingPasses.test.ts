import type { Check, Reading, ReadingValue } from '../contracts';
import { madeCheck, reading } from '../testing/sheet';
import type { MachineFacts } from '../kinds';
import { headSentence, judgeCheck, verdictSentence } from './index';

/*
 * Nothing passes by accident: each of these once read "holds".
 */
const use = { seasonStart: '2026-06-30', seasonEnd: '2026-07-14', inSeason: 8, outOfSeason: 0 };
const facts: MachineFacts = {
  hours: 1284,
  seasonHours: 108.87,
  crop: 'Lentils',
  header: 'Merle 10',
  today: '2026-06-09',
  use,
};
const mm = (...values: number[]): ReadingValue => ({
  kind: 'measure',
  values,
  typed: [],
  unit: 'mm',
});
const condition = (grade: 'sound' | 'marked' | 'damaged'): ReadingValue => ({
  kind: 'condition',
  grade,
  seen: [],
  found: grade === 'damaged' ? 'torn' : '',
});
const belt = madeCheck('measure', {
  limit: { type: 'wear', nominal: 38, limit: 35 },
  tool: { name: 'Caliper', resolution: 0.1 },
});
const shield = madeCheck('condition', {
  looksFor: ['tears'],
  places: ['left', 'right'],
  damaged: 'replace',
});
const at = (takenAt: string, change: Partial<Reading> = {}): Partial<Reading> => ({
  takenAt,
  ...change,
});
const judge = (check: Check, readings: readonly Reading[], now: MachineFacts = facts) => {
  const verdict = judgeCheck(check, readings, now);
  if (!verdict) throw new Error('nothing judged');
  return verdict;
};

describe('a reading of another kind than the check has become', () => {
  test('proves nothing: a revision that makes a look a measure', () => {
    const verdict = judge(belt, [reading('made', 'here', condition('damaged'))]);
    expect(verdict.decision).toBe('remeasure');
    expect(verdictSentence(verdict)).not.toBe('');
  });
});

describe('nonsense is refused by name, never judged', () => {
  const made = (kind: string, change: object) => madeCheck(kind as never, change) as Check;
  test.each<[string, Check, object]>([
    ['value.values', belt, { kind: 'measure', values: [NaN], typed: [], unit: 'mm' }],
    ['value.values', belt, { kind: 'measure', values: [], typed: [], unit: 'mm' }],
    ['value.values', belt, { kind: 'measure', values: [-3], typed: [], unit: 'mm' }],
    ['value.grade', shield, { kind: 'condition', grade: 'splendid', seen: [], found: '' }],
    [
      'value.missing',
      made('count', { total: 48, counted: 'knives', renew: 'each' }),
      { kind: 'count', missing: -1, damaged: 0, oneEdge: 0, bothEdges: 0 },
    ],
    [
      'value.fits',
      made('gonogo', { gauge: 'Gauge', good: 'fits', otherwise: 'replace' }),
      { kind: 'gonogo', fits: undefined },
    ],
    [
      'value.level',
      made('level', { eye: 'glass', product: 'Oil' }),
      { kind: 'level', level: 'full', colour: '' },
    ],
    [
      'value.stands',
      made('mark', { gauge: { length: 40, past: 2 }, maxSideDifference: 2 }),
      { kind: 'mark', stands: 'sideways', by: 0 },
    ],
    ['value.feel', made('feel', { good: ['justSlides'] }), { kind: 'feel', feel: 'nice' }],
  ])('%s', (field, check, value) => {
    const place = check.places[0] ?? '';
    const readings = [{ ...reading(check.id, place, mm(36)), value: value as ReadingValue }];
    expect(() => judgeCheck(check, readings, facts)).toThrow(
      expect.objectContaining({ field }) as Error,
    );
  });
});

describe('better than new', () => {
  test.each([
    [38.3, 'a new belt may be a little wide', true],
    [39, 'wider than any new one', false],
    [83, '83 typed for 38', false],
    [31, 'a thoroughly worn one', true],
    [3.8, '3.8 typed for 38', false],
  ])('%d mm: %s', (width, _, passes) => {
    const verdict = judge(belt, [reading('made', 'here', mm(width))]);
    expect(verdict.places[0]?.findings.some((f) => f.id === 'implausible')).toBe(!passes);
    if (!passes) expect(verdict.decision).toBe('remeasure');
  });
  test('a chain of a pitch too few counted', () => {
    const chain = madeCheck('series', {
      limit: { type: 'elongation', pitch: 41.4, pitches: 10, limitPercent: 2 },
      places: ['row 1'],
      outOfFamily: 4,
      tool: { name: 'Rule', resolution: 1 },
    });
    const verdict = judge(chain, [reading('made', 'row 1', mm(9 * 41.4))]);
    expect(verdict.decision).toBe('remeasure');
    expect(headSentence(chain, verdict.places[0]?.findings ?? [])).toMatch(/better than new/);
  });
  test('kept with a word of why, it says nothing of what is to come', () => {
    const rated = madeCheck('measure', {
      limit: { type: 'wear', nominal: 38, limit: 35 },
      tool: { name: 'Caliper', resolution: 0.1 },
      wearRate: { perHour: 0.0006, sd: 0.0003 },
    });
    const odd = reading('made', 'here', mm(83), {
      takenAt: '2026-05-01T07:00:00Z',
      hours: 1200,
      walkId: null,
      note: 'a wide one',
    });
    const now = reading('made', 'here', mm(37));
    expect(judge(rated, [odd, now]).places[0]?.forecast?.chance).toBe(
      judge(rated, [now]).places[0]?.forecast?.chance,
    );
  });
  test('the sheet may say what a new part may be, and what can be read at all', () => {
    const wide = { ...belt, newTolerance: 1.5, plausible: { low: 33 } };
    expect(judge(wide, [reading('made', 'here', mm(39))]).decision).toBe('holds');
    expect(judge(wide, [reading('made', 'here', mm(32))]).decision).toBe('remeasure');
  });
});

describe('an unread place', () => {
  test('one of two shields read is not done', () => {
    const verdict = judge(shield, [reading('made', 'left', condition('sound'))]);
    expect([verdict.decision, verdict.unmeasured]).toEqual(['due', ['right']]);
    expect(verdictSentence(verdict)).toBe('Not read yet: right.');
  });
  test('what is wrong with the one goes before what is not known of the other', () =>
    expect(judge(shield, [reading('made', 'left', condition('damaged'))]).decision).toBe(
      'replace',
    ));
});

describe('a reading that no longer counts', () => {
  const every = { kind: 'every', hours: 100, days: 365 } as const;
  const old = (hours: number, takenAt = '2026-05-20T07:00:00.000Z') =>
    reading('made', 'here', mm(37.9), { hours, takenAt, walkId: null });
  test.each([
    ['read 1,000 h ago, to be read every 100 h', { ...belt, interval: every }, old(284), 'due'],
    ['read 50 h ago', { ...belt, interval: every }, old(1234), 'holds'],
    [
      'read more than a year ago',
      { ...belt, interval: every },
      old(1280, '2025-06-01T07:00:00.000Z'),
      'due',
    ],
    [
      'read last season, to be read before each',
      belt,
      old(1176, '2025-09-16T07:00:00.000Z'),
      'due',
    ],
    ['read for this season', belt, old(1284), 'holds'],
    [
      'a daily look of last season',
      { ...belt, interval: { kind: 'daily' } },
      old(1176, '2025-09-16T07:00:00.000Z'),
      'due',
    ],
    [
      'a per-crop look of last season',
      { ...belt, interval: { kind: 'perCrop' } },
      old(1176, '2025-09-16T07:00:00.000Z'),
      'due',
    ],
  ] as const)('%s: %4$s', (_, check, one, decision) =>
    expect(judge(check as Check, [one]).decision).toBe(decision),
  );
  test('the early look at a new part is due once its hour has come, until it is read', () => {
    const chain = { ...belt, interval: { kind: 'season', early: 10 } } as Check;
    const fitted = reading('made', 'here', mm(38), {
      ...at('2026-06-01T07:00:00.000Z'),
      hours: 1260,
      state: 'asLeft',
      renewed: true,
      walkId: null,
    });
    const later = (hours: number) =>
      reading('made', 'here', mm(37.9), {
        ...at('2026-06-08T07:00:00.000Z'),
        hours,
        walkId: null,
      });
    const on = (hours: number, ...readings: Reading[]) =>
      judge(chain, [fitted, ...readings], { ...facts, hours }).decision;
    expect(on(1265)).toBe('watch');
    expect(on(1270)).toBe('due');
    expect(on(1284)).toBe('due');
    expect(on(1284, later(1262))).toBe('due');
    expect(on(1284, later(1271))).toBe('holds');
  });
});

describe('what was read for another crop or of another header', () => {
  const fit = (crop: string, header: string | null = 'H41') => ({ fit: { crop, header } });
  const crops = { ...belt, interval: { kind: 'perCrop' } } as Check;
  test('a change of crop makes what is to be read per crop due again', () => {
    const one = reading('made', 'here', mm(37.9), fit('Lentils'));
    expect(judge(crops, [one]).decision).toBe('holds');
    expect(judge(crops, [one], { ...facts, crop: 'Malting barley' }).decision).toBe('due');
    expect(judge(belt, [one], { ...facts, crop: 'Malting barley' }).decision).toBe('holds');
    const unsaid = reading('made', 'here', mm(37.9));
    const since = (cropSince: string) => judge(crops, [unsaid], { ...facts, cropSince }).decision;
    expect(since('2026-07-01')).toBe('due');
    expect(since('2026-06-01')).toBe('holds');
  });
  test('another header of the same model has not been read', () => {
    const on = { ...belt, on: 'header' } as Check;
    const one = reading('made', 'here', mm(37.9), fit('Lentils'));
    const with41 = { ...facts, headerSerial: 'H41' };
    const with45 = { ...facts, headerSerial: 'H45' };
    expect(judgeCheck(on, [one], with41)?.decision).toBe('holds');
    expect(judgeCheck(on, [one], with45)).toBeUndefined();
    expect(judgeCheck(belt, [one], with45)?.decision).toBe('holds');
    const damaged = reading('made', 'here', mm(34), fit('Lentils', 'H45'));
    expect(judgeCheck(on, [one, damaged], with41)?.decision).toBe('holds');
    expect(judgeCheck(on, [one, damaged], with45)?.decision).toBe('replace');
  });
  test('where a reading does not say and another header came on since, it has not been read', () => {
    const on = { ...belt, on: 'header' } as Check;
    const old = reading('made', 'here', mm(37.9));
    const since = (headerSince: string) =>
      judgeCheck(on, [old], { ...facts, headerSerial: 'H45', headerSince })?.decision;
    expect(since('2026-06-01T00:00:00.000Z')).toBe('holds');
    expect(since('2026-07-01T00:00:00.000Z')).toBeUndefined();
  });
  test('where a reading does not say, it is taken to be of what is on', () => {
    const on = { ...belt, on: 'header' } as Check;
    expect(
      judgeCheck(on, [reading('made', 'here', mm(37.9))], { ...facts, headerSerial: 'H45' })
        ?.decision,
    ).toBe('holds');
  });
});

describe('damage and a passed limit', () => {
  const one = madeCheck('condition', { looksFor: ['tears'], damaged: 'replace' });
  const damaged = reading('made', 'here', condition('damaged'), at('2026-06-09T07:00:00.000Z'));
  const sound = (change: Partial<Reading> = {}) =>
    reading('made', 'here', condition('sound'), at('2026-06-09T07:10:00.000Z', change));
  test.each<[string, readonly Reading[], string]>([
    ['a later look does not undo it', [damaged, sound()], 'replace'],
    ['nor one as left with nothing renewed', [damaged, sound({ state: 'asLeft' })], 'replace'],
    [
      'nor one in a later walk',
      [damaged, sound({ walkId: null, takenAt: '2026-06-20T07:00:00Z' })],
      'replace',
    ],
    ['a new part does', [damaged, sound({ state: 'asLeft', renewed: true })], 'holds'],
    ['a repair does', [damaged, sound({ state: 'asLeft', repaired: true })], 'holds'],
    ['striking it does', [damaged, sound({ strikes: damaged.id })], 'holds'],
  ])('%s', (_, readings, decision) => expect(judge(one, readings).decision).toBe(decision));

  const found = reading('made', 'here', mm(34.9), at('2026-06-09T07:00:00.000Z'));
  const left = (change: Partial<Reading>) =>
    reading('made', 'here', mm(35.15), {
      ...at('2026-06-09T08:00:00.000Z'),
      state: 'asLeft',
      ...change,
    });
  test('the noise of a reading as left does not undo a passed limit', () => {
    const verdict = judge(belt, [found, left({})]);
    expect(verdict.decision).toBe('replace');
    expect(verdictSentence(verdict)).toMatch(/34.9 mm was at or past the limit of 35 mm/);
  });
  test('a new belt does', () =>
    expect(judge(belt, [found, { ...left({ renewed: true }), value: mm(38) }]).decision).toBe(
      'holds',
    ));
  test('what was lost stays lost until it is renewed', () => {
    const knives = madeCheck('count', { total: 48, counted: 'knives', renew: 'opposite' });
    const counted = (missing: number, change: Partial<Reading> = {}) =>
      reading(
        'made',
        'here',
        { kind: 'count', missing, damaged: 0, oneEdge: 0, bothEdges: 0 },
        change,
      );
    expect(judge(knives, [counted(2), counted(0)]).decision).toBe('replace');
    expect(
      judge(knives, [counted(2), counted(0, { state: 'asLeft', renewed: true })]).decision,
    ).toBe('holds');
  });
});

describe('repeats', () => {
  test('one odd value among many does not keep a place in doubt for ever', () => {
    const many = [37, 37.1, 37, 37, 37.1, 40.1].map((v) => reading('made', 'here', mm(v)));
    expect(judge({ ...belt, newTolerance: 3 }, many).decision).toBe('holds');
    expect(judge({ ...belt, newTolerance: 3 }, many.slice(3)).decision).toBe('remeasure');
  });
  test('three repeats are one look, not three', () => {
    const rated = madeCheck('measure', {
      limit: { type: 'wear', nominal: 38, limit: 35 },
      tool: { name: 'Caliper', resolution: 0.1 },
      wearRate: { perHour: 0.0006, sd: 0.0003 },
    });
    const fitted = reading('made', 'here', mm(38), {
      ...at('2024-06-09T07:00:00.000Z'),
      hours: 400,
      state: 'asLeft',
      renewed: true,
      walkId: null,
    });
    const chance = (n: number) =>
      judge(rated, [fitted, ...Array.from({ length: n }, () => reading('made', 'here', mm(36)))])
        .places[0]?.forecast;
    const [once, thrice] = [chance(1), chance(3)];
    expect(thrice?.high ?? 0).toBeGreaterThan((once?.high ?? 0) - 0.003);
    expect((thrice?.high ?? 0) - (thrice?.low ?? 0)).toBeGreaterThan(
      0.95 * ((once?.high ?? 0) - (once?.low ?? 0)),
    );
  });
  test('what was found before and after something was put right is not pooled', () => {
    const readings = [
      reading('made', 'here', mm(35.5), at('2026-06-09T07:00:00.000Z')),
      reading('made', 'here', mm(38), {
        ...at('2026-06-09T08:00:00.000Z'),
        state: 'asLeft',
        renewed: true,
      }),
      reading('made', 'here', mm(37.9), at('2026-06-09T09:00:00.000Z')),
    ];
    expect(judge(belt, readings).places[0]?.value).toBe(37.9);
  });
});

describe('more than two sides', () => {
  test('the two furthest apart are compared', () => {
    const canisters = madeCheck('mark', {
      places: ['front', 'middle', 'rear'],
      gauge: { length: 40, past: 9 },
      maxSideDifference: 3,
    });
    const stands = (place: string, by: number) =>
      reading('made', place, { kind: 'mark', stands: 'past', by });
    const verdict = judge(canisters, [stands('front', 1), stands('middle', 2), stands('rear', 6)]);
    expect(verdict.decision).toBe('adjust');
    expect(verdictSentence(verdict)).toMatch(/^Front and rear differ by 5 mm/);
  });
});

describe('a new part that nobody has read yet', () => {
  test('begins a life and is due', () => {
    const worn = reading('made', 'here', mm(35.4), at('2026-05-01T07:00:00.000Z', { hours: 1200 }));
    const fitted = reading(
      'made',
      'here',
      { kind: 'renewal', fittedBy: 'owner', part: 'LM-3310' },
      { ...at('2026-06-01T07:00:00.000Z'), hours: 1260, state: 'asLeft', renewed: true },
    );
    const verdict = judge(belt, [worn, fitted]);
    expect(verdict.decision).toBe('due');
    expect(verdictSentence(verdict)).toBe(
      'A new part was fitted at 1,260 h by the owner and has not been read since: read it.',
    );
    const read = reading('made', 'here', mm(37.9), at('2026-06-09T07:00:00.000Z'));
    expect(judge(belt, [worn, fitted, read]).decision).toBe('holds');
  });
});
