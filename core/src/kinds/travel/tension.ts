import type { FeelCheck, MarkCheck, ValueOf } from '../../contracts';
import type { Finding, TensionNumbers } from '../../findings';
import type { PlaceHistory } from '../../history';
import { newestOf } from '../../history';

/** Which side of right a tension is, and the numbers for its sentence. */
export interface Tension {
  readonly side: 'right' | 'loose' | 'tight';
  readonly numbers: TensionNumbers;
}

/** Tension by an indicator against its mark; short is the loose side. */
export function tensionOfMark({ gauge }: MarkCheck, { stands, by }: ValueOf<'mark'>): Tension {
  const { past, short } = gauge;
  const numbers = { by, stands, past, short };
  if (stands === 'short') return { side: by > 0 && by <= short ? 'right' : 'loose', numbers };
  return { side: stands === 'past' && by > past ? 'tight' : 'right', numbers };
}

const FEELS = ['stuck', 'justSlides', 'slidesEasily', 'hangs'] as const;

/** Tension by feel: tighter than the first good feel is too tight, all else too loose. */
export function tensionOfFeel({ good }: FeelCheck, { feel }: ValueOf<'feel'>): Tension {
  const numbers = { feel };
  if (good.includes(feel)) return { side: 'right', numbers };
  const firstGood = FEELS.indexOf(good[0] ?? 'slidesEasily');
  return { side: FEELS.indexOf(feel) < firstGood ? 'tight' : 'loose', numbers };
}

/**
 * Tension where no travel is to be read: by its mark or feel alone. A tensioner that sets itself is
 * looked at, never adjusted:
 * off its mark it is faulty.
 */
export function judgeTensionAlone({ side, numbers }: Tension, setsItself = false): Finding {
  if (side === 'right') return { id: 'inside', numbers: { shows: 'tension', tension: numbers } };
  if (setsItself) return { id: 'tensionerFaulty', numbers };
  return side === 'loose'
    ? { id: 'loose', numbers: { tension: numbers } }
    : { id: 'overTight', numbers };
}

/** Left against right: a finding when indicators or travel differ by more than the spec allows. */
export function sidesFinding(
  check: MarkCheck,
  places: readonly PlaceHistory[],
): Finding<'sidesDiffer'> | undefined {
  const [a, b] = places.map(sideOf);
  if (!a || !b || places.length !== 2) return undefined;
  const byMark = apart(a.mark, b.mark);
  const byTravel = apart(a.left, b.left);
  const difference = Math.max(byMark, byTravel);
  if (difference <= check.maxSideDifference + 1e-9) return undefined;
  const what = byTravel >= byMark ? 'travel' : 'mark';
  const allowed = check.maxSideDifference;
  return {
    id: 'sidesDiffer',
    numbers: { a: a.place, b: b.place, difference, allowed, what },
  };
}

const apart = (a: number | undefined, b: number | undefined): number =>
  a === undefined || b === undefined ? 0 : Math.abs(a - b);

/** Where the indicator of one side stands, mm past its mark, and the travel it has left. */
function sideOf({ place, inForce }: PlaceHistory) {
  const mark = newestOf(inForce, 'mark')?.value;
  return {
    place,
    mark: mark && { short: -mark.by, at: 0, past: mark.by }[mark.stands],
    left: newestOf(inForce, 'travel')?.value.left,
  };
}
