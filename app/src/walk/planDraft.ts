import { z } from 'zod';
import { LONGEST_WALK, WalkKind, type Walk } from '@green-tally/core/contracts';
import { useDraft } from '../store';

/** What a walk is to be over. */
export type PlannedWalk = Pick<Walk, 'kind' | 'minutes' | 'checks'>;

/** What a walk can be for; `whole` is everything there is to read. */
export const Kind = WalkKind.or(z.literal('whole'));
export type Kind = z.infer<typeof Kind>;
export const KINDS: readonly Kind[] = [...WalkKind.options, 'whole'];

/** Time for a walk in whole minutes. */
export const Minutes = z.int().min(1).max(LONGEST_WALK);

const Draft = z.object({ kind: Kind.nullable(), minutes: Minutes.nullable() });
const NOTHING: z.infer<typeof Draft> = { kind: null, minutes: null };

/** What is chosen for a machine's next walk, kept until that has begun. */
export function usePlanDraft(machineId: string) {
  const [draft, change] = useDraft(`walk-plan|${machineId}`, Draft, NOTHING);
  return {
    ...draft,
    change: (next: Partial<typeof draft>) => change((now) => ({ ...now, ...next })),
    forget: () => change(NOTHING),
  };
}
