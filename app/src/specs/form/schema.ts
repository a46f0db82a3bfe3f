import { z } from 'zod';
import { SpecSheet, STATIONS, type Check } from '@green-tally/core/contracts';
import { nameOf, type FormField, type FormValues } from './field';
import { fieldsOf } from './fields';
import { readField } from './read';
import { shapedBy } from './shape';

type Built = Record<string, unknown>;

/** What is wrong in the form of one check, at its field. */
export interface FormTrouble {
  readonly check: string;
  /** name of the field */
  readonly name: string;
  readonly message: string;
}

/** The form of one check: what stands in all of its fields. */
export interface CheckForm {
  readonly check: Check;
  readonly values: FormValues;
}

interface Read {
  readonly check: Check;
  readonly fields: readonly FormField[];
  readonly built: Built;
}

/**
 * Enters what the forms of some checks say in their sheet. What can be used is in it; what cannot
 * is left as it was, with every trouble at its field, in words.
 * @param sheet the checks belong to it
 */
export function enterForms(
  sheet: SpecSheet,
  forms: readonly CheckForm[],
): { readonly sheet: SpecSheet; readonly troubles: readonly FormTrouble[] } {
  const troubles: FormTrouble[] = [];
  const usable: Read[] = [];
  for (const form of forms) {
    const read = readForm(sheet, form);
    if ('built' in read) usable.push(read);
    else troubles.push(...read.troubles);
  }
  return whole(sheet, usable, troubles);
}

/** What a form says of its check, not held against the sheet yet. */
export function readForm(
  sheet: SpecSheet,
  { check, values }: CheckForm,
): Read | { readonly troubles: readonly FormTrouble[] } {
  const shaped = shapedBy(check, values);
  const fields = fieldsOf(shaped, sheet);
  const built = JSON.parse(JSON.stringify({ ...check, ...styleOf(shaped) })) as Built;
  const troubles = fields.flatMap((field): FormTrouble[] => {
    const name = nameOf(field.path);
    const read = readField(field, values[name] ?? '', shaped);
    if ('trouble' in read) return [{ check: check.id, name, message: read.trouble }];
    put(built, field.path, read.value);
    return [];
  });
  return troubles.length ? { troubles } : { check, fields, built: agreeing(built, check) };
}

/** Holds what was read against the sheet; what does not go with it is left out, and told. */
function whole(
  sheet: SpecSheet,
  usable: readonly Read[],
  troubles: readonly FormTrouble[],
): ReturnType<typeof enterForms> {
  if (!usable.length) return { sheet, troubles };
  const byId = new Map(usable.map((u) => [u.check.id, u]));
  const read = SpecSheet.safeParse({
    ...sheet,
    checks: sheet.checks.map((c) => byId.get(c.id)?.built ?? c),
  });
  if (read.success) return { sheet: read.data, troubles };
  const told = read.error.issues.flatMap((issue): FormTrouble[] => {
    const [room, index, ...path] = issue.path;
    const own = room === 'checks' ? byId.get(sheet.checks[Number(index)]?.id ?? '') : undefined;
    return own ? [troubleAt(own, path.join('.'), issue.message)] : [];
  });
  if (!told.length) {
    // it is another check that does not go with what was written: whose fault it is, is not said
    const [issue] = read.error.issues;
    const message = `what the sheet can take: ${issue?.message ?? ''}`;
    return { sheet, troubles: [...troubles, ...usable.map((u) => troubleAt(u, '', message))] };
  }
  const bad = new Set(told.map((t) => t.check));
  return whole(
    sheet,
    usable.filter((u) => !bad.has(u.check.id)),
    [...troubles, ...told],
  );
}

function troubleAt({ check, fields }: Read, path: string, message: string): FormTrouble {
  const field = path ? fieldOf(fields, path) : undefined;
  return {
    check: check.id,
    name: nameOf(field?.path ?? fields[0]?.path ?? 'component'),
    message: field || !path ? message : `${path}: ${message}`,
  };
}

/**
 * Reads a check's form in its sheet: every trouble stands at its field, in words.
 * @param sheet the sheet the check belongs to, itself among its checks
 */
export const formSchema = (sheet: SpecSheet, check: Check) =>
  z.record(z.string(), z.string()).transform((values, ctx): Check => {
    const { sheet: entered, troubles } = enterForms(sheet, [{ check, values }]);
    for (const { name, message } of troubles)
      ctx.addIssue({ code: 'custom', path: [name], message });
    return troubles.length ? z.NEVER : (entered.checks.find((c) => c.id === check.id) ?? check);
  });

/** The field a trouble stands at: its own, or the nearest that holds it or is held by it. */
const fieldOf = (fields: readonly FormField[], path: string): FormField | undefined =>
  fields.find((f) => path === f.path) ??
  fields.find((f) => path.startsWith(`${f.path}.`) || f.path.startsWith(`${path}.`));

const styleOf = (shaped: Check): object => ('style' in shaped ? { style: shaped.style } : {});

const Interval = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('daily'), days: z.number().optional() }),
  z.object({ kind: z.enum(['perCrop', 'perHeader', 'afterHarvest', 'storageIn', 'storageOut']) }),
]);
const Limit = z.looseObject({ type: z.string() });

/**
 * What follows from other fields is set by them: an interval without hours keeps none, a limit
 * somebody entered is no longer open, the worn side follows the limit, and what a form of limit
 * does not have is gone.
 */
function agreeing(built: Built, check: Check): Built {
  const interval = Interval.safeParse(built['interval']).data;
  const limit = Limit.safeParse(built['limit']).data;
  const next: Built = {
    ...built,
    ...(built['station'] === check.station ? {} : { stationName: stationName(built['station']) }),
    ...(interval ? { interval } : {}),
    ...(limit ? { limit: agreeingLimit(limit) } : {}),
  };
  if (limit?.type === 'band') delete next['wearRate'];
  else delete next['drift'];
  if (next['takeUp']) delete next['takeUpToEnter'];
  return next;
}

function agreeingLimit(limit: Built): Built {
  const entered = ['nominal', 'limit', 'low', 'high', 'pitch', 'limitPercent'];
  if (limit['type'] === 'open') {
    if (!entered.some((key) => limit[key] !== undefined)) return limit;
    const { wants, ...rest } = limit;
    return { ...rest, type: wants };
  }
  if (limit['type'] !== 'wear' || limit['wornSide'] === undefined) return limit;
  const smaller = Number(limit['limit']) < Number(limit['nominal']);
  return { ...limit, wornSide: smaller ? 'smaller' : 'larger' };
}

const stationName = (station: unknown): string => STATIONS[Number(station) - 1] ?? '';

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
