import { z } from 'zod';
import { SpecSheet, type Check } from '@green-tally/core/contracts';
import { nameOf, type FormField } from './field';
import { fieldsOf } from './fields';
import { readField } from './read';

type Built = Record<string, unknown>;

/**
 * Reads a check's form in its sheet: every trouble stands at its field, in words.
 * @param sheet the sheet the check belongs to, itself among its checks
 */
export function formSchema(sheet: SpecSheet, check: Check) {
  const fields = fieldsOf(check);
  return z.record(z.string(), z.string()).transform((values, ctx): Check => {
    const wrong = (path: string, message: string) =>
      ctx.addIssue({ code: 'custom', path: [nameOf(path)], message });
    const built = JSON.parse(JSON.stringify(check)) as Built;
    let clean = true;
    for (const field of fields) {
      const read = readField(field, values[nameOf(field.path)] ?? '', check);
      if ('value' in read) put(built, field.path, read.value);
      else wrong(field.path, read.trouble);
      clean &&= 'value' in read;
    }
    if (!clean) return z.NEVER;
    const index = sheet.checks.findIndex((c) => c.id === check.id);
    const whole = SpecSheet.safeParse({
      ...sheet,
      checks: sheet.checks.map((c, i) => (i === index ? agreeing(built) : c)),
    });
    if (whole.success) return whole.data.checks[index] ?? check;
    const own = whole.error.issues.filter((i) => i.path[0] === 'checks' && i.path[1] === index);
    for (const issue of own) {
      const path = issue.path.slice(2).join('.');
      const field = fieldOf(fields, path);
      if (field) wrong(field.path, issue.message);
      else wrong(fields[0]?.path ?? 'component', `${path}: ${issue.message}`);
    }
    return z.NEVER;
  });
}

/** The field a trouble stands at: its own, or the nearest that holds it or is held by it. */
const fieldOf = (fields: readonly FormField[], path: string): FormField | undefined =>
  fields.find((f) => path === f.path) ??
  fields.find((f) => path.startsWith(`${f.path}.`) || f.path.startsWith(`${path}.`));

const Limit = z.looseObject({
  type: z.literal('wear'),
  nominal: z.number(),
  limit: z.number(),
  wornSide: z.string(),
});
const Interval = z.object({ kind: z.enum(['daily', 'perCrop']) });

/**
 * What follows from other fields is set by them: an interval without hours keeps none, the worn
 * side follows the limit.
 */
function agreeing(built: Built): Built {
  const limit = Limit.safeParse(built['limit']).data;
  const interval = Interval.safeParse(built['interval']).data;
  return {
    ...built,
    ...(interval ? { interval } : {}),
    ...(limit
      ? { limit: { ...limit, wornSide: limit.limit < limit.nominal ? 'smaller' : 'larger' } }
      : {}),
  };
}

function put(target: Built, path: string, value: unknown): void {
  const [first = '', ...rest] = path.split('.');
  if (!rest.length) {
    if (value === undefined) delete target[first];
    else target[first] = value;
    return;
  }
  if (value === undefined && target[first] === undefined) return;
  const inner = (target[first] ?? {}) as Built;
  target[first] = inner;
  put(inner, rest.join('.'), value);
  // what has been emptied of all it held is gone
  if (value === undefined && !Object.keys(inner).length) delete target[first];
}
