import type { Person, Walk } from '@green-tally/core/contracts';
import { lockMachines, machinesChanged, toWalk, WalkRow, type Database } from '../db';
import { Invalid, NotFound } from '../errors';
import { aheadTroubles } from '@green-tally/core/walk';
import { machineToChange } from '../machines/machines';

/**
 * Begins a walk, or keeps what has become of it: made safe, finished, what the operator noticed,
 * which checks it takes along. What another phone has said of it meanwhile stands: a finished walk
 * is not begun again, and nothing it takes is left out.
 */
export async function keepWalk(
  db: Database,
  sent: Walk,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<Walk> {
  const walk = { ...sent, by: person.name };
  await machineToChange(walk.machineId, person);
  for (const field of ['startedAt', 'madeSafeAt', 'finishedAt'] as const) {
    const [ahead] = aheadTroubles(walk[field] ?? '', now.toISOString(), field);
    if (walk[field] && ahead)
      throw new Invalid('Some of this cannot be used', ahead.message, [ahead]);
  }
  const times = {
    finishedAt: walk.finishedAt ? new Date(walk.finishedAt) : null,
    madeSafeAt: walk.madeSafeAt ? new Date(walk.madeSafeAt) : null,
  };
  const row = await db.transaction(async (transaction) => {
    await lockMachines(db, [walk.machineId], transaction);
    const there = await WalkRow.findByPk(walk.id, { transaction });
    if (there && there.machineId !== walk.machineId) throw new NotFound('walk on this machine');
    const kept = await (there
      ? there.update(
          {
            finishedAt: there.finishedAt ?? times.finishedAt,
            madeSafeAt: there.madeSafeAt ?? times.madeSafeAt,
            noticed: walk.noticed || there.noticed,
            checks: widened(there.checks ?? null, walk.checks),
            // what was found first stands: the second look found it moved
            asFound: { ...walk.asFound, ...there.asFound },
          },
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

/** All checks that either names; all of the machine where one of them says so. */
const widened = (a: Walk['checks'], b: Walk['checks']): Walk['checks'] =>
  a && b ? [...new Set([...a, ...b])] : null;
