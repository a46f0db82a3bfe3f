import type { FieldTrouble } from '../contracts';
import { InputError, parseQuantity, type Dimension } from '../units';

/** What was typed may be rounded on its way through a file; a figure mistaken is further off. */
const ROUNDED = 0.001;

/** A value, and how a person wrote it. */
export interface Written {
  /** empty where nobody typed it: a gauge sent it */
  readonly text: string;
  readonly value: number | undefined;
  readonly unit: string;
}

/** What was typed must say what is kept: else one of the two is not what the person meant. */
export function typedTroubles(
  { text, value, unit }: Written,
  { dimension, field }: { readonly dimension: Dimension; readonly field: string },
): FieldTrouble[] {
  if (!text.trim()) return [];
  if (value === undefined)
    return [{ field, message: `"${text}" was typed, and no value kept of it.` }];
  try {
    const said = parseQuantity(text, dimension, unit).value;
    return Math.abs(said - value) <= Math.max(ROUNDED, ROUNDED * Math.abs(value))
      ? []
      : [
          {
            field,
            message: `"${text}" ${unit} was typed, and ${value} is kept. Take the reading again.`,
          },
        ];
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return [{ field, message: `"${text}" ${unit} cannot be read: ${error.message}` }];
  }
}
