import { useReducer } from 'react';
import type { Check, Walk } from '@green-tally/core/contracts';
import { useClock } from '../store';
import { firstStep, fresh, nextStep, type CheckEvent, type CheckStep } from './checkStep';
import { confirmPosition, positionConfirmedAt } from './session';

interface Found {
  readonly walk: Walk;
  readonly check: Check;
  /** places without a reading in this walk */
  readonly unread: readonly string[];
  /** work elsewhere has loosened it since it was read */
  readonly again: boolean;
}

/** Where one check of the walk stands, and the way to tell it what happened. */
export function useCheckStep({ walk, check, unread, again }: Found): {
  readonly step: CheckStep;
  readonly tell: (event: CheckEvent) => void;
} {
  const clock = useClock();
  const facts = () => ({
    confirmed: positionConfirmedAt(walk.id, check.position) !== '',
    runsToSettle: check.runsToSettle,
  });
  const [step, dispatch] = useReducer(
    (now: CheckStep, event: CheckEvent) => nextStep(now, event, facts()),
    undefined,
    () => {
      const since = again ? clock().toISOString() : '';
      return firstStep(again || unread.length ? fresh(check.places, since) : undefined, facts());
    },
  );
  return {
    step,
    tell: (event) => {
      if (event.type === 'confirmed')
        confirmPosition(walk.id, check.position, clock().toISOString());
      if (event.type === 'moved') confirmPosition(walk.id, check.position, '');
      dispatch(event);
    },
  };
}
