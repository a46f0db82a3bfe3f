import { z } from 'zod';
import { Reading, ReadingBatch, type BatchAnswer, type Person } from '@green-tally/core/contracts';
import type { Database } from '../db';
import { fieldErrors } from '../errors';
import { openBooks, storeReadings } from './store';

type Result = BatchAnswer['results'][number];

/**
 * Stores a batch from an outbox and answers each reading: one that cannot be read is refused alone,
 * the rest are stored.
 * @throws ZodError when a single reading is none
 */
export async function storeBatch(
  db: Database,
  readings: readonly unknown[],
  person: Person,
  today: string,
): Promise<BatchAnswer> {
  if (readings.length === 1) ReadingBatch.parse({ readings });
  const parsed = readings.map((r) => Reading.safeParse(r));
  const good = parsed.flatMap((p) => (p.success ? [p.data] : []));
  const stored = good.length
    ? (
        await storeReadings(
          db,
          good,
          await openBooks(
            person,
            today,
            good.map((r) => r.machineId),
          ),
        )
      ).results
    : [];
  const left = stored.values();
  const results = parsed.map((p, i): Result => {
    const answer = p.success ? left.next().value : undefined;
    if (answer) return answer;
    const errors = p.success ? [] : fieldErrors(p.error);
    return { id: idIn(readings[i]), result: 'rejected', errors };
  });
  return { results };
}

const Identified = z.object({ id: z.string().max(100) });
const idIn = (reading: unknown): string => Identified.safeParse(reading).data?.id ?? '';
