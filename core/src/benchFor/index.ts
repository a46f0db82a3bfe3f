import { takeUpOf, type Check, type Method } from '../contracts';

export * from './photo';

/** A drawing of the bench that belongs to a check. */
export interface BenchPlace {
  readonly bench: 'chain' | 'belt' | 'drive' | 'knives' | 'sprocket';
  readonly section: string;
  /** the field whose text is the check's own reading; null where the bench only helps to decide */
  readonly field: string | null;
}

/** The calculator of a method, and its field for each quantity that a check of it may read. */
const OF_METHOD: Partial<
  Readonly<Record<Method, readonly [BenchPlace['bench'], string, Readonly<Record<string, string>>]>>
> = {
  'chain-pitches': ['chain', 'elongation', { length: 'length' }],
  sag: ['chain', 'sag', { length: 'sag' }],
  'belt-width': ['belt', 'width', { length: 'width' }],
  'belt-note': ['belt', 'note', { frequency: 'note' }],
  'belt-push': ['belt', 'push', { force: 'push', length: 'depth' }],
  'sheave-gap': ['drive', 'gap', { length: 'gap' }],
  tooth: ['sprocket', 'tooth', { length: 'measured' }],
};

/** A set of rotating knives has at least so many; fewer are a bank that does not turn. */
const A_ROTOR = 24;

/** The calculator that belongs to a check, and its field that is the check's reading; undefined where there is none. */
export function benchFor(check: Check): BenchPlace | undefined {
  const of = OF_METHOD[check.method];
  if (of) {
    const [bench, section, fields] = of;
    const quantity = 'quantity' in check ? check.quantity : '';
    return { bench, section, field: fields[quantity] ?? null };
  }
  if (check.method === 'knife-count' && check.kind === 'count' && check.turnFrom !== undefined)
    return (check.total ?? 0) >= A_ROTOR
      ? { bench: 'knives', section: 'balance', field: null }
      : undefined;
  return takeUpOf(check) ? { bench: 'chain', section: 'takeUp', field: null } : undefined;
}
