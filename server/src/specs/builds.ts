import type { Transaction } from 'sequelize';
import type { SpecSheet } from '@green-tally/core/contracts';
import { lostBuilds, type Built } from '@green-tally/core/sheets';
import { HeaderRow, MachineRow } from '../db';
import { Conflict } from '../errors';

/**
 * Refuses a revision that would take machines on the books for built otherwise than they are.
 * @throws Conflict naming them
 */
export async function refuseLostBuilds(
  before: SpecSheet,
  after: SpecSheet,
  transaction: Transaction | null = null,
): Promise<void> {
  const lost = lostBuilds(before, after, await ofModel(after, transaction));
  if (!lost.length) return;
  throw new Conflict(
    'Machines are built with it',
    `${lost
      .map(
        ({ equipment, option, serials }) =>
          `${equipment} "${option}" is fitted on ${serials.slice(0, 8).join(', ')}${serials.length > 8 ? ` and ${serials.length - 8} more` : ''}.`,
      )
      .join(
        ' ',
      )} Say on those machines how they are built, or keep the option; a first option stays first.`,
    [{ field: 'equipment', message: 'wanted every option that a machine has' }],
  );
}

async function ofModel(
  { machine, model }: SpecSheet,
  transaction: Transaction | null,
): Promise<Built[]> {
  if (machine === 'combine') return MachineRow.findAll({ where: { model }, transaction });
  const kept = await HeaderRow.findAll({ where: { model }, transaction });
  const fitted = await MachineRow.findAll({ where: { header: { model } }, transaction });
  return [...kept, ...fitted.flatMap((m) => m.header ?? [])];
}
