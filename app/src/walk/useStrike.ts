import type { MachineFile, Reading } from '@green-tally/core/contracts';
import { put, useAction, useClock, useSession, type Action } from '../store';
import { newStrike } from './session';

/** Strikes readings with a reason, each by a fact of its own; nothing takes their place. */
export function useStrike(
  file: MachineFile,
  walkId: string | null,
): Action<[struck: readonly Reading[], why: string]> {
  const clock = useClock();
  const { data: session } = useSession();
  const by = session?.person?.name ?? '';
  return useAction(async (struck: readonly Reading[], why: string) => {
    await put(
      struck.map((reading) => ({
        kind: 'reading' as const,
        body: newStrike(reading, why.trim(), { file, walkId, by, now: clock() }),
      })),
    );
  });
}
