import type { ReadingValue } from '../contracts';
import { demoCheck, reading, WALK_ID } from '../testing/sheet';
import { sheets } from '../testing/shipped';
import { earlierOf } from './earlier';
import { saidOf } from './said';

const SEASON = { walkId: WALK_ID, seasonStart: '2026-06-25' };
const belt = demoCheck('fan-drive-belt', 'measure');
const width = (mm: number): ReadingValue => ({
  kind: 'measure',
  values: [mm],
  typed: [],
  unit: 'mm',
});
const onBelt = (mm: number, takenAt: string, change = {}) =>
  reading('fan-drive-belt', 'belt', width(mm), { takenAt, walkId: null, ...change });

describe('how a check stood before', () => {
  const all = [
    onBelt(38, '2024-06-10T08:00:00.000Z', { hours: 600 }),
    onBelt(37.2, '2025-06-14T08:00:00.000Z', { hours: 900, by: 'Bram Tolley' }),
    onBelt(36.8, '2026-05-30T08:00:00.000Z', { hours: 1200 }),
    onBelt(36.5, '2026-06-09T08:00:00.000Z', { walkId: WALK_ID }),
  ];
  test('the newest before this walk, and the newest of an earlier season, with who and when', () =>
    expect(earlierOf(belt, all, SEASON)).toEqual([
      { when: 'last', on: '2026-05-30', hours: 1200, by: all[2]?.by, said: ['36.8 mm'] },
      { when: 'yearAgo', on: '2025-06-14', hours: 900, by: 'Bram Tolley', said: ['37.2 mm'] },
    ]));
  test('nothing of this walk, nothing of another check, nothing struck', () => {
    const wrong = onBelt(20, '2026-06-01T08:00:00.000Z');
    const right = onBelt(36.7, '2026-06-01T08:05:00.000Z', { strikes: wrong.id });
    const [last] = earlierOf(belt, [...all, wrong, right], SEASON);
    expect(last?.said).toEqual(['36.7 mm']);
    expect(earlierOf(belt, all.slice(-1), SEASON)).toEqual([]);
    expect(earlierOf(demoCheck('elevator-chain', 'feel'), all, SEASON)).toEqual([]);
  });
  test('what was put right is told as it was left, and a new part is said to be one', () => {
    const left = onBelt(38, '2025-06-14T09:00:00.000Z', { state: 'asLeft', renewed: true });
    const before = earlierOf(belt, [...all, left], SEASON).find((e) => e.when === 'yearAgo');
    expect(before?.said).toEqual(['38 mm, with a new part']);
  });
});

describe('how places are told', () => {
  const conveyor = demoCheck('conveyor-chain-tension', 'mark');
  const at = (place: string, value: ReadingValue) =>
    reading(conveyor.id, place, value, { walkId: null, takenAt: '2026-06-01T08:00:00.000Z' });
  const travel = (left: number): ReadingValue => ({
    kind: 'travel',
    left,
    linksOut: 0,
    typed: '',
    unit: 'mm',
  });
  const mark: ReadingValue = { kind: 'mark', stands: 'at', by: 0 };
  const said = (...readings: ReturnType<typeof at>[]) =>
    earlierOf(conveyor, readings, SEASON)[0]?.said;
  test('once where they are alike, each where they differ', () => {
    expect(
      said(at('left', mark), at('left', travel(20)), at('right', mark), at('right', travel(20))),
    ).toEqual([`${conveyor.words.at}, 20 mm of travel left`]);
    expect(said(at('left', mark), at('right', { kind: 'mark', stands: 'short', by: 3 }))).toEqual([
      `left: ${conveyor.words.at}`,
      `right: ${conveyor.words.short}, 3 mm`,
    ]);
  });
  test('of many measured places the least and the most', () => {
    const chains = demoCheck('gathering-chain', 'series');
    const readings = chains.places.map((place, i) =>
      reading(chains.id, place, width(418 + (i % 5)), {
        walkId: null,
        takenAt: '2026-06-01T08:00:00.000Z',
      }),
    );
    expect(earlierOf(chains, readings, SEASON)[0]?.said).toEqual(['418 mm to 422 mm']);
  });
});

describe('what a reading said, of every kind', () => {
  const check = Object.values(sheets).flatMap((s) => s.checks);
  const of = (kind: string) => check.find((c) => c.kind === kind)!;
  test.each<[string, ReadingValue, string | RegExp]>([
    ['measure', width(36.5), /^36\.5/],
    ['feel', { kind: 'feel', feel: 'hangs', play: true }, 'hangs loose, with play'],
    [
      'count',
      { kind: 'count', missing: 1, damaged: 0, oneEdge: 3, bothEdges: 0 },
      '1 missing, 3 worn on one edge',
    ],
    [
      'count',
      { kind: 'count', missing: 0, damaged: 0, oneEdge: 0, bothEdges: 0 },
      'all there and good',
    ],
    [
      'condition',
      { kind: 'condition', grade: 'marked', seen: ['cracks'], found: 'at the lace' },
      'marked: cracks, at the lace',
    ],
    ['condition', { kind: 'condition', grade: 'sound', seen: [], found: '' }, 'sound'],
    [
      'level',
      { kind: 'level', level: 'low', colour: 'milky', product: '', toppedUp: 1.5 },
      'low, milky, 1.5 l added',
    ],
    ['setting', { kind: 'setting', option: '4' }, 'set to 4'],
    ['gonogo', { kind: 'gonogo', fits: false }, /does not fit$/],
    ['service', { kind: 'service', amount: null, product: '' }, 'done'],
    ['measure', { kind: 'look', seen: 'fine', found: '' }, 'only looked at, fine'],
    ['measure', { kind: 'skip', why: 'too dark' }, 'not measured: too dark'],
    ['measure', { kind: 'renewal', fittedBy: 'owner', part: 'B-1' }, 'new part fitted: B-1'],
  ])('%s %#', (kind, value, words) => {
    const said = saidOf(of(kind), { value, renewed: false });
    if (typeof words === 'string') expect(said).toBe(words);
    else expect(said).toMatch(words);
  });
});
