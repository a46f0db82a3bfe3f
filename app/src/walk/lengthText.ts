import { parseLength, UnitParseError } from '@green-tally/core/units';

/** A length as typed, read: mm, or what is wrong with it in words. */
export function readLength(text: string, unit: 'mm' | 'in', most = 50_000): { readonly mm: number; readonly unit: string } | { readonly trouble: string } {
  if (text.trim() === '') return { trouble: 'Type the reading first.' };
  try {
    const { value, unit: written } = parseLength(text, unit);
    if (value <= 0) return { trouble: 'A reading of 0 cannot be. Measure again.' };
    if (value > most) return { trouble: `${Math.round(value)} mm cannot be here. Check the unit: this is read as ${written}.` };
    return { mm: value, unit: written };
  } catch (error) {
    if (error instanceof UnitParseError) return { trouble: error.message };
    throw error;
  }
}

/** As {@link readLength}, with 0 allowed: nothing left of a travel is a reading too. */
export function readTravel(text: string, unit: 'mm' | 'in', total: number): { readonly mm: number; readonly unit: string } | { readonly trouble: string } {
  if (/^\s*0+([.,]0+)?\s*(mm|in)?\s*$/.test(text)) return { mm: 0, unit };
  const read = readLength(text, unit);
  if ('mm' in read && read.mm > total + 1) return { trouble: `${Math.round(read.mm * 10) / 10} mm is more than the whole slot, ${total} mm. Measure what is left of it.` };
  return read;
}
