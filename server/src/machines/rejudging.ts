import type { Person, RejudgeAnswer } from '@green-tally/core/contracts';
import { standingOf } from '@green-tally/core/plan';
import { rejudge } from '@green-tally/core/sheets';
import { machinesChanged, MachineRow, type Database } from '../db';
import { invalidField } from '../errors';
import { specDetail } from '../specs/revisions';
import { machineFile, machineToChange } from './machines';

/** The revision of a model to judge by. */
export interface Revision {
  readonly model: string;
  readonly revision: number;
}

/**
 * What judging a machine under a revision would change. @throws NotFound; Invalid for a model it
 * has no sheet of
 */
export async function tryRejudging(
  id: string,
  { model, revision }: Revision,
  today: string,
): Promise<RejudgeAnswer> {
  const file = await machineFile(id);
  if (!file.sheets.some((s) => s.model === model))
    throw invalidField(
      'model',
      `${file.machine.serial} has no sheet of ${model}.`,
      file.sheets.map((s) => s.model).join(' or '),
    );
  const { sheet } = await specDetail(model, revision);
  const { verdicts, facts } = standingOf(file, today);
  return { model, revision, today, adopted: false, changes: rejudge(file, verdicts, sheet, facts) };
}

/** Judges a machine under a revision from now on. */
export async function adoptRejudging(
  db: Database,
  id: string,
  wanted: Revision & { readonly today: string; readonly person: Person },
): Promise<RejudgeAnswer> {
  const row = await machineToChange(id, wanted.person);
  const answer = await tryRejudging(row.id, wanted, wanted.today);
  await db.transaction(async (transaction) => {
    await MachineRow.update(
      { rejudged: { ...(row.rejudged ?? {}), [answer.model]: answer.revision } },
      { where: { id: row.id }, transaction },
    );
    await machinesChanged(db, { ids: [id] }, transaction);
  });
  return { ...answer, adopted: true };
}
