import fc from 'fast-check';
import { ReadingValue } from '../contracts';
import type { Dimension } from '../units';
import { CSV_QUANTITIES, readCsvValue, writeCsvValue, type CsvRow } from './index';

interface Row {
  readonly cells?: Readonly<Record<string, string>>;
  readonly measured?: Dimension;
}

/** A row of the file in memory, with the troubles it notes. */
function rowOf({ cells = {}, measured = 'length' }: Row): CsvRow & { readonly noted: string[] } {
  const noted: string[] = [];
  const cell = (column: string) => (cells[column] ?? '').trim();
  return {
    cell,
    number: (column) => cell(column).replace(',', '.'),
    wrong: (field, message) => void noted.push(`${field}: ${message}`),
    measured,
    noted,
  };
}

const read = (quantity: string, value: string, more: Record<string, string> = {}) => {
  const row = rowOf({ cells: { quantity, value, ...more } });
  return { value: readCsvValue(row), noted: row.noted };
};

describe('what a row says', () => {
  test.each<[quantity: string, value: string, read: object]>([
    ['measure', '35.6', { values: [35.6], unit: 'mm' }],
    ['measure', '36 / 36.1', { values: [36, 36.1], typed: ['36', '36.1'] }],
    ['mark', 'at', { stands: 'at', by: 0 }],
    ['mark', 'short 2', { stands: 'short', by: 2 }],
    ['mark', 'Past 1,5 mm', { stands: 'past', by: 1.5 }],
    ['feel', 'stuck', { feel: 'stuck' }],
    ['feel', 'Just slides, no play', { feel: 'justSlides', play: false }],
    ['feel', 'slides easily with play', { feel: 'slidesEasily', play: true }],
    ['feel', 'hangs loose', { feel: 'hangs' }],
    ['gonogo', 'Fits', { fits: true }],
    ['gonogo', 'does not fit', { fits: false }],
    ['count', 'missing=1 one_edge=6', { missing: 1, damaged: 0, oneEdge: 6, bothEdges: 0 }],
    ['condition', 'sound', { grade: 'sound', seen: [] }],
    ['condition', 'Marked: cracks; fraying', { grade: 'marked', seen: ['cracks', 'fraying'] }],
    ['level', 'low', { level: 'low', colour: '' }],
    ['level', 'low + 1.5 l of Gear oil', { level: 'low', product: 'Gear oil', toppedUp: 1.5 }],
    ['level', 'right of Gear oil', { level: 'right', colour: '', product: 'Gear oil' }],
    ['level', 'high milky + 0.25 l', { level: 'high', colour: 'milky', toppedUp: 0.25 }],
    ['level', 'Right golden brown', { level: 'right', colour: 'golden brown' }],
    ['setting', 'high range', { option: 'high range' }],
    ['service', 'done', { amount: null, product: '' }],
    ['service', 'done 2,5', { amount: 2.5, product: '' }],
    ['service', 'done 2 of Grease NLGI 2', { amount: 2, product: 'Grease NLGI 2' }],
    ['look', 'fine', { seen: 'fine', found: '' }],
    ['look', 'cord showing', { seen: 'damaged', found: 'cord showing' }],
    ['skip', 'too dark', { why: 'too dark' }],
    ['travel', '21', { left: 21, linksOut: 0, unit: 'mm' }],
  ])('%s %j', (quantity, value, wanted) => {
    const { value: got, noted } = read(quantity, value);
    expect(noted).toEqual([]);
    expect(got).toMatchObject({ kind: quantity, ...wanted });
    expect(ReadingValue.safeParse(got).success).toBe(true);
  });

  test('inches are taken in millimetres, with what was typed beside them', () => {
    const { value, noted } = read('measure', '1 3/8', { unit: 'in' });
    expect(noted).toEqual([]);
    expect(value).toMatchObject({ values: [34.925], typed: ['1 3/8'], unit: 'in' });
  });
  test('links taken out stand in a column of their own', () =>
    expect(read('travel', '21', { links_out: '2' }).value).toMatchObject({
      left: 21,
      linksOut: 2,
    }));
  test('the quantity may be written in capitals', () =>
    expect(read('GONOGO', 'fits').value).toEqual({ kind: 'gonogo', fits: true }));
});

describe('what a row cannot say is noted by field, with what to write', () => {
  test.each<[quantity: string, value: string, more: Record<string, string>, noted: RegExp]>([
    ['weight', '3', {}, /^quantity: "weight" is not a quantity: write measure, .* or strike\.$/],
    ['', '3', {}, /^quantity: "" is not a quantity/],
    ['measure', 'wide', {}, /^value: .*not a number/],
    ['measure', '36 / wide', {}, /^value: /],
    [
      'measure',
      '36',
      { unit: 'cubits' },
      /^unit: "cubits" is not a unit of length: write mm or in/,
    ],
    ['mark', 'near', {}, /^value: "near" is not a mark: write at, short 2 or past 1\.5/],
    ['mark', 'short of it', {}, /^value: "of it" is not a length in mm/],
    ['feel', 'tight', {}, /^value: "tight" is not a feel: write stuck, just slides/],
    ['gonogo', 'nearly', {}, /^value: "nearly" is not a gauge reading: write fits or/],
    ['count', 'none', {}, /^value: "none" is not a count: write missing=1/],
    ['condition', 'good', {}, /^value: "good" is not a condition: write sound/],
    ['level', 'full', {}, /^value: "full" is not a level: write low, right or high/],
    ['service', 'greased', {}, /^value: "greased" is not a service: write done/],
    ['travel', '21', { links_out: 'two' }, /^links_out: "two" is not a whole number/],
    ['travel', '21', { links_out: '1.5' }, /^links_out: "1\.5" is not a whole number/],
    ['travel', 'a little', {}, /^value: /],
  ])('%s %j %j', (quantity, value, more, wanted) => {
    const { value: got, noted } = read(quantity, value, more);
    expect(got).toBeUndefined();
    expect(noted).toHaveLength(1);
    expect(noted[0]).toMatch(wanted);
  });
});

describe('what is written can be read again', () => {
  const word = fc.stringMatching(/^[a-z]{3,8}( [a-z]{3,8})?$/);
  const count = fc.nat(48);
  const length = fc.integer({ min: 1, max: 400_000 }).map((n) => n / 1000);
  const anyValue: fc.Arbitrary<ReadingValue> = fc.oneof(
    fc.record({
      kind: fc.constant('measure' as const),
      values: fc.array(length, { minLength: 1, maxLength: 3 }),
      typed: fc.constant([]),
      unit: fc.constant('mm'),
    }),
    fc.record({
      kind: fc.constant('travel' as const),
      left: length,
      linksOut: fc.constant(0),
      typed: fc.constant(''),
      unit: fc.constant('mm'),
    }),
    fc.record({
      kind: fc.constant('mark' as const),
      stands: fc.constantFrom('short' as const, 'past' as const),
      by: length,
    }),
    fc.record({
      kind: fc.constant('feel' as const),
      feel: fc.constantFrom('stuck', 'justSlides', 'slidesEasily', 'hangs'),
      play: fc.boolean(),
    }),
    fc.record({ kind: fc.constant('gonogo' as const), fits: fc.boolean() }),
    fc.record({
      kind: fc.constant('count' as const),
      missing: count,
      damaged: count,
      oneEdge: count,
      bothEdges: count,
    }),
    fc.record({
      kind: fc.constant('condition' as const),
      grade: fc.constantFrom('marked' as const, 'damaged' as const),
      seen: fc.array(word, { minLength: 1, maxLength: 3 }),
      found: fc.constant(''),
    }),
    fc.record({
      kind: fc.constant('level' as const),
      level: fc.constantFrom('low' as const, 'right' as const, 'high' as const),
      colour: word,
      product: word,
      toppedUp: fc.constantFrom(null, 0.5, 2, 12.25),
    }),
    fc.record({ kind: fc.constant('setting' as const), option: word }),
    fc.record({
      kind: fc.constant('service' as const),
      amount: fc.oneof(fc.constant(null), length),
      product: word,
    }),
    fc.record({ kind: fc.constant('skip' as const), why: word }),
  ) as fc.Arbitrary<ReadingValue>;

  /** What is kept of a value in the file: not what was typed. */
  const bare = (value: object | undefined) => {
    const { typed: _, ...rest } = (value ?? {}) as { typed?: unknown };
    return rest;
  };

  test('any value of any kind', () =>
    fc.assert(
      fc.property(anyValue, (value) => {
        const { quantity, value: text, unit } = writeCsvValue(value);
        const { value: again, noted } = read(quantity, text, { unit });
        expect(noted).toEqual([]);
        const parsed = ReadingValue.parse(again);
        expect(bare(parsed)).toEqual(bare(ReadingValue.parse(value)));
      }),
    ));

  test('every quantity is told where one is unknown', () => {
    const [noted = ''] = read('?', '').noted;
    for (const quantity of CSV_QUANTITIES) expect(noted).toContain(quantity);
  });

  test('an amount measured in inches is written in millimetres', () =>
    expect(
      writeCsvValue({ kind: 'measure', values: [34.925], typed: ['1 3/8'], unit: 'in' }),
    ).toEqual({ quantity: 'measure', value: '34.925', unit: 'mm' }));
});
