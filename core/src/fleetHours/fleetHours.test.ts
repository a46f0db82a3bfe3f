import fc from 'fast-check';
import { hoursDoubt } from '.';

const at = (day: number) => `2026-06-${String(day).padStart(2, '0')}T06:00:00.000Z`;
const last = { hours: 1300, at: at(1) };

test.each([
  ['goes on', { hours: 1340, at: at(9) }, { last, books: 1300 }, undefined],
  ['stands still', { hours: 1300, at: at(9) }, { last, books: 1300 }, undefined],
  ['read a little back', { hours: 1299.7, at: at(9) }, { last, books: 1300 }, undefined],
  ['goes back', { hours: 1200, at: at(9) }, { last, books: 1300 }, 'backwards'],
  ['begins anew', { hours: 3, at: at(9) }, { last, books: 1300 }, 'reset'],
  ['more hours than passed', { hours: 1400, at: at(2) }, { last, books: 1300 }, 'tooFast'],
  ['long silent', { hours: 1310, at: '2026-09-01T06:00:00.000Z' }, { last, books: 1300 }, 'gap'],
  [
    'first, below the books',
    { hours: 900, at: at(2) },
    { last: undefined, books: 1300 },
    'backwards',
  ],
  [
    'first, a little above them',
    { hours: 1360, at: at(2) },
    { last: undefined, books: 1300 },
    undefined,
  ],
  ['first, far above them', { hours: 2500, at: at(2) }, { last: undefined, books: 1300 }, 'leap'],
  [
    'first of an engine',
    { hours: 2500, at: at(2) },
    { last: undefined, books: undefined },
    undefined,
  ],
] as const)('%s', (_, next, before, doubt) => {
  expect(hoursDoubt(next, before)).toBe(doubt);
});

test('what is taken never goes back, and never faster than the clock', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 9000, noNaN: true }),
      fc.integer({ min: 2, max: 28 }),
      (hours, day) => {
        if (hoursDoubt({ hours, at: at(day) }, { last, books: 1300 })) return;
        expect(hours).toBeGreaterThanOrEqual(last.hours - 0.5);
        expect(hours - last.hours).toBeLessThanOrEqual((day - 1) * 24 + 1);
      },
    ),
  );
});
