import fc from 'fast-check';
import {
  counted,
  findUnit,
  parseLength,
  parseQuantity,
  printHours,
  printLength,
  printNumber,
  readsTo,
  UnitParseError,
} from './index';

const mm = (text: string, bare = 'mm') => parseLength(text, bare).value;
const failure = (text: string): UnitParseError => {
  try {
    parseLength(text, 'mm');
  } catch (error) {
    if (error instanceof UnitParseError) return error;
    throw error;
  }
  throw new Error(`"${text}" was read`);
};

describe('lengths as people write them', () => {
  test.each([
    ['9.5', 9.5],
    ['9,5 mm', 9.5],
    ['9.5mm', 9.5],
    ['3/8 in', 9.525],
    ['1 3/8"', 34.925],
    ['1-3/8 in', 34.925],
    ['20 thou', 0.508],
    ['.020 in', 0.508],
    ['1 ft 2 in', 355.6],
    ['1\' 2 1/2"', 368.3],
    ['2 cm', 20],
    ['0', 0],
    ['  7 ', 7],
  ])('%s is %d mm', (text, expected) => expect(mm(text)).toBeCloseTo(expected, 9));

  test("a bare number takes the check's own unit", () => {
    expect(mm('3/8', 'in')).toBeCloseTo(9.525, 9);
    expect(mm('1 3/8', 'in')).toBeCloseTo(34.925, 9);
    expect(mm('.020', 'in')).toBeCloseTo(0.508, 9);
    expect(mm('9.5', 'mm')).toBe(9.5);
  });

  test('remembers the unit that was written', () => {
    expect(parseLength('3/8 inch', 'mm').unit).toBe('in');
    expect(parseLength('4', 'mm').unit).toBe('mm');
  });

  test.each([
    ['', 0],
    ['abc', 0],
    ['-4', 0],
    ['9.5 furlongs', 4],
    ['1,250', 1],
    ['1.2.3', 3],
    ['3/0', 2],
    ['3/', 2],
    ['1 9/8', 1],
    ['5.', 2],
    ['1 ft 14 in', 10],
    ['9 5', 2],
    ['1/2/3', 3],
    ['4 mm 2', 5],
    ['1e3', 1],
  ])('"%s" is refused at character index %d', (text, position) =>
    expect(failure(text).position).toBe(position),
  );

  test('the refusal names the unit and the remedy', () => {
    expect(failure('9.5 furlongs').message).toMatch(
      /"furlongs" is not a unit of length.*Write 9\.5/,
    );
    expect(failure('1,250').message).toMatch(/thousands or decimals/);
  });

  test('any text is read or refused with a typed error, and what is read is finite and not negative', () => {
    const writing = fc.stringMatching(/^[0-9 .,/\-a-z"']{0,14}$/);
    fc.assert(
      fc.property(writing, (text) => {
        try {
          const { value } = parseLength(text, 'mm');
          return Number.isFinite(value) && value >= 0;
        } catch (error) {
          return error instanceof UnitParseError && error.position <= text.length;
        }
      }),
      { numRuns: 2000 },
    );
  });
});

describe('printing', () => {
  test.each([
    [34.925, '1 3/8 in'],
    [9.525, '3/8 in'],
    [25.4, '1 in'],
    [0, '0 in'],
    [25.3, '1 in'],
    [0.4, '1/64 in'],
  ])('%d mm is %s', (length, text) => expect(printLength(length, 'inFraction')).toBe(text));
  test('thousandths and millimetres', () => {
    expect(printLength(0.508, 'inThou')).toBe('0.020 in');
    expect(printLength(38, 'mm')).toBe('38 mm');
    expect(printLength(422.694, 'mm', 1)).toBe('422.7 mm');
    expect(printNumber(-0.0001, 2)).toBe('0');
    expect(printNumber(100, 0)).toBe('100');
    expect([printHours(1284.4), printHours(96), printHours(1234567)]).toEqual([
      '1,284 h',
      '96 h',
      '1,234,567 h',
    ]);
  });
  test('a length printed in mm and read back loses less than 0.001 mm', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20000, noNaN: true }),
        (length) =>
          Math.abs(
            mm(
              printLength(length, 'mm')
                .replace(' mm', '.0 mm')
                .replace(/(\.\d+)\.0/, '$1'),
            ) - length,
          ) <= 0.000501,
      ),
    );
  });
  test('sixty-fourths printed and read back are the same', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 64 * 100 }),
        (n) => Math.abs(mm(printLength((n * 25.4) / 64, 'inFraction')) - (n * 25.4) / 64) < 1e-9,
      ),
    );
  });
});

describe('other quantities', () => {
  test.each([
    ['22 lbf', 'force', 97.8609],
    ['2 bar', 'pressure', 200],
    ['10 lb ft', 'torque', 13.5582],
    ['42 Hz', 'frequency', 42],
    ['620 rpm', 'rotation', 620],
    ['4.5 V', 'voltage', 4.5],
    ['12°', 'angle', 12],
    ['90 min', 'time', 1.5],
    ['100 ac', 'area', 40.4686],
    ['4 mph', 'speed', 6.4374],
  ] as const)('%s as %s', (text, dimension, expected) => {
    const bare = {
      force: 'N',
      pressure: 'kPa',
      torque: 'N·m',
      frequency: 'Hz',
      rotation: 'rpm',
      voltage: 'V',
      angle: '°',
      time: 'h',
      area: 'ha',
      speed: 'km/h',
    }[dimension];
    expect(parseQuantity(text, dimension, bare).value).toBeCloseTo(expected, 4);
  });
  test('a unit of another dimension is not accepted', () => {
    expect(() => parseQuantity('5 mm', 'force', 'N')).toThrow(/not a unit of force/);
    expect(findUnit('length', 'N')).toBeUndefined();
  });
});

describe('what could be read two ways, or not at all', () => {
  test.each(['12 mil', '12 mils', '12mil'])('%s is refused: thousandths of which?', (text) =>
    expect(() => parseLength(text, 'mm')).toThrow(/thousandths of an inch or millimetres/),
  );
  test.each([
    ['900 1/min', 900],
    ['900 r/min', 900],
    ['900.5 1/min', 900.5],
    ['900', 900],
  ])('%s is a speed', (text, rpm) =>
    expect(parseQuantity(text, 'rotation', 'rpm').value).toBe(rpm),
  );
  test('a fraction after a whole number is still one', () =>
    expect(parseLength('1 3/8 in', 'mm').value).toBeCloseTo(34.925, 9));
  test('endless digits are refused, not taken for infinity', () =>
    expect(() => parseLength('9'.repeat(400), 'mm')).toThrow(/too long/));
});

test.each([
  [1, undefined, '1 check'],
  [0, undefined, '0 checks'],
  [2, undefined, '2 checks'],
  [2, 'check-ups', '2 check-ups'],
])('%d of them, %s: %s', (n, many, words) => expect(counted(n, 'check', many)).toBe(words));

describe('how finely a tool reads', () => {
  test('as its check writes it', () =>
    expect(readsTo(0.1, { quantity: 'length', unit: 'mm', style: 'mm' })).toBe('reads to 0.1 mm'));
  test('a fraction of an inch would round it away: decimals of it', () =>
    expect(readsTo(0.0254, { quantity: 'length', unit: 'in', style: 'inFraction' })).toBe(
      'reads to 0.001 in',
    ));
  test('in the unit of a force', () =>
    expect(readsTo(5, { quantity: 'force', unit: 'N', style: 'plain' })).toBe('reads to 5 N'));
});
