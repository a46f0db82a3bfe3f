import { z } from 'zod';
import { Reading, ReadingBatch, type BatchAnswer, type Person } from '@green-tally/core/contracts';
import type { Database } from '../db';
import { fieldErrors, textTroubles } from '../errors';
import { openBooks } from './books';
import { storeReadings } from './store';

/** Who sends a batch, and when. */
interface Sender {
  readonly person: Person;
  readonly today: string;
  readonly now: Date;
}

type Result = BatchAnswer['results'][number];

/**
 * Stores a batch from an outbox and answers each reading: one that cannot be read is refused alone,
 * the rest are stored.
 * @throws ZodError when a single reading is none
 */
export async function storeBatch(
  db: Database,
  readings: readonly unknown[],
  { person, today, now }: Sender,
): Promise<BatchAnswer> {
  if (readings.length === 1) ReadingBatch.parse({ readings });
  const broken = readings.map((r) => textTroubles(r));
  const parsed = readings.map((r) => Reading.safeParse(r));
  // whoever sends them took them
  const good = parsed.flatMap((p, i) =>
    p.success && !broken[i]?.length ? [{ ...p.data, by: person.name }] : [],
  );
  const stored = good.length
    ? (
        await storeReadings(
          db,
          good,
          await openBooks(
            { person, today, now: now.toISOString() },
            good.map((r) => r.machineId),
          ),
        )
      ).results
    : [];
  const left = stored.values();
  const results = parsed.map((p, i): Result => {
    const answer = p.success && !broken[i]?.length ? left.next().value : undefined;
    if (answer) return answer;
    const errors = p.success ? (broken[i] ?? []) : fieldErrors(p.error);
    return { id: idIn(readings[i]), result: 'rejected', errors };
  });
  return { results };
}

const Identified = z.object({ id: z.string().max(100) });
const idIn = (reading: unknown): string => Identified.safeParse(reading).data?.id ?? '';
