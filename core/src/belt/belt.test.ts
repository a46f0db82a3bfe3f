import fc from 'fast-check';
import {
  noteOfTension,
  openBeltLength,
  pressDepth,
  rideDrop,
  span,
  standsInBand,
  tensionFromNote,
  tensionFromPush,
  VARIABLE_SPEED_SECTIONS,
} from './index';

const belt = { centre: 900, large: 400, small: 250 };

test('the worked figures of an open belt', () => {
  expect(openBeltLength(belt)).toBeCloseTo(2827.271, 3);
  expect(span(belt)).toBeCloseTo(896.87, 3);
  expect(pressDepth(span(belt))).toBeCloseTo(14.014, 3);
});
test('the worked figures of its tension, pushed and plucked', () => {
  expect(tensionFromPush(60, span(belt), pressDepth(span(belt)))).toBeCloseTo(960, 9);
  expect(tensionFromNote(0.42, 0.89687, 42)).toBeCloseTo(2383.8, 1);
});
test('note and tension are inverse', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 20000, noNaN: true }),
      fc.double({ min: 0.05, max: 3, noNaN: true }),
      fc.double({ min: 0.2, max: 3, noNaN: true }),
      (t, m, s) => Math.abs(tensionFromNote(m, s, noteOfTension(m, s, t)) - t) < 1e-6 * t,
    ),
  );
});
test('equal pulleys: twice the centre and one circumference', () =>
  expect(openBeltLength({ centre: 500, large: 200, small: 200 })).toBeCloseTo(
    1000 + Math.PI * 200,
    9,
  ));
test('larger pulleys or a longer centre take a longer belt', () => {
  const size = fc.double({ min: 50, max: 600, noNaN: true });
  fc.assert(
    fc.property(size, size, fc.double({ min: 700, max: 3000, noNaN: true }), (a, b, c) => {
      const base = openBeltLength({ centre: c, large: a, small: b });
      return (
        openBeltLength({ centre: c + 10, large: a, small: b }) > base &&
        openBeltLength({ centre: c, large: a + 10, small: b }) > base
      );
    }),
  );
});
test('2 mm of width is 3.73 mm of ride in a 30° groove', () =>
  expect(rideDrop(2, 30)).toBeCloseTo(3.732, 3));
test('a new belt is judged by the new band until it has run in', () => {
  const bands = { new: { low: 1000, high: 1200 }, runIn: { low: 700, high: 900 }, runInHours: 10 };
  expect(standsInBand(900, 5, bands)).toMatchObject({ stand: 'low', by: 100 });
  expect(standsInBand(900, 10, bands)).toMatchObject({ stand: 'inside', by: 0 });
  expect(standsInBand(1300, 5, bands)).toMatchObject({ stand: 'high', by: 100 });
});
test('sections are inches in mm', () =>
  expect(VARIABLE_SPEED_SECTIONS.HK).toBeCloseTo(1.5 * 25.4, 9));
test.each([
  [() => span({ centre: 70, large: 400, small: 250 }), 'centre'],
  [() => rideDrop(2, 0), 'grooveAngle'],
  [() => tensionFromPush(60, 800, 0), 'depth'],
  [() => tensionFromPush(1, 800, 12, 500), 'push'],
])('bad input names its field', (bad, field) =>
  expect(bad).toThrow(expect.objectContaining({ field })),
);
