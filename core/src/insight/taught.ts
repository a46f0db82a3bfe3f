import type { Breakdown, Check, ClosedForecast, Machine, Reading, Walk } from '../contracts';
import { partLivesOf, type HandsByClass, type LifeSlope, type PartLife } from '../fleet';
import { classKey } from '../kinds';
import type { Job } from '../work';
import { walkYields, type WalkYield } from './walks';

/** A component that stopped a machine, by its class. */
export interface Stop {
  readonly id: string;
  readonly key: string;
  readonly hoursLost: number;
}

/** What a machine teaches about its parts and its walks, beside how fast it wears them. */
export interface Taught {
  readonly parts: readonly PartLife[];
  readonly walks: readonly WalkYield[];
  readonly stops: readonly Stop[];
}

/** All that is known of a machine over the years. */
export interface Known {
  readonly machine: Machine;
  readonly checks: readonly Check[];
  readonly readings: readonly Reading[];
  readonly walks: readonly Walk[];
  readonly breakdowns: readonly Pick<Breakdown, 'id' | 'checkId' | 'component' | 'hoursLost'>[];
}

/** What one machine teaches, for it to be kept until something is written to the machine again. */
export function taughtOf(known: Known): Taught {
  const { machine, checks, readings, breakdowns } = known;
  const { serial, since } = machine.header ?? {};
  const checkOf = new Map(checks.map((c) => [c.id, c]));
  return {
    parts: partLivesOf(checks, readings, { serial, since }),
    walks: walkYields(known),
    stops: breakdowns.map(({ id, checkId, component, hoursLost }) => {
      const check = checkOf.get(checkId ?? '');
      const key = check ? classKey(check, 'wear') : (checkId ?? slugOf(component));
      return { id, key, hoursLost: hoursLost ?? 0 };
    }),
  };
}

/** What is on no sheet goes by the name that was typed. */
const slugOf = (name: string): string => name.trim().toLowerCase().replaceAll(/\s+/g, '-');

/** A machine as insight looks at it: where it belongs, and what it has taught. */
export interface InsightMember extends Taught {
  readonly machine: {
    readonly id: string;
    readonly serial: string;
    readonly model: string;
    readonly crop: string;
    readonly customer: string;
    readonly branch: string;
    readonly hours: number;
  };
  readonly slopes: readonly LifeSlope[];
  readonly hands: HandsByClass;
  readonly jobs: readonly Job[];
  readonly forecasts: readonly ClosedForecast[];
}
