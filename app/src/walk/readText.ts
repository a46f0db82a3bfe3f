import type { CheckUnit, MeasuredCheck } from '@green-tally/core/contracts';
import { wearLimitsOf } from '@green-tally/core/kinds';
import {
  parseLength,
  parseQuantity,
  printAs,
  UnitParseError,
  type Dimension,
} from '@green-tally/core/units';

/** A reading as typed, read into the core's own unit, or what is wrong with it in words. */
export type ReadText =
  { readonly value: number; readonly unit: string } | { readonly trouble: string };

/** What can stand at a place: anything else is asked about before it is taken. */
interface Plausible {
  readonly quantity: Dimension;
  /** the largest that can be */
  readonly most: number;
  readonly zeroCanBe: boolean;
  readonly print: (value: number) => string;
}

/**
 * A measured reading as typed, for its check: its quantity, a bare number in `unit`, and nothing
 * that cannot be on this part.
 */
export function readMeasured(text: string, check: MeasuredCheck, unit: CheckUnit): ReadText {
  const limits = wearLimitsOf(check);
  return readQuantity(text, unit, {
    quantity: check.quantity,
    most: limits ? 3 * Math.max(limits.nominal, limits.limit) : mostInBand(check),
    zeroCanBe: limits ? limits.nominal === 0 || limits.limit === 0 : true,
    print: (v) => printAs(v, check, 1),
  });
}

const mostInBand = ({ limit }: MeasuredCheck): number =>
  limit.type === 'band' ? 10 * (limit.high ?? limit.low ?? 1) : Infinity;

/** A length as typed, mm. */
export function readLength(text: string, unit: 'mm' | 'in', most = 50_000): ReadText {
  return readQuantity(text, unit, {
    quantity: 'length',
    most,
    zeroCanBe: false,
    print: (v) => `${Math.round(v)} mm`,
  });
}

function readQuantity(
  text: string,
  unit: string,
  { quantity, most, zeroCanBe, print }: Plausible,
): ReadText {
  if (text.trim() === '') return { trouble: 'Type the reading first.' };
  try {
    const { value, unit: written } =
      quantity === 'length' ? parseLength(text, unit) : parseQuantity(text, quantity, unit);
    if (value < 0 || (value === 0 && !zeroCanBe))
      return { trouble: 'A reading of 0 cannot be. Measure again.' };
    if (value > most)
      return {
        trouble: `${print(value)} cannot be here. Check the unit: this is read as ${written}.`,
      };
    return { value, unit: written };
  } catch (error) {
    if (error instanceof UnitParseError) return { trouble: error.message };
    throw error;
  }
}

/**
 * A travel left as typed, mm: 0 is a reading too, more than there is cannot be. @param total the
 * whole slot, mm
 */
export function readTravel(text: string, unit: 'mm' | 'in', total: number): ReadText {
  if (/^\s*0+([.,]0+)?\s*(mm|in)?\s*$/.test(text)) return { value: 0, unit };
  const read = readLength(text, unit);
  if ('value' in read && read.value > total + 1)
    return {
      trouble: `${Math.round(read.value * 10) / 10} mm is more than the whole slot, ${total} mm. Measure what is left of it.`,
    };
  return read;
}
