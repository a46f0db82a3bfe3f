import { z } from 'zod';
import { SpecSheet } from '@green-tally/core/contracts';
import { slugOf } from '../slug';

/** What a sheet lets one choose: what a machine is fitted with, or the way good people differ in. */
export type ChoicesOf = 'equipment' | 'schools';

const WrittenOption = z.object({ id: z.string(), name: z.string(), why: z.string() });
const WrittenChoice = z.object({
  id: z.string(),
  name: z.string(),
  options: z.array(WrittenOption),
  chosen: z.string(),
});
/** Choices as they are being written; what is new has no id yet. */
export const WrittenChoices = z.array(WrittenChoice);
export type WrittenChoice = z.infer<typeof WrittenChoice>;
export type WrittenOption = z.infer<typeof WrittenOption>;

export const NEW_OPTION: WrittenOption = { id: '', name: '', why: '' };
export const NEW_CHOICE: WrittenChoice = {
  id: '',
  name: '',
  options: [NEW_OPTION, NEW_OPTION],
  chosen: '',
};

/** The choices of a sheet, to be written on. */
export const choicesOf = (sheet: SpecSheet, of: ChoicesOf): WrittenChoice[] =>
  of === 'equipment'
    ? sheet.equipment.map(({ id, name, options }) => ({
        id,
        name,
        options: options.map((o) => ({ ...o, why: '' })),
        chosen: '',
      }))
    : sheet.schools.map(({ id, subject, options, chosen }) => ({
        id,
        name: subject,
        options,
        chosen,
      }));

/** What is wrong, and where: "1.name", "1.options.0.why", or "" for all of it. */
export interface ChoiceTrouble {
  readonly at: string;
  readonly message: string;
}

/** The sheet with its choices as written; or every trouble. */
export function withChoices(
  sheet: SpecSheet,
  of: ChoicesOf,
  written: readonly WrittenChoice[],
): { readonly sheet: SpecSheet } | { readonly troubles: readonly ChoiceTrouble[] } {
  const troubles = [...written.flatMap((w, i) => troublesIn(w, i, of)), ...twice(written)];
  if (troubles.length) return { troubles };
  const taken = new Set([...sheet.equipment, ...sheet.schools].map((c) => c.id));
  const named = written.map((w) => ({
    ...w,
    name: w.name.trim(),
    id: w.id || freeSlug(w.name, taken),
    options: withIds(w.options),
  }));
  const gone = lost(sheet, of, named);
  if (gone.length) return { troubles: gone };
  const next = SpecSheet.safeParse(
    of === 'equipment'
      ? {
          ...sheet,
          equipment: named.map(({ id, name, options }) => ({
            id,
            name,
            options: options.map((o) => ({ id: o.id, name: o.name })),
          })),
        }
      : {
          ...sheet,
          schools: named.map(({ id, name, options, chosen }) => ({
            id,
            subject: name,
            options,
            chosen: options.find((o) => o.id === chosen)?.id ?? options[0]?.id,
          })),
        },
  );
  if (next.success) return { sheet: next.data };
  return { troubles: [{ at: '', message: `wanted ${next.error.issues[0]?.message ?? ''}` }] };
}

function troublesIn({ name, options }: WrittenChoice, i: number, of: ChoicesOf): ChoiceTrouble[] {
  const wrong = (at: string, message: string) => [{ at: `${i}.${at}`, message }];
  const names = options.map((o) => plain(o.name));
  return [
    ...(name.trim() ? [] : wrong('name', 'Say what it is about.')),
    ...(options.length < 2 ? wrong('options', 'At least two, or there is nothing to choose.') : []),
    ...(options.length > 8 ? wrong('options', 'At most eight.') : []),
    ...options.flatMap((o, j) => [
      ...(o.name.trim() ? [] : wrong(`options.${j}.name`, 'Give it a name, or take it out.')),
      ...(o.name.trim() && names.indexOf(plain(o.name)) < j
        ? wrong(`options.${j}.name`, 'This one is there twice.')
        : []),
      ...(of === 'schools' && !o.why.trim()
        ? wrong(`options.${j}.why`, 'Say why people do it so.')
        : []),
    ]),
  ];
}

const twice = (written: readonly WrittenChoice[]): ChoiceTrouble[] => {
  const names = written.map((w) => plain(w.name));
  return names.flatMap((name, i) =>
    name && names.indexOf(name) < i
      ? [{ at: `${i}.name`, message: 'This one is there twice.' }]
      : [],
  );
};

/** Choices and options that are gone though some checks are only there with them. */
function lost(sheet: SpecSheet, of: ChoicesOf, written: readonly WrittenChoice[]): ChoiceTrouble[] {
  return choicesOf(sheet, of).flatMap((was) => {
    const is = written.find((w) => w.id === was.id);
    return was.options.flatMap((option) => {
      if (is?.options.some((o) => o.id === option.id)) return [];
      const users = sheet.checks.filter(
        (c) =>
          c.when[was.id]?.includes(option.id) ||
          c.versions?.some((v) => v.when?.[was.id]?.includes(option.id)),
      );
      return users.length
        ? [{ at: '', message: usedBy(users, `${was.name}: ${option.name}`) }]
        : [];
    });
  });
}

function usedBy(checks: readonly { readonly component: string }[], what: string): string {
  const names = [...new Set(checks.map((c) => c.component))];
  const more = names.length > 3 ? ` and ${names.length - 3} more` : '';
  return `"${what}" is wanted by ${names.slice(0, 3).join(', ')}${more}. Change those first.`;
}

const plain = (text: string): string => text.trim().toLowerCase();

function withIds(options: readonly WrittenOption[]): WrittenOption[] {
  const taken = new Set(options.map((o) => o.id).filter(Boolean));
  return options.map(({ id, name, why }) => ({
    id: id || freeSlug(name, taken),
    name: name.trim(),
    why: why.trim(),
  }));
}

/** An id made of a name, not used yet; from now on it is. */
function freeSlug(name: string, taken: Set<string>): string {
  const stem = slugOf(name, 'choice');
  let id = stem;
  for (let n = 2; taken.has(id); n += 1) id = `${stem}-${n}`;
  taken.add(id);
  return id;
}
