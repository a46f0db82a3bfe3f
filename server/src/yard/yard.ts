import type { Yard, YardRow } from '@green-tally/core/contracts';
import { nextStep, standingOf } from '@green-tally/core/plan';
import { derivedVersion, machineFiles, type Database } from '../db';

const cache = new Map<string, Yard>();
const KEPT = 8;

/**
 * The Yard of a branch (all branches when undefined) on a day: every machine's standing, least
 * slack first.
 * Kept under the facts' version: never older than the facts.
 */
export async function yardOf(
  db: Database,
  branch: string | undefined,
  today: string,
): Promise<Yard> {
  const key = [await derivedVersion(db), branch ?? '', today].join('|');
  const kept = cache.get(key);
  if (kept) return kept;
  const files = await machineFiles(branch ? { branch } : {});
  const rows = files.map((file): YardRow => {
    const standing = standingOf(file, today);
    const {
      slack,
      finish,
      mustStartBy,
      late,
      hoursOpen,
      hoursPlanned,
      counts,
      checksDue,
      checks,
      walkState,
    } = standing;
    return {
      machine: file.machine,
      slack,
      finish,
      mustStartBy,
      late,
      hoursOpen,
      hoursPlanned,
      counts,
      checksDue,
      checks,
      walk: walkState,
      missing: standing.missing.map(({ id, count }) => ({ id, count })),
      next: nextStep(standing),
    };
  });
  const yard = {
    today,
    branch: branch ?? 'All branches',
    rows: rows.sort(
      (a, b) => a.slack - b.slack || a.machine.serial.localeCompare(b.machine.serial),
    ),
  };
  cache.set(key, yard);
  for (const old of [...cache.keys()].slice(0, Math.max(0, cache.size - KEPT))) cache.delete(old);
  return yard;
}
