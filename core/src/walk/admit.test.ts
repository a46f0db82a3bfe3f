import fc from 'fast-check';
import { Feel, type Machine, type Reading, type ReadingValue } from '../contracts';
import { shortSheet, reading, T118 } from '../testing/sheet';
import { judgeCheck, sentence } from '../verdict';
import { admissionTroubles, checksFor } from './index';

const sheets = [shortSheet('ouzel7'), shortSheet('ouzel5'), shortSheet('merle12')];
const machine: Machine = T118;
const fields = (r: Reading, m = machine) =>
  admissionTroubles(r, m, sheets, { today: '2026-06-09' }).map((t) => t.field);
const width = (mm: number): ReadingValue => ({
  kind: 'measure',
  values: [mm],
  typed: [],
  unit: 'mm',
});

describe('checks of a machine', () => {
  test("are its combine's and those of the header on it, front to back", () =>
    expect(checksFor(machine, sheets).map((c) => c.id)).toEqual([
      'gathering-chain',
      'conveyor-chain-tension',
      'elevator-chain',
      'fan-drive-belt',
      'chopper-knives',
    ]));
  test('without a header, only the combine', () =>
    expect(checksFor({ ...machine, header: null }, sheets)).toHaveLength(4));
  test('of a model without a sheet, none', () =>
    expect(checksFor({ ...machine, model: 'AX9', header: null }, sheets)).toEqual([]));
});

describe('whether a reading may belong to a machine', () => {
  test('one that fits has no trouble', () =>
    expect(fields(reading('fan-drive-belt', 'belt', width(37)))).toEqual([]));
  test('a header check is refused when that header is not on it', () =>
    expect(
      fields(reading('gathering-chain', 'row 1 left', width(418)), { ...machine, header: null }),
    ).toEqual(['checkId']));
  test('what cannot well be is taken only with a word of why, and is never judged as holding', () => {
    const typed = (mm: number, note = '') => reading('fan-drive-belt', 'belt', width(mm), { note });
    const said = (r: Reading) =>
      admissionTroubles(r, machine, sheets, { today: '2026-06-09' }).map((t) => t.message)[0];
    expect(said(typed(83))).toMatch(/^83 mm cannot well be: better than new.*say why in the note/);
    expect(said(typed(3.8))).toMatch(/^3.8 mm cannot well be: beyond/);
    expect(fields(typed(83, ' '))).toEqual(['value.values']);
    expect(fields(typed(83, 'a wide belt was fitted'))).toEqual([]);
    expect(fields(typed(38.2))).toEqual([]);
  });
  test('that a new part was fitted can be said of every kind of check', () => {
    for (const id of ['fan-drive-belt', 'elevator-chain', 'chopper-knives'])
      expect(
        fields(
          reading(
            id,
            checksFor(machine, sheets).find((c) => c.id === id)?.places[0] ?? '',
            { kind: 'renewal', fittedBy: 'owner', part: '' },
            { state: 'asLeft', renewed: true },
          ),
        ),
      ).toEqual([]);
  });
  test('the place, the date, the kind and the travel are each named', () => {
    expect(fields(reading('fan-drive-belt', 'left', width(37)))).toEqual(['place']);
    expect(
      fields(reading('fan-drive-belt', 'belt', width(37), { takenAt: '2021-03-14T08:00:00.000Z' })),
    ).toEqual(['takenAt']);
    expect(
      fields(reading('fan-drive-belt', 'belt', width(37), { takenAt: '2026-06-11T08:00:00.000Z' })),
    ).toEqual(['takenAt']);
    expect(fields(reading('elevator-chain', 'boot', width(37)))).toEqual(['value.kind']);
    expect(
      fields(
        reading('fan-drive-belt', 'belt', {
          kind: 'travel',
          left: 3,
          linksOut: 0,
          typed: '',
          unit: 'mm',
        }),
      ),
    ).toEqual(['value.kind']);
    expect(
      fields(
        reading('conveyor-chain-tension', 'left', {
          kind: 'travel',
          left: 47,
          linksOut: 0,
          typed: '',
          unit: 'mm',
        }),
      ),
    ).toEqual(['value.left']);
    expect(
      fields(
        reading('chopper-knives', 'rotor', {
          kind: 'count',
          missing: 40,
          damaged: 9,
          oneEdge: 0,
          bothEdges: 0,
        }),
      ),
    ).toEqual(['value']);
  });
  test('what is wrong with the check is said with the checks there are', () => {
    expect(
      admissionTroubles(reading('rotor-gap', 'x', width(3)), machine, sheets, {
        today: '2026-06-09',
      })[0]?.message,
    ).toBe(
      'Ouzel 7 T118 with Merle 12 has no check "rotor-gap". It has: gathering-chain, conveyor-chain-tension, elevator-chain, fan-drive-belt, chopper-knives.',
    );
  });
  test('anything may be skipped', () =>
    expect(fields(reading('elevator-chain', 'boot', { kind: 'skip', why: 'door seized' }))).toEqual(
      [],
    ));
});

/**
 * Any readings that were let in are judged, whatever their order and mixture, and every finding has
 * its sentence.
 */
test('what is admitted can always be judged and said', () => {
  const lengths = fc.double({ min: 0.1, max: 900, noNaN: true });
  const value: fc.Arbitrary<ReadingValue> = fc.oneof(
    fc
      .array(lengths, { minLength: 1, maxLength: 3 })
      .map((values): ReadingValue => ({ kind: 'measure', values, typed: [], unit: 'mm' })),
    fc
      .record({
        left: fc.double({ min: 0, max: 70, noNaN: true }),
        linksOut: fc.integer({ min: 0, max: 6 }),
      })
      .map((t): ReadingValue => ({ kind: 'travel', ...t, typed: '', unit: 'mm' })),
    fc
      .record({
        stands: fc.constantFrom('short' as const, 'at' as const, 'past' as const),
        by: fc.double({ min: 0, max: 40, noNaN: true }),
      })
      .map((m): ReadingValue => ({ kind: 'mark', ...m })),
    fc.constantFrom(...Feel.options).map((feel): ReadingValue => ({ kind: 'feel', feel })),
    fc
      .tuple(...[0, 1, 2, 3].map(() => fc.integer({ min: 0, max: 20 })))
      .map(([missing = 0, damaged = 0, oneEdge = 0, bothEdges = 0]): ReadingValue => ({
        kind: 'count',
        missing,
        damaged,
        oneEdge,
        bothEdges,
      })),
    fc.constantFrom<ReadingValue>(
      { kind: 'look', seen: 'fine', found: '' },
      { kind: 'look', seen: 'damaged', found: 'cord showing' },
      { kind: 'skip', why: 'too dark' },
    ),
  );
  const checks = checksFor(machine, sheets);
  const one = fc.record({
    check: fc.nat(checks.length - 1),
    place: fc.nat(23),
    value,
    asLeft: fc.boolean(),
    renewed: fc.boolean(),
    settled: fc.boolean(),
    positionConfirmed: fc.boolean(),
    hours: fc.integer({ min: 0, max: 2000 }),
  });
  fc.assert(
    fc.property(fc.array(one, { minLength: 1, maxLength: 12 }), (list) => {
      const readings = list
        .map((w) => {
          const check = checks[w.check]!;
          return reading(check.id, check.places[w.place % check.places.length]!, w.value, {
            state: w.asLeft ? 'asLeft' : 'asFound',
            renewed: w.renewed,
            settled: w.settled,
            positionConfirmed: w.positionConfirmed,
            hours: w.hours,
          });
        })
        .filter((r) => fields({ ...r, takenAt: '2026-06-09T08:00:00.000Z' }).length === 0);
      return checks.every((check) => {
        const verdict = judgeCheck(check, readings, { hours: 1284, seasonHours: 109 });
        return (verdict?.places ?? []).every(
          (p) =>
            p.findings.length > 0 &&
            p.findings.every((f) => !/undefined|NaN|Infinity/.test(sentence(check, f))),
        );
      });
    }),
    { numRuns: 400 },
  );
});
