import type { Person, Walk } from '@green-tally/core/contracts';
import { lockMachines, machinesChanged, toWalk, WalkRow, type Database } from '../db';
import { NotFound } from '../errors';
import { machineToChange } from '../machines/machines';

/**
 * Begins a walk, or keeps what has become of it: made safe, finished, what the operator noticed.
 */
export async function keepWalk(db: Database, walk: Walk, person: Person): Promise<Walk> {
  await machineToChange(walk.machineId, person);
  const times = {
    finishedAt: walk.finishedAt ? new Date(walk.finishedAt) : null,
    madeSafeAt: walk.madeSafeAt ? new Date(walk.madeSafeAt) : null,
  };
  const row = await db.sequelize.transaction(async (transaction) => {
    await lockMachines(db, [walk.machineId], transaction);
    const there = await WalkRow.findByPk(walk.id, { transaction });
    if (there && there.machineId !== walk.machineId) throw new NotFound('walk on this machine');
    const kept = await (there
      ? there.update(
          // what was found first stands: the second look found it moved
          { ...times, noticed: walk.noticed, asFound: { ...walk.asFound, ...there.asFound } },
          { transaction },
        )
      : WalkRow.create(
          { ...walk, ...times, startedAt: new Date(walk.startedAt) },
          { transaction },
        ));
    await machinesChanged(db, { ids: [walk.machineId] }, transaction);
    return kept;
  });
  return toWalk(row);
}
