import type { Transaction } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import type { Machine } from '@green-tally/core/contracts';
import { HeaderRow } from '../db';

/** Headers that machines carry are on the books from then on. */
export async function keepHeaders(
  machines: readonly Pick<Machine, 'header' | 'customer' | 'branch'>[],
  transaction: Transaction,
): Promise<void> {
  const rows = machines.flatMap(({ header, customer, branch }) =>
    header
      ? [
          {
            id: uuidv7(),
            serial: header.serial,
            model: header.model,
            customer,
            branch,
            equipment: header.equipment ?? null,
          },
        ]
      : [],
  );
  await HeaderRow.bulkCreate(rows, { transaction, ignoreDuplicates: true });
}
