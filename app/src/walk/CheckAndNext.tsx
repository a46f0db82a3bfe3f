import { router } from 'expo-router';
import { Activity, memo, startTransition, useCallback, useEffect, useRef, useState } from 'react';
import type { Check } from '@green-tally/core/contracts';
import { painted } from '../store';
import { Ahead, CheckInWalk, type CheckInWalkProps } from './CheckInWalk';

interface CheckAndNextProps extends Omit<CheckInWalkProps, 'onNext' | 'onGo'> {
  /** all there are of the machine */
  readonly checks: readonly Check[];
}

// the one that was drawn ahead is not drawn once more to be shown
const Drawn = memo(CheckInWalk);

/**
 * One check of the walk, and while its verdict is read the next one, drawn unseen: the tap that asks
 * for it finds it there. Whatever else there is to draw goes before it.
 */
export function CheckAndNext({ check: named, checks, ...known }: CheckAndNextProps) {
  const { shown, go } = useGoing(named.id);
  const check = checks.find((c) => c.id === shown) ?? named;
  const [next, setNext] = useState<{ readonly of: string; readonly id: string | undefined }>();
  const onNext = useCallback(
    (of: string, id: string | undefined) => startTransition(() => setNext({ of, id })),
    [],
  );
  const ahead =
    next?.of === check.id && next.id !== check.id ? checks.filter((c) => c.id === next.id) : [];
  return [check, ...ahead].map((c) => (
    <Activity key={c.id} mode={c === check ? 'visible' : 'hidden'}>
      <Ahead.Provider value={c !== check}>
        <Drawn {...known} check={c} onNext={onNext} onGo={go} />
      </Ahead.Provider>
    </Activity>
  ));
}

/**
 * From check to check the place stays: the other one is shown, and when it has been painted the
 * address follows, for which a slow phone takes longer than to show it.
 * @param named the check that the address names
 */
function useGoing(named: string): { readonly shown: string; readonly go: (id: string) => void } {
  const [gone, setGone] = useState<{ readonly from: string; readonly to: string }>();
  // undefined: the walk's checks were left
  const at = useRef<string | undefined>(named);
  useEffect(() => {
    at.current = named;
    return () => void (at.current = undefined);
  }, [named]);
  // the address has come after, or was made another meanwhile
  if (gone && gone.from !== named) setGone(undefined);
  const go = useCallback((to: string) => {
    if (at.current === undefined) return;
    setGone({ from: at.current, to });
    // who has gone elsewhere meanwhile keeps that address
    void painted().then(() => at.current && router.setParams({ checkId: to }));
  }, []);
  return { shown: gone?.from === named ? gone.to : named, go };
}
