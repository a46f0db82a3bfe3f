import { z } from 'zod';
import { Check, Feel, QUANTITY_UNITS, SpecSheet } from '@green-tally/core/contracts';
import {
  InputError,
  parseQuantity,
  printAs,
  printNumber,
  type Writing,
} from '@green-tally/core/units';

/** How one field of a check is written in the form. */
export interface FormField {
  /** path in the check: "limit.low" */
  readonly path: string;
  readonly label: string;
  readonly as: 'text' | 'long' | 'number' | 'whole' | 'quantity' | 'list' | 'lines' | 'choice';
  /** may be left empty */
  readonly optional?: boolean;
  readonly options?: readonly { readonly value: string; readonly title: string }[];
}

const text = (path: string, label: string): FormField => ({ path, label, as: 'text' });
const long = (path: string, label: string): FormField => ({ path, label, as: 'long' });
const number = (path: string, label: string, optional = false): FormField => ({
  path,
  label,
  as: 'number',
  optional,
});
const whole = (path: string, label: string, optional = false): FormField => ({
  path,
  label,
  as: 'whole',
  optional,
});
const quantity = (path: string, label: string, optional = false): FormField => ({
  path,
  label,
  as: 'quantity',
  optional,
});
const list = (path: string, label: string): FormField => ({
  path,
  label: `${label}, by commas`,
  as: 'list',
});
const lines = (path: string, label: string): FormField => ({
  path,
  label,
  as: 'lines',
  optional: true,
});
const choice = (
  path: string,
  label: string,
  options: readonly (readonly [value: string, title: string])[],
): FormField => ({
  path,
  label,
  as: 'choice',
  options: options.map(([value, title]) => ({ value, title })),
});

const LEADS = [
  ['adjust', 'Adjust'],
  ['replace', 'Replace'],
  ['turn', 'Turn'],
] as const;

/** The fields of a check's form, what is changed most often first. */
export function fieldsOf(check: Check): FormField[] {
  const takeUp =
    'takeUp' in check && check.takeUp
      ? [
          number('takeUp.total', 'Slot, whole travel, mm'),
          number('takeUp.reserve', 'Travel to keep in reserve, mm'),
          number('takeUp.limitPercent', 'Elongation at which it is renewed, %'),
        ]
      : [];
  return [
    ...kindFields(check),
    ...takeUp,
    text('component', 'Component'),
    text('measures', 'What is read'),
    list('places', 'Places'),
    text('position', 'How the machine must stand'),
    choice('interval.kind', 'How often', [
      ['season', 'Before each harvest'],
      ['every', 'By hours or days'],
      ['daily', 'Daily'],
      ['perCrop', 'Per crop'],
    ]),
    ...(check.interval.kind === 'every'
      ? [
          number('interval.hours', 'Every so many hours', true),
          whole('interval.days', 'Or so many days', true),
        ]
      : []),
    ...(check.interval.kind === 'every' || check.interval.kind === 'season'
      ? [number('interval.early', 'First look after renewal, h', true)]
      : []),
    long('how', 'How'),
    long('why', 'Why'),
    text('ifLeft', 'What happens if left'),
    long('schools', 'Where people disagree'),
    number('labour.measure', 'Minutes to take it'),
    number('labour.adjust', 'Minutes to adjust'),
    number('labour.replace', 'Minutes to replace'),
    lines('parts', 'Parts, one a line: number | name | how many | why its mates come along'),
    lines('knockOns', 'Knock-ons, one a line: check id | why, or a task'),
    text('source', 'Source: book, page'),
  ];
}

function kindFields(check: Check): FormField[] {
  switch (check.kind) {
    case 'measure':
    case 'series': {
      const { limit } = check;
      const limits =
        limit.type === 'wear'
          ? [quantity('limit.nominal', 'New'), quantity('limit.limit', 'Limit, at it is out')]
          : limit.type === 'elongation'
            ? [
                number('limit.pitch', 'Pitch, mm'),
                whole('limit.pitches', 'Pitches measured'),
                number('limit.limitPercent', 'Limit, %', true),
                whole('limit.largerSprocketTeeth', 'Teeth of the larger sprocket', true),
              ]
            : [
                quantity('limit.low', 'Lowest', true),
                quantity('limit.nominal', 'Best', true),
                quantity('limit.high', 'Highest', true),
                choice('limit.below', 'When below', LEADS),
                choice('limit.above', 'When above', LEADS),
              ];
      const rate = check.wearRate
        ? [number('wearRate.perHour', 'Expected wear a hour, share of the way to the limit')]
        : [];
      return [
        ...limits,
        quantity('maxDifference', 'Places may differ by', true),
        ...(check.kind === 'series' ? [quantity('outOfFamily', 'Step that is challenged')] : []),
        whole('repeats', 'Repeats wanted'),
        ...rate,
        text('tool.name', 'Tool'),
        quantity('tool.resolution', 'Resolution of the tool'),
      ];
    }
    case 'mark':
      return [
        number('gauge.length', 'Gauge, mm'),
        number('gauge.short', 'Still fine short of it, mm'),
        number('gauge.past', 'Still fine past it, mm'),
        number('maxSideDifference', 'Sides may differ by, mm'),
        text('words.short', 'Seen when short'),
        text('words.at', 'Seen when right'),
        text('words.past', 'Seen when past'),
      ];
    case 'feel':
      return [{ ...list('good', `Right feels: ${Feel.options.join(', ')}`) }];
    case 'gonogo':
      return [
        text('gauge', 'Gauge'),
        choice('good', 'A good part', [
          ['fits', 'lets it fit'],
          ['doesNotFit', 'does not let it fit'],
        ]),
        choice('otherwise', 'Otherwise', LEADS),
      ];
    case 'count':
      return [
        whole('total', 'How many there are'),
        whole('allowed', 'How many bad may wait'),
        choice('renew', 'A bad one is renewed', [
          ['each', 'alone'],
          ['opposite', 'with its opposite'],
          ['set', 'with the whole set'],
        ]),
        whole('turnFrom', 'Turned from so many worn on one edge', true),
      ];
    case 'condition':
      return [
        list('looksFor', 'Looked for'),
        choice('marked', 'When marked', [['watch', 'Watch'], ...LEADS]),
        choice('damaged', 'When damaged', LEADS),
      ];
    case 'level':
      return [
        text('eye', 'Read at'),
        text('product', 'Product'),
        list('colours', 'Colours that tell of trouble'),
      ];
    case 'setting':
      return [
        list('options', 'Options'),
        lines(
          'expected',
          'Wanted, one a line: crop | header | option | because (crop, header, because may be empty)',
        ),
      ];
    case 'service':
      return [
        number('amount', 'How much', true),
        number('most', 'Never more than', true),
        text('product', 'Product'),
      ];
  }
}

/** A form's field names cannot hold dots. */
export const nameOf = (path: string): string => path.replaceAll('.', '_');

export type FormValues = Record<string, string>;

const writingOf = (check: Check): Writing =>
  check.kind === 'measure' || check.kind === 'series'
    ? check
    : { quantity: 'length', unit: 'mm', style: 'mm' };

/** A check as the texts of its form. */
export function toForm(check: Check): FormValues {
  return Object.fromEntries(
    fieldsOf(check).map((field) => [
      nameOf(field.path),
      printField(field, at(check, field.path), check),
    ]),
  );
}

function printField(field: FormField, value: unknown, check: Check): string {
  if (value === undefined || value === null) return '';
  if (field.as === 'quantity' && typeof value === 'number')
    return printExactly(value, writingOf(check));
  if (typeof value === 'number') return printNumber(value, 6);
  if (field.as === 'list' && Array.isArray(value)) return value.join(', ');
  if (field.as === 'lines' && Array.isArray(value))
    return value.map((v: Record<string, unknown>) => printLine(field.path, v)).join('\n');
  return String(value);
}

/** A value in the check's own writing where that says all of it; else in the core's unit, so that opening and keeping a form changes nothing. */
function printExactly(value: number, writing: Writing): string {
  const said = printAs(value, writing, 4);
  const back = parseQuantity(said, writing.quantity, writing.unit).value;
  const [own] = QUANTITY_UNITS[writing.quantity as keyof typeof QUANTITY_UNITS];
  return Math.abs(back - value) < 1e-9 ? said : `${printNumber(value, 9)} ${own}`;
}

function printLine(path: string, v: Record<string, unknown>): string {
  if (path === 'parts')
    return [v['number'], v['name'], v['each'], ...(v['with'] ? [v['with']] : [])].join(' | ');
  if (path === 'expected')
    return [v['crop'] ?? '', v['header'] ?? '', v['option'], v['because'] ?? ''].join(' | ');
  return 'check' in v ? `${String(v['check'])} | ${String(v['why'])}` : String(v['task']);
}

/**
 * Reads a check's form in its sheet: every trouble stands at its field, in words.
 * @param sheet the sheet the check belongs to, itself among its checks
 */
export function formSchema(sheet: SpecSheet, check: Check) {
  return z.record(z.string(), z.string()).transform((values, ctx): Check => {
    const built = JSON.parse(JSON.stringify(check)) as Record<string, unknown>;
    const wrong = (path: string, message: string) =>
      ctx.addIssue({ code: 'custom', path: [nameOf(path)], message });
    const fields = fieldsOf(check);
    let clean = true;
    for (const field of fields) {
      const read = readField(field, values[nameOf(field.path)] ?? '', check);
      if ('trouble' in read) {
        wrong(field.path, read.trouble);
        clean = false;
      } else put(built, field.path, read.value);
    }
    if (built['interval'] && (built['interval'] as { kind?: string }).kind === 'daily')
      built['interval'] = { kind: 'daily' };
    if (built['interval'] && (built['interval'] as { kind?: string }).kind === 'perCrop')
      built['interval'] = { kind: 'perCrop' };
    const limit = built['limit'] as
      { type?: string; nominal?: number; limit?: number; wornSide?: string } | undefined;
    if (limit?.type === 'wear' && limit.wornSide)
      limit.wornSide = (limit.limit ?? 0) < (limit.nominal ?? 0) ? 'smaller' : 'larger';
    if (!clean) return z.NEVER;
    const index = sheet.checks.findIndex((c) => c.id === check.id);
    const whole = SpecSheet.safeParse({
      ...sheet,
      checks: sheet.checks.map((c, i) => (i === index ? built : c)),
    });
    const issues = whole.success
      ? []
      : whole.error.issues.filter((i) => i.path[0] === 'checks' && i.path[1] === index);
    for (const issue of issues) {
      const path = issue.path.slice(2).join('.');
      const field =
        fields.find((f) => path === f.path) ??
        fields.find((f) => path.startsWith(`${f.path}.`) || f.path.startsWith(`${path}.`));
      wrong(
        field?.path ?? fields[0]?.path ?? 'component',
        field ? issue.message : `${path}: ${issue.message}`,
      );
    }
    return whole.success ? (whole.data.checks[index] ?? check) : z.NEVER;
  });
}

function readField(
  field: FormField,
  written: string,
  check: Check,
): { value: unknown } | { trouble: string } {
  const said = written.trim();
  if (said === '' && (field.as === 'number' || field.as === 'whole' || field.as === 'quantity'))
    return field.optional ? { value: undefined } : { trouble: 'a number' };
  switch (field.as) {
    case 'number':
    case 'whole': {
      const value = Number(said.replace(',', '.'));
      if (!Number.isFinite(value)) return { trouble: `a number; "${said}" is none` };
      return field.as === 'whole' && !Number.isInteger(value)
        ? { trouble: 'a whole number' }
        : { value };
    }
    case 'quantity': {
      const { quantity: measured, unit } = writingOf(check);
      try {
        return { value: Number(parseQuantity(said, measured, unit).value.toFixed(9)) };
      } catch (error) {
        return {
          trouble:
            error instanceof InputError
              ? error.message
              : `a value in ${QUANTITY_UNITS[measured as keyof typeof QUANTITY_UNITS].join(' or ')}`,
        };
      }
    }
    case 'list':
      return {
        value: said
          .split(',')
          .map((s) => s.trim())
          .filter(Boolean),
      };
    case 'lines':
      return readLines(field.path, said);
    default:
      return { value: said };
  }
}

function readLines(path: string, said: string): { value: unknown } | { trouble: string } {
  const rows = said
    .split('\n')
    .map((line) => line.split('|').map((cell) => cell.trim()))
    .filter((cells) => cells.some(Boolean));
  if (path === 'parts') {
    const odd = rows.findIndex(
      (r) =>
        !r[0] ||
        !r[1] ||
        (r[2] !== undefined && !(Number.isInteger(Number(r[2])) && Number(r[2]) > 0)),
    );
    return odd >= 0
      ? { trouble: `in line ${odd + 1}: number | name | how many | why its mates come along` }
      : {
          value: rows.map(([part, name, each, mates]) => ({
            number: part,
            name,
            each: Number(each ?? 1),
            ...(mates ? { with: mates } : {}),
          })),
        };
  }
  if (path === 'expected') {
    const odd = rows.findIndex((r) => !r[2]);
    return odd >= 0
      ? { trouble: `in line ${odd + 1}: crop | header | option | because` }
      : {
          value: rows.map(([crop, header, option, because]) => ({
            ...(crop ? { crop } : {}),
            ...(header ? { header } : {}),
            option,
            ...(because ? { because } : {}),
          })),
        };
  }
  return {
    value: rows.map(([first, why]) =>
      why === undefined ? { task: first } : { check: first, why },
    ),
  };
}

function at(value: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (v, key) =>
        v !== null && typeof v === 'object' ? (v as Record<string, unknown>)[key] : undefined,
      value,
    );
}

function put(target: Record<string, unknown>, path: string, value: unknown): void {
  const [first = '', ...rest] = path.split('.');
  if (!rest.length) {
    if (value === undefined) delete target[first];
    else target[first] = value;
    return;
  }
  const inner = (target[first] ?? {}) as Record<string, unknown>;
  target[first] = inner;
  put(inner, rest.join('.'), value);
}
