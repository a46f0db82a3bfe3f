import { InputError, zeroOrMore } from '../units';

/** Parallel strands compared. Elongations in %. */
export interface StrandComparison {
  readonly worst: { readonly name: string; readonly elongation: number };
  readonly least: { readonly name: string; readonly elongation: number };
  readonly difference: number;
  readonly equal: boolean;
}

/**
 * Compares strands or sides measured over the same chain drive: the worst is judged, and unequal
 * ones run the slats crooked.
 * @param strands name and elongation, %, at least two
 * @param allowed difference, % points
 * @example compareStrands([{ name: 'left', elongation: 1.1 }, { name: 'right', elongation: 1.6 }], 0.3).equal // false
 */
export function compareStrands(
  strands: readonly { readonly name: string; readonly elongation: number }[],
  allowed: number,
): StrandComparison {
  zeroOrMore('allowed', allowed);
  const sorted = [...strands].sort((a, b) => b.elongation - a.elongation);
  const [worst] = sorted;
  const least = sorted.at(-1);
  if (!worst || !least || strands.length < 2)
    throw new InputError('strands', strands.length, 'at least two strands');
  const bad = strands.find((s) => !Number.isFinite(s.elongation));
  if (bad) throw new InputError(`strands.${bad.name}`, bad.elongation, 'a finite elongation');
  const difference = worst.elongation - least.elongation;
  return { worst, least, difference, equal: difference <= allowed + 1e-12 };
}
