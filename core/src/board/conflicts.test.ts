import type { BoardJob, BoardPage, Placing } from '../contracts';
import { ADA, BEN, boardJob, boardPageOf, boardSetting, jobId, placing } from '../testing/board';
import { conflictsOf, type Placings } from './index';

const on = (entries: readonly (readonly [number, Placing | null])[]): Placings =>
  new Map(entries.map(([n, to]) => [jobId(n), to]));
const found = (page: BoardPage, over: Placings) =>
  conflictsOf(page, over).map((c) => `${c.kind} ${c.text}`);
const one = (change: Partial<BoardJob>, to: Partial<Placing> = {}, setting = boardSetting()) =>
  found(boardPageOf([boardJob(1, change)], { setting }), on([[1, placing(to)]]));

describe('what is wrong with where a visit stands', () => {
  test('nothing, where it fits', () => expect(one({})).toEqual([]));
  test.each([
    [
      'a weekend',
      {},
      { startsOn: '2026-06-13' },
      /^closed Ada: Sat 13 Jun in the morning is not worked/,
    ],
    [
      'the past',
      {},
      { startsOn: '2026-06-08' },
      /^past T101 was to begin on Mon 8 Jun, and has not/,
    ],
    ['who is not there', {}, { technicianIds: [jobId(9)] }, /^person Somebody planned for T101/],
    ['a skill', { skills: ['drives'] }, { technicianIds: [BEN] }, /^skill Ben cannot do drives/],
    ['one for two', { crew: 2 as const }, {}, /^crew T101 takes two/],
    ['the farm', { notAtFarm: ['header off'] }, { site: 'farm' as const }, /header off\./],
    [
      'no end',
      {},
      { startsOn: '2026-08-06', starts: 'noon' as const, halfDays: 9 },
      /^end T101 does not end/,
    ],
    [
      'parts',
      {
        awaited: [{ number: 'x', name: 'Belt', on: '2026-06-12', spread: 0 }],
        earliest: '2026-06-12',
      },
      {},
      /^parts T101 begins before its parts: Belt, Fri 12 Jun/,
    ],
    [
      'parts of no day',
      { awaited: [{ number: 'x', name: 'Belt', on: null, spread: 0 }], earliest: null },
      {},
      /nobody knows when/,
    ],
    [
      'harvest',
      {},
      { startsOn: '2026-06-30' },
      /^late T101 ends Tue 30 Jun, 1 day into harvest: malting barley from Tue 30 Jun/,
    ],
    ['the margin', {}, { startsOn: '2026-06-29' }, /^margin T101 ends Mon 29 Jun, close to/],
  ])('%s', (_, change, to, said) => expect(one(change, to)).toEqual([expect.stringMatching(said)]));
  test('a holiday is told by its name', () =>
    expect(one({}, {}, boardSetting({ holidays: [{ on: '2026-06-09', name: 'Fair' }] }))).toEqual([
      'closed Ada: Tue 9 Jun in the morning is Fair, a holiday.',
    ]));
  test('parts and harvest are a planner’s to weigh; all else is refused', () => {
    const page = boardPageOf([boardJob(1, { earliest: null, skills: ['drives'] })]);
    const conflicts = conflictsOf(page, on([[1, placing({ technicianIds: [BEN] })]]));
    expect(conflicts.map((c) => [c.kind, c.hard])).toEqual([
      ['skill', true],
      ['parts', false],
    ]);
  });
  test('what was begun is not held against the day it began on', () => {
    const published = placing({ startsOn: '2026-06-05' });
    const job = boardJob(1, {
      published,
      ends: { on: '2026-06-10', half: 'noon' },
      startedAt: '2026-06-05T07:00:00Z',
    });
    expect(found(boardPageOf([job]), new Map())).toEqual([]);
  });
});

describe('several', () => {
  const page = boardPageOf([boardJob(1), boardJob(2), boardJob(3)]);
  test('two of one technician on one half day are told to both, with whom', () => {
    const conflicts = conflictsOf(
      page,
      on([
        [1, placing({ site: 'farm' })],
        [2, placing({ starts: 'noon' })],
      ]),
    );
    expect(conflicts.map((c) => [c.id, c.kind, c.with])).toEqual([
      [jobId(1), 'busy', jobId(2)],
      [jobId(2), 'busy', jobId(1)],
    ]);
    expect(conflicts[0]?.text).toBe('Ada is at T102 on Tue 9 Jun.');
  });
  test('one after the other is no conflict', () =>
    expect(
      found(
        page,
        on([
          [1, placing()],
          [2, placing({ startsOn: '2026-06-10' })],
        ]),
      ),
    ).toEqual([]));
  test('more machines in the bays than there are: by day and name', () =>
    expect(
      found(
        page,
        on([
          [1, placing()],
          [2, placing({ technicianIds: [BEN] })],
        ]),
      ),
    ).toEqual([
      'bay 2 machines in 1 bay on Tue 9 Jun: T101, T102.',
      'bay 2 machines in 1 bay on Tue 9 Jun: T101, T102.',
    ]));
  test('over a weekend a machine keeps its bay, and its technician is free', () => {
    const over = on([
      [1, placing({ startsOn: '2026-06-12', halfDays: 3 })],
      [2, placing({ technicianIds: [BEN], startsOn: '2026-06-15' })],
    ]);
    expect(found(page, over).map((f) => f.split(' ')[0])).toEqual(['bay', 'bay']);
  });
  test('one machine is not in two places', () => {
    const twice = boardPageOf([boardJob(1), boardJob(2, { machine: boardJob(1).machine })]);
    const over = on([
      [1, placing({ site: 'farm' })],
      [2, placing({ technicianIds: [BEN], site: 'farm' })],
    ]);
    expect(found(twice, over)).toEqual([
      'machine T101 has another visit on Tue 9 Jun.',
      'machine T101 has another visit on Tue 9 Jun.',
    ]);
  });
  test('one that is finished, or taken off, is in nobody’s way', () => {
    const done = boardJob(2, { published: placing(), finishedAt: '2026-06-09T12:00:00Z' });
    const other = boardPageOf([boardJob(1), done]);
    expect(found(other, on([[1, placing()]]))).toEqual([]);
    expect(
      found(
        page,
        on([
          [1, placing()],
          [2, null],
        ]),
      ),
    ).toEqual([]);
  });
  test('Ada and Ben', () =>
    expect([ADA, BEN].every((p) => page.technicians.some((t) => t.id === p))).toBe(true));
});
