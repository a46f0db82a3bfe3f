import type { CheckUnit, MeasuredCheck } from '@green-tally/core/contracts';
import { wearLimitsOf } from '@green-tally/core/kinds';
import {
  type Dimension,
  parseLength,
  parseQuantity,
  printAs,
  UnitParseError,
} from '@green-tally/core/units';

/** A reading as typed, read into the core's own unit, or what is wrong with it in words. */
export type ReadText =
  { readonly value: number; readonly unit: string } | { readonly trouble: string };

/** A measured reading as typed, for its check: its quantity, a bare number in `unit`, and nothing that cannot be on this part. */
export function readMeasured(text: string, check: MeasuredCheck, unit: CheckUnit): ReadText {
  const limits = wearLimitsOf(check);
  const zeroCanBe = limits ? limits.nominal === 0 || limits.limit === 0 : true;
  const most = limits
    ? 3 * Math.max(limits.nominal, limits.limit)
    : check.limit.type === 'band'
      ? 10 * (check.limit.high ?? check.limit.low ?? 1)
      : Infinity;
  return readQuantity(text, check.quantity, unit, most, zeroCanBe, (v) => printAs(v, check, 1));
}

/** A length as typed, read: mm, or what is wrong with it in words. */
export function readLength(
  text: string,
  unit: 'mm' | 'in',
  most = 50_000,
): { readonly mm: number; readonly unit: string } | { readonly trouble: string } {
  const read = readQuantity(text, 'length', unit, most, false, (v) => `${Math.round(v)} mm`);
  return 'trouble' in read ? read : { mm: read.value, unit: read.unit };
}

function readQuantity(
  text: string,
  quantity: Dimension,
  unit: string,
  most: number,
  zeroCanBe: boolean,
  print: (value: number) => string,
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

/** As {@link readLength}, with 0 allowed: nothing left of a travel is a reading too. */
export function readTravel(
  text: string,
  unit: 'mm' | 'in',
  total: number,
): { readonly mm: number; readonly unit: string } | { readonly trouble: string } {
  if (/^\s*0+([.,]0+)?\s*(mm|in)?\s*$/.test(text)) return { mm: 0, unit };
  const read = readLength(text, unit);
  if ('mm' in read && read.mm > total + 1)
    return {
      trouble: `${Math.round(read.mm * 10) / 10} mm is more than the whole slot, ${total} mm. Measure what is left of it.`,
    };
  return read;
}
