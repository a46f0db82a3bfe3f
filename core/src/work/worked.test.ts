import type { WorkedEntry } from '../contracts';
import { workedEntry, workItem } from '../testing/season';
import { jobKey, jobsOf, parseMinutes, partsUsed, timesOf, workedOn, workKey } from './index';

const id = (n: number) => `0197a000-0000-7000-8000-0000000000${String(n).padStart(2, '0')}`;
const entry = (n: number, change: Partial<WorkedEntry> = {}) =>
  workedEntry({ id: id(n), ...change });
const item = workItem;
const belt = { number: 'B-1', name: 'Belt' };

describe('what was done of some work', () => {
  test('an entry that was taken back counts no more, nor does the one that takes it back', () => {
    const worked = [entry(1), entry(2, { minutes: 30 }), entry(3, { strikes: id(1) })];
    expect(workedOn({ worked }).map((w) => w.id)).toEqual([id(2)]);
  });
  test('parts of several times are one line each; none used is none', () => {
    const worked = [
      entry(1, { parts: [{ ...belt, quantity: 1 }] }),
      entry(2, {
        parts: [
          { ...belt, quantity: 2 },
          { number: 'K-1', name: 'Key', quantity: 0 },
        ],
      }),
    ];
    expect(partsUsed({ worked })).toEqual([{ ...belt, quantity: 3 }]);
  });
  test('two pieces of work on one check are told apart by what they came from', () =>
    expect(
      [
        item(),
        item({ from: 'service' }),
        item({ from: 'task', task: { key: 'task|r|set', text: 'Set' } }),
      ].map(workKey),
    ).toEqual(['fan-drive-belt', 'service fan-drive-belt', 'task task|r|set']));
});

describe('what jobs have taken against the sheet', () => {
  const checks = [{ id: 'fan-drive-belt', wearClass: 'fan-belt' }];
  test('all times of a job together, against the minutes of the sheet', () =>
    expect(jobsOf(checks, [item({ worked: [entry(1), entry(2)] })])).toEqual([
      { kind: 'fan-belt replace', ratio: 120 / 75 },
    ]));
  test.each([
    ['where the estimate was learnt already', { learnt: { sheet: 60, jobs: 4 } }, 60],
    [
      'where a person changed it',
      { proposed: { decision: 'replace' as const, minutes: 50, parts: [] } },
      50,
    ],
  ])('%s, the sheet is meant, not what was reckoned', (_, change, sheet) =>
    expect(jobsOf(checks, [item({ worked: [entry(1)], ...change })])[0]?.ratio).toBeCloseTo(
      60 / sheet,
    ),
  );
  test.each([
    ['withdrawn work', { withdrawnAt: '2026-06-11T09:00:00.000Z' }],
    ['nothing done yet', { worked: [] }],
    ['a check that is no more', { checkId: 'gone' }],
    ['work of no minutes', { minutes: 0 }],
  ])('%s teaches nothing', (_, change) =>
    expect(jobsOf(checks, [item({ worked: [entry(1)], ...change })])).toEqual([]),
  );
  test('the median: one bad day does not move it', () =>
    expect(timesOf([0.9, 1.1, 1, 9].map((ratio) => ({ kind: 'fan-belt replace', ratio })))).toEqual(
      { 'fan-belt replace': { ratio: 1.05, jobs: 4 } },
    ));
  test('a class of its own goes by its check', () =>
    expect(jobKey({ id: 'draper' }, 'adjust')).toBe('draper adjust'));
});

describe('minutes as they are typed', () => {
  test.each([
    ['45', 45],
    [' 37,5 ', 37.5],
  ])('"%s" is %d', (text, minutes) => expect(parseMinutes('minutes', text)).toBe(minutes));
  test.each(['', 'an hour', '-5', '1e3', '6001', '1:30'])('"%s" is refused by name', (text) =>
    expect(() => parseMinutes('minutes', text)).toThrow(
      expect.objectContaining({ field: 'minutes' }) as Error,
    ),
  );
});
