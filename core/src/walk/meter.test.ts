import fc from 'fast-check';
import { reading } from '../testing/sheet';
import { meterMarks, meterTroubles, type MeterMark } from './index';

const machine = { serial: 'T118', hours: 1284, builtOn: '2021-03-15' };
const marks: readonly MeterMark[] = [
  { least: 1066, most: 1066, first: '2025-06-11T08:00:00Z', last: '2025-06-11T09:00:00Z' },
  { least: 1284, most: 1284, first: '2026-06-09T07:00:00Z', last: '2026-06-09T08:00:00Z' },
];
const told = (hours: number, takenAt: string, of: readonly MeterMark[] = marks) =>
  meterTroubles({ hours, takenAt }, machine, of).map((t) => t.message);

describe('a meter', () => {
  test('may stand anywhere between what it was read at before and after', () => {
    for (const hours of [1066, 1150, 1284]) expect(told(hours, '2026-01-10T08:00:00Z')).toEqual([]);
  });
  test('does not run back, and does not run ahead of what it was read at later', () => {
    expect(told(1000, '2026-01-10T08:00:00Z')).toEqual([
      'The meter stood at 1,066 h on 2025-06-11 already. Check hours and day.',
    ]);
    expect(told(1290, '2026-01-10T08:00:00Z')).toEqual([
      'The meter stood at 1,284 h on 2026-06-09 still. Check hours and day.',
    ]);
  });
  test('does not run faster than the clock: engine hours, or a digit too many', () => {
    expect(told(1330, '2026-06-10T08:00:00Z')).toEqual([]);
    expect(told(12_840, '2026-06-10T08:00:00Z')[0]).toMatch(
      /From 1,284 h on 2026-06-09 it cannot have come to 12,840 h by 2026-06-10/,
    );
    expect(told(3000, '2021-03-20T08:00:00Z', [])[0]).toMatch(/From 0 h on 2021-03-15/);
  });
  test('a misread hour either way is let be', () => {
    expect(told(1065.4, '2026-01-10T08:00:00Z')).toEqual([]);
    expect(told(1285, '2026-01-10T08:00:00Z')).toEqual([]);
  });
  test('what was renewed was not renewed at hours it has not worked', () =>
    expect(
      meterTroubles(
        {
          hours: 1400,
          takenAt: '2026-06-09T09:00:00Z',
          value: { kind: 'renewal', fittedBy: 'owner', part: '' },
        },
        machine,
      )[0]?.message,
    ).toMatch(/has only worked 1,284 h/));
  test('struck readings do not speak', () => {
    const wrong = reading('made', 'here', { kind: 'skip', why: 'x' }, { hours: 9000 });
    const right = reading(
      'made',
      'here',
      { kind: 'skip', why: 'x' },
      {
        hours: 1284,
        strikes: wrong.id,
      },
    );
    expect(meterMarks([wrong, right]).map((m) => m.least)).toEqual([1284]);
  });
  test('readings in any order of a meter that runs on are all let be', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(1500), fc.nat(400)), { minLength: 1, maxLength: 12 }),
        (looks) => {
          const rows = looks.map(([day], i) => {
            const takenAt = new Date(Date.UTC(2021, 3, 1) + day * 86_400_000).toISOString();
            return { id: String(i), strikes: null, takenAt, hours: day * 0.6 };
          });
          return rows.every(
            (row, i) => !meterTroubles(row, machine, meterMarks(rows.slice(0, i))).length,
          );
        },
      ),
      { numRuns: 80 },
    ));
});
