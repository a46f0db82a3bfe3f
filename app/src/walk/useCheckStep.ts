import { useReducer } from 'react';
import type { Check } from '@green-tally/core/contracts';
import { useClock } from '../store';
import {
  asItStands,
  firstStep,
  fresh,
  nextStep,
  type CheckEvent,
  type CheckStep,
} from './checkStep';

interface Found {
  readonly check: Check;
  /** places without a reading in this walk */
  readonly unread: readonly string[];
  /** work elsewhere has loosened it since it was read */
  readonly again: boolean;
  /** the machine stands as the check wants */
  readonly confirmed: boolean;
}

/** Where one check of the walk stands, and the way to tell it what happened. */
export function useCheckStep({ check, unread, again, confirmed }: Found): {
  readonly step: CheckStep;
  readonly tell: (event: CheckEvent) => void;
} {
  const clock = useClock();
  const facts = { confirmed, runsToSettle: check.runsToSettle };
  const [step, tell] = useReducer(
    (now: CheckStep, event: CheckEvent) => nextStep(asItStands(now, facts), event, facts),
    undefined,
    () => {
      const since = again ? clock().toISOString() : '';
      return firstStep(again || unread.length ? fresh(check.places, since) : undefined, facts);
    },
  );
  return { step: asItStands(step, facts), tell };
}
