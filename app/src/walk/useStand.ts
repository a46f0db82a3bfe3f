import { useState } from 'react';
import type { Check, MachineFile, PositionFacts, Tick, Walk } from '@green-tally/core/contracts';
import {
  safeNote,
  safetyAsked,
  standIn,
  standKey,
  type SafetyId,
  type Stand,
} from '@green-tally/core/stand';
import { factsNamed, positionOf } from '@green-tally/core/walk';
import { newTick, put, useAction, useClock, useSession, type Action } from '../store';

/** How the machine stands in a walk, on whichever phone that was confirmed, and how to say so. */
export interface Standing {
  /** undefined: it was moved, or nobody has said */
  readonly stand: Stand | undefined;
  readonly facts: PositionFacts | undefined;
  /** it stands so now; with what was made safe for it */
  readonly confirm: Action<[position: string, safe: readonly SafetyId[]]>;
  /** it stands so no longer */
  readonly moved: Action<[]>;
}

/** Follows how the machine stands in a walk. */
export function useStand(
  { machine, sheets, ticks }: MachineFile,
  walk: Pick<Walk, 'id'>,
): Standing {
  const clock = useClock();
  const { data: session } = useSession();
  // said here just now, and not yet among what is kept
  const [own, setOwn] = useState<readonly Tick[]>([]);
  const stand = standIn([...ticks, ...own], walk.id);
  const say = async (position: string, done: boolean, note: string) => {
    const by = session?.person?.name ?? '';
    const key = standKey(walk.id, position);
    const tick = newTick({ machineId: machine.id, key, done, by, note }, clock());
    await put([{ kind: 'tick', body: tick }]);
    setOwn([tick]);
  };
  return {
    stand,
    facts: factsNamed(stand?.position, sheets),
    confirm: useAction((position: string, safe: readonly SafetyId[]) =>
      say(position, true, safeNote([...kept(stand, position), ...safe])),
    ),
    moved: useAction(async () => {
      if (stand) await say(stand.position, false, '');
    }),
  };
}

/** What was made safe for a position before, while it stands so still. */
const kept = (stand: Stand | undefined, position: string): readonly SafetyId[] =>
  stand?.position === position ? stand.safe : [];

/** What has to be made safe before a check, as the machine stands. */
export const askedFor = (
  check: Check,
  { machine, sheets }: MachineFile,
  standing: Pick<Standing, 'stand' | 'facts'>,
): readonly SafetyId[] => safetyAsked(check, positionOf(check, machine, sheets), standing);
