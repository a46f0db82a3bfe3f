import { SpecSheet, type SheetRef } from '@green-tally/core/contracts';
import { call } from './api';
import { local, type KeptMachine } from './local';

/* Revisions of sheets on this device: each is fetched once, and there as long as a machine needs it. */

/** The revisions a machine is judged by. */
export const refsOf = (judgedBy: KeptMachine['judgedBy'] | undefined): SheetRef[] =>
  judgedBy ? [...judgedBy.sheets, ...judgedBy.earlier] : [];

export const keyOf = ({ model, revision }: SheetRef): string => `${model}|${revision}`;

/** Those of some revisions that are not on this device. */
export async function notHere(refs: readonly SheetRef[]): Promise<SheetRef[]> {
  const here = await local.sheets.where(':id').anyOf(refs.map(pairOf)).primaryKeys();
  const keys = new Set(here.map(([model, revision]) => keyOf({ model, revision })));
  return refs.filter((r) => !keys.has(keyOf(r)));
}
const pairOf = ({ model, revision }: SheetRef): [string, number] => [model, revision];

/** Fetches revisions; they are kept by who keeps what needs them. @throws ApiProblem, Unreachable */
export async function fetchSheets(
  refs: readonly SheetRef[],
  fetched: Map<string, SpecSheet>,
): Promise<void> {
  for (const { model, revision } of refs)
    fetched.set(
      keyOf({ model, revision }),
      await call('GET /specs/{model}/revisions/{revision}', { params: { model, revision } }),
    );
}

/** Revisions never change: each is read into its contract once in the life of this page. */
const read = new Map<string, SpecSheet>();

/** Revisions as they are here; undefined where one of them is not. */
export async function sheetsOf(refs: readonly SheetRef[]): Promise<SpecSheet[] | undefined> {
  const sheets: SpecSheet[] = [];
  for (const ref of refs) {
    const key = keyOf(ref);
    let sheet = read.get(key);
    if (!sheet) {
      const row = await local.sheets.get(pairOf(ref));
      if (!row) return undefined;
      sheet = SpecSheet.parse(row);
      read.set(key, sheet);
    }
    sheets.push(sheet);
  }
  return sheets;
}
