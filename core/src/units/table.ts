/** What a unit measures. */
export type Dimension =
  | 'length'
  | 'force'
  | 'pressure'
  | 'torque'
  | 'frequency'
  | 'rotation'
  | 'voltage'
  | 'angle'
  | 'time'
  | 'area'
  | 'speed';

/**
 * A unit: its symbol as printed, other spellings people write, and how many of the core's own unit
 * it holds.
 */
export interface Unit {
  readonly symbol: string;
  readonly dimension: Dimension;
  readonly factor: number;
  readonly spellings: readonly string[];
}

const unit = (
  dimension: Dimension,
  symbol: string,
  factor: number,
  ...spellings: string[]
): Unit => ({
  symbol,
  dimension,
  factor,
  spellings: [symbol.toLowerCase(), ...spellings],
});

/**
 * Every unit the trade writes. The core's own units, factor 1: mm, N, kPa, N·m, Hz, rpm, V, °, h,
 * ha, km/h.
 * Factors are exact by definition (international yard and pound, 1959) save lbf, psi and ac, given
 * to 10 digits.
 */
export const UNITS: readonly Unit[] = [
  unit('length', 'mm', 1, 'millimetre', 'millimeter'),
  unit('length', 'cm', 10),
  unit('length', 'm', 1000),
  unit('length', 'in', 25.4, '"', '″', '”', 'inch', 'inches'),
  unit('length', 'thou', 0.0254),
  unit('length', 'ft', 304.8, "'", '′', '’', 'foot', 'feet'),
  unit('force', 'N', 1),
  unit('force', 'kN', 1000),
  unit('force', 'lbf', 4.4482216153, 'lb', 'lbs'),
  unit('pressure', 'kPa', 1),
  unit('pressure', 'bar', 100),
  unit('pressure', 'MPa', 1000),
  unit('pressure', 'psi', 6.8947572932),
  unit('torque', 'N·m', 1, 'nm', 'n m', 'n*m'),
  unit('torque', 'lbf·ft', 1.3558179483, 'lbft', 'lb ft', 'lb-ft', 'ftlb', 'ft lb'),
  unit('frequency', 'Hz', 1),
  unit('rotation', 'rpm', 1, 'r/min', '1/min'),
  unit('voltage', 'V', 1),
  unit('voltage', 'mV', 0.001),
  unit('angle', '°', 1, 'deg', 'degrees'),
  unit('time', 'h', 1, 'hr', 'hrs', 'hours'),
  unit('time', 'min', 1 / 60),
  unit('area', 'ha', 1),
  unit('area', 'ac', 0.4046856422, 'acre', 'acres'),
  unit('speed', 'km/h', 1, 'kph'),
  unit('speed', 'mph', 1.609344),
];

/** The unit spelt `text` within a dimension, or undefined. Case is ignored. */
export function findUnit(dimension: Dimension, text: string): Unit | undefined {
  const wanted = text.trim().toLowerCase();
  return UNITS.find((u) => u.dimension === dimension && u.spellings.includes(wanted));
}

/** Symbols offered for a dimension, for error texts: "mm, cm, m, in, thou, ft". */
export function unitSymbols(dimension: Dimension): string {
  return UNITS.filter((u) => u.dimension === dimension)
    .map((u) => u.symbol)
    .join(', ');
}
