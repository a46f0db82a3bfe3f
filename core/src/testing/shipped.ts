import fc from 'fast-check';
import { SpecSheet } from '../contracts';
import { demoSheet } from './sheet';

/** The sheets that are shipped, by file name. */
export const FILES = [
  'ouzel7',
  'ouzel5',
  'corrie4',
  'merle10',
  'merle12',
  'tarn7',
  'ouzel9',
  'corrie6',
  'tarn5',
] as const;
export const sheets = Object.fromEntries(FILES.map((f) => [f, demoSheet(f)])) as Record<
  (typeof FILES)[number],
  SpecSheet
>;

/** Any valid sheet: some checks of the shipped ones, with numbers, words and places changed. */
export const anySheet = fc.constantFrom(...FILES).chain((file) =>
  fc
    .record({
      picks: fc.uniqueArray(fc.nat(sheets[file].checks.length - 1), {
        minLength: 1,
        maxLength: 12,
      }),
      remark: fc.string({ maxLength: 60 }),
      revision: fc.integer({ min: 1, max: 900 }),
      words: fc.string({ minLength: 1, maxLength: 40 }).filter((s) => s.trim().length > 0),
      minutes: fc.double({ min: 0, max: 500, noNaN: true }),
      places: fc.uniqueArray(
        fc
          .string({ minLength: 1, maxLength: 12 })
          .map((s) => s.trim())
          .filter((s) => s.length > 0),
        { minLength: 1, maxLength: 6 },
      ),
    })
    .map(({ picks, remark, revision, words, minutes, places }) =>
      SpecSheet.parse({
        ...sheets[file],
        revision,
        remark,
        checks: picks
          .map((i) => sheets[file].checks[i]!)
          .map((c, i) => ({
            ...c,
            knockOns: c.knockOns.filter((k) => 'task' in k),
            pairs: [],
            how: i ? c.how : words,
            labour: { ...c.labour, measure: minutes },
            places: c.places.length > 1 && !c.perPlace ? places : c.places,
          })),
      }),
    ),
);
