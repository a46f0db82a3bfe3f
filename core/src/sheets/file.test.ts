import fc from 'fast-check';
import { SpecSheet } from '../contracts';
import {} from '../testing/sheet';
import { anySheet, FILES, sheets } from '../testing/shipped';
import { printSheet, sheetJsonSchema } from './index';

describe('as a file', () => {
  test.each(FILES)('%s as shipped is printed byte for byte', (file) => {
    const again = SpecSheet.parse(JSON.parse(printSheet(sheets[file])));
    expect(printSheet(again)).toBe(printSheet(sheets[file]));
    expect(again).toEqual(sheets[file]);
  });
  test('any valid sheet comes back identical, in whatever order a database kept its fields', () => {
    const shuffled = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(shuffled)
        : value !== null && typeof value === 'object'
          ? Object.fromEntries(
              Object.entries(value)
                .reverse()
                .map(([k, v]) => [k, shuffled(v)]),
            )
          : value;
    fc.assert(
      fc.property(
        anySheet,
        (sheet) =>
          printSheet(SpecSheet.parse(shuffled(JSON.parse(printSheet(sheet))))) ===
          printSheet(sheet),
      ),
      { numRuns: 60 },
    );
  });
  test('any mutation of a valid sheet is valid or refused with a path', () => {
    const target = fc
      .constantFrom(...FILES)
      .chain((file) => fc.tuple(fc.constant(file), fc.nat(sheets[file].checks.length - 1)));
    fc.assert(
      fc.property(
        target,
        fc.nat(40),
        fc.oneof(
          fc.constantFrom<unknown>(null, -1, 0, NaN, '', [], {}, 'left', ['a', 'a']),
          fc.anything(),
        ),
        ([file, index], field, put) => {
          const check = sheets[file].checks[index]!;
          const keys = Object.keys(check);
          const key = keys[field % keys.length]!;
          const result = SpecSheet.safeParse({
            ...sheets[file],
            checks: sheets[file].checks.map((c, i) => (i === index ? { ...c, [key]: put } : c)),
          });
          return (
            result.success ||
            result.error.issues.every((i) => i.path.length > 0 && i.message.length > 0)
          );
        },
      ),
      { numRuns: 150 },
    );
  });
  test('the schema knows the kinds and their fields', () => {
    const text = JSON.stringify(sheetJsonSchema());
    for (const word of ['measure', 'gonogo', 'strandsPerTravel', 'outOfFamily', 'expected'])
      expect(text).toContain(word);
  });
});
