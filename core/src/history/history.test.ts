import fc from 'fast-check';
import type { Reading, ReadingValue } from '../contracts';
import { MACHINE_ID, reading, WALK_ID } from '../testing/sheet';
import {
  byCheck,
  byPlace,
  inForce,
  inTime,
  isMain,
  lifeOf,
  linksOutBefore,
  live,
  newestOf,
  newestRound,
  placesOf,
  repeatsOf,
  roundOf,
  struckIds,
} from './index';

const mm = (...values: number[]): ReadingValue => ({
  kind: 'measure',
  values,
  typed: [],
  unit: 'mm',
});
const travel = (left: number, linksOut = 0): ReadingValue => ({
  kind: 'travel',
  left,
  linksOut,
  typed: '',
  unit: 'mm',
});
const OTHER_WALK = '0197a000-0000-7000-8000-00000000bbbb';
const at = (
  takenAt: string,
  value: ReadingValue = mm(36),
  change: Partial<Reading> = {},
): Reading => reading('fan-drive-belt', 'belt', value, { takenAt, ...change });
const idsOf = (readings: readonly Reading[]) => readings.map((r) => r.id);

describe('readings in the order they were taken', () => {
  const late = at('2026-06-09T09:00:00.000Z');
  const early = at('2026-06-09T07:00:00.000Z');

  test('oldest first, whatever order they came in', () =>
    expect(idsOf(inTime([late, early]))).toEqual(idsOf([early, late])));

  test('of one moment, the id decides, so that every device sees one order', () => {
    const one = at('2026-06-09T08:00:00.000Z');
    const two = at('2026-06-09T08:00:00.000Z');
    expect(idsOf(inTime([two, one]))).toEqual(idsOf(inTime([one, two])));
  });

  test('the list handed in is left as it was', () => {
    const given = [late, early];
    inTime(given);
    expect(idsOf(given)).toEqual(idsOf([late, early]));
  });

  test('one or none is handed back', () => {
    expect(inTime([])).toEqual([]);
    expect(inTime([late])).toEqual([late]);
  });
});

describe('readings by what they belong to', () => {
  const left = reading('elevator-chain', 'left', travel(20));
  const right = reading('elevator-chain', 'right', travel(22));
  const belt = reading('fan-drive-belt', 'left', mm(36));

  test('by check', () =>
    expect([...byCheck([left, belt, right])].map(([id, own]) => [id, own.length])).toEqual([
      ['elevator-chain', 2],
      ['fan-drive-belt', 1],
    ]));

  test('by place', () =>
    expect([...byPlace([left, right, belt])].map(([place, own]) => [place, idsOf(own)])).toEqual([
      ['left', idsOf([left, belt])],
      ['right', idsOf([right])],
    ]));
});

describe('struck readings', () => {
  const wrong = at('2026-06-09T07:00:00.000Z', mm(26.9));
  const right = at('2026-06-09T07:05:00.000Z', mm(36.9), { strikes: wrong.id });

  test('one that a later one strikes does not count; the later one does', () => {
    expect([...struckIds([wrong, right])]).toEqual([wrong.id]);
    expect(idsOf(live([wrong, right]))).toEqual([right.id]);
  });

  test('a strike may stand elsewhere among the readings of the machine', () => {
    expect(idsOf(live([wrong]))).toEqual([wrong.id]);
    expect(live([wrong], [wrong, right])).toEqual([]);
  });

  test('one that strikes a struck one keeps both out', () => {
    const third = at('2026-06-09T07:09:00.000Z', mm(36.8), { strikes: right.id });
    expect(idsOf(live([wrong, right, third]))).toEqual([third.id]);
  });

  test('without a strike the very list is handed back', () => {
    const all = [wrong];
    expect(live(all)).toBe(all);
  });

  test('for any strikes, what counts and what is struck make up the whole', () => {
    const anyReadings = fc.array(fc.option(fc.nat(8), { nil: undefined }), { maxLength: 9 });
    fc.assert(
      fc.property(anyReadings, (strikes) => {
        const all = strikes.map(() => at('2026-06-09T07:00:00.000Z'));
        const list = all.map((r, i) => {
          const struck = all[strikes[i] ?? -1];
          return struck ? { ...r, strikes: struck.id } : r;
        });
        const out = struckIds(list);
        expect(live(list).length + list.filter((r) => out.has(r.id)).length).toBe(list.length);
      }),
    );
  });
});

describe('rounds', () => {
  test('a walk is a round; without one, the day is', () => {
    expect(roundOf(at('2026-06-09T07:00:00.000Z'))).toBe(WALK_ID);
    expect(roundOf(at('2025-07-01T07:00:00.000Z', mm(36), { walkId: null }))).toBe('2025-07-01');
  });

  test('the newest round is the last reading and those of its walk', () => {
    const last = at('2025-07-01T07:00:00.000Z', mm(37), { walkId: OTHER_WALK });
    const now = at('2026-06-09T07:00:00.000Z', mm(36));
    const again = at('2026-06-09T07:01:00.000Z', mm(36.1));
    expect(idsOf(newestRound([last, now, again]))).toEqual(idsOf([now, again]));
    expect(newestRound([])).toEqual([]);
  });

  test('as left counts when it is newer than what was found', () => {
    const found = at('2026-06-09T07:00:00.000Z', mm(34.5));
    const left = at('2026-06-09T08:00:00.000Z', mm(38), { state: 'asLeft', renewed: true });
    expect(idsOf(inForce([found, left]))).toEqual([left.id]);
  });

  test('found once more after it was put right: that finding counts, not the one before', () => {
    const found = at('2026-06-09T07:00:00.000Z', mm(34.5));
    const left = at('2026-06-09T08:00:00.000Z', mm(38), { state: 'asLeft' });
    const later = at('2026-06-09T09:00:00.000Z', mm(37));
    expect(idsOf(inForce([found, left, later]))).toEqual(idsOf([later]));
  });

  test('only what was left: that counts', () => {
    const left = at('2026-06-09T08:00:00.000Z', mm(38), { state: 'asLeft' });
    const more = at('2026-06-09T08:10:00.000Z', mm(38.1), { state: 'asLeft' });
    expect(idsOf(inForce([left, more]))).toEqual(idsOf([left, more]));
  });
});

describe('repeats', () => {
  test('as found, all readings of the round repeat each other', () =>
    expect(
      repeatsOf([
        at('2026-06-09T07:00:00.000Z', mm(36)),
        at('2026-06-09T07:01:00.000Z', mm(36.2, 36.1)),
      ]),
    ).toEqual([36, 36.2, 36.1]));

  test('as left, only the last attempt counts', () =>
    expect(
      repeatsOf([
        at('2026-06-09T07:00:00.000Z', mm(30), { state: 'asLeft' }),
        at('2026-06-09T07:01:00.000Z', mm(38), { state: 'asLeft' }),
      ]),
    ).toEqual([38]));

  test('what was not measured repeats nothing', () => {
    expect(repeatsOf([at('2026-06-09T07:00:00.000Z', travel(20))])).toEqual([]);
    expect(repeatsOf([])).toEqual([]);
  });
});

describe('the life of a part', () => {
  const first = at('2025-06-01T07:00:00.000Z', mm(38), { renewed: true, hours: 900 });
  const worn = at('2025-08-01T07:00:00.000Z', mm(36.5), { hours: 1050 });
  const second = at('2026-06-01T07:00:00.000Z', mm(38), { renewed: true, hours: 1280 });

  test('begins with the newest renewal', () =>
    expect(lifeOf([first, worn, second])?.id).toBe(second.id));
  test('at an earlier moment, with the one before it', () =>
    expect(lifeOf([first, worn, second], worn.takenAt)?.id).toBe(first.id));
  test('is unknown when no renewal is on record', () => expect(lifeOf([worn])).toBeUndefined());

  test('links taken out in a life are summed, those before it and from the moment on are not', () => {
    const readings = [
      at('2025-05-01T07:00:00.000Z', travel(5, 4), { hours: 880 }),
      at('2025-07-01T07:00:00.000Z', travel(5, 2), { hours: 950 }),
      at('2025-08-01T07:00:00.000Z', travel(6, 1), { hours: 1050 }),
      at('2026-06-09T07:00:00.000Z', travel(3, 2), { hours: 1284 }),
    ];
    const [renewal] = readings;
    expect(linksOutBefore(readings, '2026-06-09T07:00:00.000Z', renewal)).toBe(3);
    expect(linksOutBefore(readings, '2025-07-15', renewal)).toBe(2);
    expect(linksOutBefore(readings, '2025-07-15', undefined)).toBe(6);
    expect(linksOutBefore([], '2026-06-09', undefined)).toBe(0);
  });
  test('a link taken out of the old chain in the hour it was renewed does not stretch the new one', () => {
    const old = at('2026-06-09T07:00:00.000Z', travel(0, 2), { hours: 1284 });
    const renewed = at('2026-06-09T07:30:00.000Z', travel(40, 1), {
      hours: 1284,
      state: 'asLeft',
      renewed: true,
    });
    const later = at('2026-07-09T07:00:00.000Z', travel(30, 0), { hours: 1330 });
    expect(linksOutBefore([old, renewed, later], later.takenAt, renewed)).toBe(0);
  });
});

describe('the newest of a kind', () => {
  const look = at('2026-06-09T08:00:00.000Z', { kind: 'look', seen: 'fine', found: '' });
  const width = at('2026-06-09T07:00:00.000Z', mm(36));

  test('is found past others', () => {
    expect(newestOf([width, look], 'measure')?.value.values).toEqual([36]);
    expect(newestOf([width, look], 'count')).toBeUndefined();
  });

  test.each<[boolean, ReadingValue]>([
    [true, mm(36)],
    [true, { kind: 'gonogo', fits: true }],
    [true, { kind: 'feel', feel: 'justSlides' }],
    [false, travel(20)],
    [false, { kind: 'look', seen: 'fine', found: '' }],
    [false, { kind: 'skip', why: 'too dark' }],
  ])('what a check is there for: %s, %j', (main, value) => expect(isMain({ value })).toBe(main));
});

describe('the history of each place', () => {
  const places = ['left', 'right', 'middle'];
  const read = (place: string, value: ReadingValue, change: Partial<Reading> = {}) =>
    reading('conveyor-chain-tension', place, value, change);

  test('follows the order of the places; those without a live reading are named', () => {
    const wrong = read('middle', mm(3));
    const struck = read('middle', mm(4), { strikes: wrong.id });
    const gone = read('middle', mm(5), { strikes: struck.id, place: 'left' });
    const right = read('right', mm(6));
    const { read: seen, unread } = placesOf(places, [right, wrong, struck, gone]);
    expect(seen.map((p) => p.place)).toEqual(['left', 'right']);
    expect(unread).toEqual(['middle']);
  });

  test('a place knows all it was read, what counts of it, and its newest round', () => {
    const old = read('left', mm(8), {
      walkId: OTHER_WALK,
      takenAt: '2025-06-09T07:00:00.000Z',
      hours: 1100,
    });
    const wrong = read('left', mm(70));
    const found = read('left', mm(7), { strikes: wrong.id });
    const left = read('left', mm(2), { state: 'asLeft' });
    const [place] = placesOf(['left'], [left, found, wrong, old]).read;
    expect(idsOf(place?.all ?? [])).toEqual(idsOf([old, wrong, found, left]));
    expect(idsOf(place?.live ?? [])).toEqual(idsOf([old, found, left]));
    expect([...(place?.struck ?? [])]).toEqual([wrong.id]);
    expect(idsOf(place?.round ?? [])).toEqual(idsOf([found, left]));
    expect(idsOf(place?.inForce ?? [])).toEqual([left.id]);
    expect(place?.roundKey).toBe(WALK_ID);
  });

  test('readings of places the check does not have are nowhere', () => {
    const { read: seen, unread } = placesOf(['left'], [read('right', mm(6))]);
    expect([seen, unread]).toEqual([[], ['left']]);
  });

  test('belongs to one machine', () => expect(read('left', mm(1)).machineId).toBe(MACHINE_ID));
});
