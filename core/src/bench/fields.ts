import type { BenchField } from './bench';

/** What a field may say beside its label, symbol and example. */
type Rest = Partial<Omit<BenchField, 'label' | 'symbol' | 'usual'>>;
type Named = readonly [label: string, symbol: string, usual: string];

const field =
  (about: Omit<BenchField, 'label' | 'symbol' | 'usual'>) =>
  (...[label, symbol, usual, rest]: [...Named, rest?: Rest]): BenchField => ({
    ...{ label, symbol, usual },
    ...about,
    ...rest,
  });

/** A length, read in millimetres or in whatever unit is written behind it. */
export const millimetres = field({
  ...{ dimension: 'length', unit: 'mm', low: 1, high: 10_000, step: 1 },
});
/** A force, in newtons. */
export const newtons = field({
  ...{ dimension: 'force', unit: 'N', low: 0.1, high: 100_000, step: 5 },
});
/** A whole number: teeth, pitches, rows. */
export const count = field({ unit: '', low: 1, high: 2000, step: 1, whole: true });
/** A share, in per cent. */
export const percent = field({ unit: '%', low: 0, high: 100, step: 1 });
/** A time, in hours. */
export const hours = field({ dimension: 'time', unit: 'h', low: 0, high: 20_000, step: 0.5 });
/** A speed of turning. */
export const rpm = field({ dimension: 'rotation', unit: 'rpm', low: 1, high: 10_000, step: 5 });
/** The angle of a groove, in degrees. */
export const degrees = field({ dimension: 'angle', unit: '°', low: 10, high: 90, step: 1 });
/** An amount of money, in the shop's currency. */
export const money = field({ unit: '', low: 0, high: 1_000_000, step: 10 });
/** A figure in a unit that only one system has. */
export const plain = (
  unit: string,
  ...[label, symbol, usual, rest]: [
    ...Named,
    rest: Rest & { readonly low: number; readonly high: number; readonly step: number },
  ]
): BenchField => ({
  ...{ label, symbol, usual, unit },
  ...rest,
});
