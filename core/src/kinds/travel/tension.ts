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

/**
 * Left against right, and every other pair of places: a finding when indicators or travel differ by
 * more than the spec allows.
 */
export function sidesFinding(
  check: MarkCheck,
  places: readonly PlaceHistory[],
): Finding<'sidesDiffer'> | undefined {
  const allowed = check.maxSideDifference;
  const sides = places.map(sideOf);
  const furthest = (['travel', 'mark'] as const)
    .flatMap((what) => apart(what, sides) ?? [])
    .reduce<Apart | undefined>(
      (most, a) => (most && most.difference >= a.difference ? most : a),
      undefined,
    );
  return furthest && furthest.difference > allowed + 1e-9
    ? { id: 'sidesDiffer', numbers: { ...furthest, allowed } }
    : undefined;
}

interface Apart {
  readonly a: string;
  readonly b: string;
  readonly difference: number;
  readonly what: 'travel' | 'mark';
}

/** The two sides that lie furthest apart; undefined when fewer than two were read. */
function apart(
  what: Apart['what'],
  sides: readonly ReturnType<typeof sideOf>[],
): Apart | undefined {
  const read = sides.flatMap((side) => {
    const at = what === 'mark' ? side.mark : side.left;
    return at === undefined ? [] : [{ place: side.place, at }];
  });
  const [first, ...others] = read;
  if (!first || others.length === 0) return undefined;
  const least = read.reduce((x, y) => (y.at < x.at ? y : x), first);
  const most = read.reduce((x, y) => (y.at > x.at ? y : x), first);
  const [a, b] = read.indexOf(least) <= read.indexOf(most) ? [least, most] : [most, least];
  return { a: a.place, b: b.place, difference: most.at - least.at, what };
}

/** Where the indicator of one side stands, mm past its mark, and the travel it has left. */
function sideOf({ place, inForce }: PlaceHistory) {
  const mark = newestOf(inForce, 'mark')?.value;
  return {
    place,
    mark: mark && { short: -mark.by, at: 0, past: mark.by }[mark.stands],
    left: newestOf(inForce, 'travel')?.value.left,
  };
}
