import {
  CheckUnit,
  Interval,
  Quantity,
  QUANTITY_UNITS,
  type Check,
} from '@green-tally/core/contracts';
import { nameOf, type FormField, type FormValues } from './field';
import { fieldsOf, type SheetChoices } from './fields';
import { printField } from './print';
import { readField } from './read';
import { writingOf } from './writing';

/** What decides which fields a form has, and in which unit its values are. */
const SHAPING = ['interval.kind', 'limit.type', 'quantity', 'unit', 'style'] as const;

/** Whether a field decides which others there are. */
export const shapes = (path: string): boolean => (SHAPING as readonly string[]).includes(path);

/**
 * The check in the shape its form has now: how often, form of limit, quantity and unit as they are
 * chosen in it. Only its shape is to be used: its values may be half-written.
 */
export function shapedBy(check: Check, values: FormValues): Check {
  const said = (path: (typeof SHAPING)[number]) => values[nameOf(path)];
  const shaped = { ...check } as Check & Record<string, unknown>;
  const kind = INTERVALS.find((k) => k === said('interval.kind'));
  if (kind && kind !== check.interval.kind) Object.assign(shaped, { interval: { kind } });
  if (check.kind !== 'measure' && check.kind !== 'series') return shaped;
  const form = LIMITS.find((k) => k === said('limit.type'));
  if (form && form !== check.limit.type) Object.assign(shaped, { limit: limitOf(check, form) });
  const quantity = Quantity.safeParse(said('quantity')).data ?? check.quantity;
  const unit = CheckUnit.safeParse(said('unit')).data ?? check.unit;
  const style = said('style') ?? check.style;
  if (quantity === check.quantity && unit === check.unit && style === check.style) return shaped;
  return Object.assign(shaped, { quantity, unit, style: styleOf(quantity, unit, style) });
}

const INTERVALS = Interval.options.map((o) => o.shape.kind.value);
const LIMITS = ['wear', 'elongation', 'band', 'open'] as const;

const limitOf = (check: Check, form: (typeof LIMITS)[number]): object =>
  form === 'open' ? { type: form, wants: wantsOf(check) } : { type: form };

const wantsOf = (check: Check): string =>
  !('limit' in check) ? 'band' : check.limit.type === 'open' ? check.limit.wants : check.limit.type;

/** Lengths are written in mm, fractions or thousandths; all else in its unit. */
function styleOf(quantity: Quantity, unit: CheckUnit, style: string): string {
  if (quantity !== 'length') return 'plain';
  if (unit === 'mm') return 'mm';
  return style === 'inThou' ? 'inThou' : 'inFraction';
}

/** What a field says that came with the shape chosen just now. */
const firstOf = ({ options, optional }: FormField): string =>
  (!optional && options?.[0]?.value) || '';

/**
 * The values of a form after one that shapes it was chosen anew: what is a value in a unit is
 * written in the new one, so that it stays as large as it was. What cannot be read is left as it
 * is.
 */
export function reshaped(
  check: Check,
  values: FormValues,
  change: FormValues,
  sheet: SheetChoices,
): FormValues {
  const before = shapedBy(check, values);
  const chosen = { ...values, ...change };
  const quantity = Quantity.safeParse(change['quantity']).data;
  if (quantity) chosen['unit'] = QUANTITY_UNITS[quantity][0];
  const after = shapedBy(check, chosen);
  const sameQuantity = writingOf(before).quantity === writingOf(after).quantity;
  for (const field of fieldsOf(after, sheet)) {
    const name = nameOf(field.path);
    const written = (chosen[name] ??= firstOf(field));
    if (field.as !== 'quantity' || !written || !sameQuantity) continue;
    const read = readField(field, written, before);
    if ('value' in read) chosen[name] = printField(field, read.value, after);
  }
  return chosen;
}
