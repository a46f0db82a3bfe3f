import fc from 'fast-check';
import { Check, SpecSheet, type Reading, type ReadingValue } from '../contracts';
import { atPlace } from '../kinds';
import { built, madeCheck, reading } from '../testing/sheet';
import { sheets } from '../testing/shipped';
import { judgeCheck, verdictSentence } from '../verdict';
import { checksFor, checksOfBuild } from '../walk';
import { proposeWork } from '../work';
import { diffSheets, printSheet } from './index';

const facts = { hours: 1284, seasonHours: 109 };
const strokes = (amount: number): ReadingValue => ({ kind: 'service', amount, product: '' });
const mm = (v: number): ReadingValue => ({ kind: 'measure', values: [v], typed: [], unit: 'mm' });
const hub = madeCheck('service', {
  places: ['outer', 'inner'],
  asks: 'strokes',
  amount: 2,
  most: 4,
  product: 'Grease NLGI 2',
  perPlace: { inner: { amount: 10, most: 14 } },
});
const belts = madeCheck('measure', {
  places: ['inner', 'outer'],
  limit: { type: 'wear', nominal: 38, limit: 35 },
  tool: { name: 'Caliper', resolution: 0.1 },
  parts: [{ number: 'LM-1', name: 'Outer belt', each: 1 }],
  labour: { measure: 5, replace: 60 },
  perPlace: {
    inner: {
      limit: { type: 'wear', nominal: 25, limit: 22 },
      parts: [{ number: 'LM-2', name: 'Inner belt', each: 1 }],
    },
  },
});
const judge = (check: Check, readings: readonly Reading[]) => judgeCheck(check, readings, facts);

describe('what differs at one place', () => {
  test('each place is judged by its own: ten strokes inside are right, outside far too many', () => {
    const ten = (place: string) => reading('made', place, strokes(10));
    const places = judge(hub, [ten('outer'), ten('inner')])?.places;
    expect(places?.map((p) => [p.place, p.decision])).toEqual([
      ['outer', 'adjust'],
      ['inner', 'holds'],
    ]);
  });
  test('its limit is its own, and so is what cannot be', () => {
    const both = (v: number) =>
      ['inner', 'outer'].map((p) => judge(belts, [reading('made', p, mm(v))])?.places[0]);
    expect(both(34.5).map((p) => p?.decision)).toEqual(['remeasure', 'replace']);
    expect(both(24).map((p) => p?.decision)).toEqual(['holds', 'remeasure']);
    expect(both(37).map((p) => p?.findings[0]?.id)).toEqual(['implausible', 'inside']);
  });
  test('each place brings its own part', () => {
    const verdict = judge(belts, [
      reading('made', 'inner', mm(21)),
      reading('made', 'outer', mm(34)),
    ]);
    expect(verdict && proposeWork(verdict)?.parts).toEqual([
      { number: 'LM-2', name: 'Inner belt', quantity: 1 },
      { number: 'LM-1', name: 'Outer belt', quantity: 1 },
    ]);
  });
  test('a place nothing is said of is as the rest', () => expect(atPlace(hub, 'outer')).toBe(hub));
});

/** The auger header's sheet with one check more. */
const withCheck = (check: object, change: object = {}) =>
  SpecSheet.safeParse({
    ...sheets.ouzel7,
    positions: [],
    ...change,
    checks: [...sheets.ouzel7.checks, check],
  });
const troubles = (check: object, change: object = {}) =>
  withCheck(check, change).error?.issues.map((i) => [
    i.path.slice(2).map(String).join('.'),
    i.message,
  ]) ?? [];
const like = (change: object): object => ({ ...belts, places: ['inner', 'outer'], ...change });
const wear = (nominal: number, limit: number) => ({ type: 'wear', nominal, limit });

describe('what a sheet may not say', () => {
  test('nothing of what may vary is a trouble by itself', () => {
    expect(troubles(belts)).toEqual([]);
    expect(troubles(hub)).toEqual([]);
  });
  test.each<[string, object, string, RegExp]>([
    [
      'a place that is not there',
      like({ perPlace: { middle: { parts: [] } } }),
      'perPlace.middle',
      /a place of this check: inner, outer/,
    ],
    ['nothing that differs', like({ perPlace: { inner: {} } }), 'perPlace.inner', /differs/],
    [
      'another type of limit',
      like({ perPlace: { inner: { limit: { type: 'band', low: 1 } } } }),
      'perPlace.inner.limit',
      /the same type, "wear"/,
    ],
    [
      'a limit that is none',
      like({ perPlace: { inner: { limit: wear(22, 22) } } }),
      'perPlace.inner.limit.limit',
      /differs from the new size/,
    ],
    [
      'less than is asked for as the most',
      { ...hub, perPlace: { inner: { amount: 20 } } },
      'perPlace.inner.most',
      /at least the 20/,
    ],
    [
      'an amount of what is measured',
      like({ perPlace: { inner: { amount: 3 } } }),
      'perPlace.inner',
      /amount/,
    ],
    [
      'a version of no machine',
      like({ versions: [{ limit: wear(38, 34) }] }),
      'versions.0',
      /serials, years built or equipment/,
    ],
    [
      'serials the wrong way round',
      like({ versions: [{ serials: { from: 'T200', to: 'T99' }, limit: wear(38, 34) }] }),
      'versions.0.serials.to',
      /not come before the first/,
    ],
    [
      'years the wrong way round',
      like({ fits: { built: { from: 2022, to: 2019 } } }),
      'fits.built.to',
      /not come before the first/,
    ],
    ['a range without ends', like({ fits: { serials: {} } }), 'fits.serials.from', /or both/],
    [
      'serials that overlap',
      like({
        versions: [
          { serials: { to: 'T150' }, limit: wear(38, 34) },
          { serials: { from: 'T150' }, limit: wear(38, 33) },
        ],
      }),
      'versions.1',
      /overlaps with version 1/,
    ],
    [
      'a year and a serial that one machine may have both of',
      like({
        versions: [
          { serials: { to: 'T150' }, limit: wear(38, 34) },
          { built: { from: 2020 }, limit: wear(38, 33) },
        ],
      }),
      'versions.1',
      /overlaps/,
    ],
    [
      'equipment the sheet does not name',
      like({ versions: [{ when: { tracks: ['wide'] }, limit: wear(38, 34) }] }),
      'versions.0.when.tracks',
      /equipment or a school of this sheet/,
    ],
  ])('%s is refused there', (_, check, field, message) => {
    const found = troubles(check);
    expect(found.map(([path]) => path)).toContain(field);
    expect(found.find(([path]) => path === field)?.[1]).toMatch(message);
  });
  test('years of a header: only its serial tells its version', () => {
    const header = { ...belts, on: 'header', fits: { built: { from: 2020 } } };
    const sheet = { ...sheets.tarn7, positions: [], checks: [...sheets.tarn7.checks, header] };
    expect(SpecSheet.safeParse(sheet).error?.issues[0]).toMatchObject({
      path: ['checks', sheets.tarn7.checks.length, 'fits', 'built'],
    });
  });
  test('two checks of one slot are allowed where no machine has both', () => {
    const twin = (fits: object) => ({ ...belts, id: 'twin', fits });
    const of = (a: object, b: object) =>
      SpecSheet.safeParse({
        ...sheets.ouzel7,
        positions: [],
        checks: [...sheets.ouzel7.checks, like({ fits: a }), twin(b)],
      }).success;
    expect(of({ serials: { to: 'T99' } }, { serials: { from: 'T100' } })).toBe(true);
    expect(of({ serials: { to: 'T100' } }, { serials: { from: 'T100' } })).toBe(false);
    expect(of({ built: { to: 2020 } }, { built: { from: 2021 } })).toBe(true);
  });
});

describe('what differs on some machines', () => {
  const versioned = like({
    versions: [
      { serials: { to: 'T99' }, limit: wear(38, 36) },
      { serials: { from: 'T100', to: 'T199' }, when: { conveyor: ['belt'] }, parts: [] },
    ],
  });
  const young = { ...belts, id: 'young', component: 'Young part', fits: { built: { from: 2023 } } };
  const sheet = SpecSheet.parse({
    ...sheets.ouzel7,
    positions: [],
    checks: [...sheets.ouzel7.checks, versioned, young],
  });
  const checkOn = (serial: string, equipment = {}) =>
    checksOfBuild(sheet, { ...built(equipment), serial }).find((c) => c.id === 'made');
  const limitOn = (serial: string) => {
    const check = checkOn(serial);
    return check?.kind === 'measure' && check.limit.type === 'wear' ? check.limit.limit : 0;
  };
  test('its version is chosen by the machine, not by memory: T99 comes before T100', () => {
    expect(['T7', 'T99', 'T100', 'U3'].map(limitOn)).toEqual([36, 36, 35, 35]);
    expect(checkOn('T150')?.parts).toHaveLength(1);
    expect(checkOn('T150', { conveyor: 'belt' })?.parts).toHaveLength(0);
  });
  test('a check that is only on younger machines is not on older ones', () => {
    const machine = { model: 'Ouzel 7', serial: 'T118', header: null };
    const has = (builtOn: string) =>
      checksFor({ ...machine, builtOn }, [sheet]).some((c) => c.id === 'young');
    expect([has('2022-11-30'), has('2023-01-02')]).toEqual([false, true]);
  });
  test('every serial is in at most one of any ranges that are allowed', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(300), fc.nat(300)), { minLength: 1, maxLength: 4 }),
        fc.nat(300),
        (ranges, serial) => {
          const parsed = withCheck(
            like({
              versions: ranges.map(([a, b]) => ({
                serials: { from: `T${Math.min(a, b)}`, to: `T${Math.max(a, b)}` },
                limit: wear(38, 34),
              })),
            }),
          );
          const hits = ranges.filter(
            ([a, b]) => serial >= Math.min(a, b) && serial <= Math.max(a, b),
          );
          return !parsed.success || hits.length <= 1;
        },
      ),
      { numRuns: 60 },
    ));
  test('as a file it comes back byte for byte, and what changed is told by its place', () => {
    expect(printSheet(SpecSheet.parse(JSON.parse(printSheet(sheet))))).toBe(printSheet(sheet));
    const other = SpecSheet.parse({
      ...sheet,
      checks: sheet.checks.map((c) =>
        c.id === 'made' ? { ...c, perPlace: { inner: { limit: wear(25, 21) } } } : c,
      ),
    });
    expect(diffSheets(sheet, other).changed[0]?.fields.map((f) => f.field)).toContain(
      'perPlace.inner.limit.limit',
    );
  });
});

describe('what is in it', () => {
  const box = madeCheck('level', { eye: 'plug', product: 'Gear oil EP 90', places: ['here'] });
  const level = (change: object): ReadingValue => ({
    kind: 'level',
    level: 'right',
    colour: '',
    product: '',
    toppedUp: null,
    ...change,
  });
  const said = (change: object) => {
    const verdict = judge(box, [reading('made', 'here', level(change))]);
    return [verdict?.decision, verdict && verdictSentence(verdict)];
  };
  test('another oil than the book’s is a finding, whatever the level', () => {
    expect(said({ product: 'Hydraulic oil' })).toEqual([
      'adjust',
      'Hydraulic oil is in it, Gear oil EP 90 belongs there: drain it, fill it anew, run it, and read it again.',
    ]);
    expect(said({ product: 'gear oil ep 90' })[0]).toBe('holds');
  });
  test('what was added is told', () =>
    expect(said({ toppedUp: 1.5 })).toEqual(['holds', 'Right at the plug, 1.5 l added.']));
});
