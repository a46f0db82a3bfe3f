import type { Check } from '@green-tally/core/contracts';
import {
  fieldsOf,
  nameOf,
  printAt,
  shapedBy,
  type FormField,
  type FormValues,
  type SheetChoices,
} from '../form';

/** Columns looked at together. */
export const GROUPS = [
  {
    value: 'where',
    title: 'What and where',
    columns: [
      { path: 'component', head: 'Component', flex: 4 },
      { path: 'measures', head: 'What is read', flex: 4 },
      { path: 'station', head: 'Station', flex: 1.7 },
      { path: 'places', head: 'Places', flex: 3 },
      { path: 'position', head: 'Position', flex: 5 },
      { path: 'tool.name', head: 'Tool', flex: 3 },
    ],
  },
  {
    value: 'when',
    title: 'When',
    columns: [
      { path: 'interval.kind', head: 'How often', flex: 4 },
      { path: 'interval.hours', head: 'Hours', flex: 2 },
      { path: 'interval.days', head: 'Days', flex: 2 },
      { path: 'interval.early', head: 'First look, h', flex: 2 },
      { path: 'fits', head: 'Only on machines', flex: 5 },
    ],
  },
  {
    value: 'words',
    title: 'How and why',
    columns: [
      { path: 'how', head: 'How', flex: 5 },
      { path: 'why', head: 'Why', flex: 5 },
      { path: 'ifLeft', head: 'If left', flex: 4 },
      { path: 'source', head: 'Source', flex: 3 },
    ],
  },
  {
    value: 'work',
    title: 'Minutes',
    columns: [
      { path: 'labour.measure', head: 'Take it', flex: 2 },
      { path: 'labour.adjust', head: 'Adjust', flex: 2 },
      { path: 'labour.shorten', head: 'Links out', flex: 2 },
      { path: 'labour.turn', head: 'Turn', flex: 2 },
      { path: 'labour.replace', head: 'Replace', flex: 2 },
      { path: 'labour.cover.name', head: 'Opened first', flex: 4 },
      { path: 'labour.cover.minutes', head: 'To open', flex: 2 },
    ],
  },
] as const satisfies readonly Group[];

export interface Column {
  readonly path: string;
  readonly head: string;
  readonly flex: number;
}
interface Group {
  readonly value: string;
  readonly title: string;
  readonly columns: readonly Column[];
}

/** The field of a check under a column, in the shape it has with what was typed; none: it has none. */
export const fieldUnder = (
  check: Check,
  sheet: SheetChoices,
  column: Column,
  typed: FormValues,
): FormField | undefined =>
  fieldsOf(shapedBy(check, typed), sheet).find((f) => f.path === column.path);

/** What a cell says: what was typed, else what the check has; a choice by its title. */
export function cellText(field: FormField, check: Check, typed: FormValues): string {
  const said = typed[nameOf(field.path)] ?? printAt(field, check);
  return field.as === 'choice'
    ? (field.options?.find((o) => o.value === said)?.title ?? said)
    : said;
}

/** What is kept of what was typed in a cell: of a choice its value, once its title is whole. */
export function cellValue(field: FormField, text: string): string {
  if (field.as !== 'choice') return text;
  const meant = text.trim().toLowerCase();
  return field.options?.find((o) => o.title.toLowerCase() === meant)?.value ?? text;
}

/** Several lines do not go into a cell. */
export const ofManyLines = (text: string): boolean => text.includes('\n');
