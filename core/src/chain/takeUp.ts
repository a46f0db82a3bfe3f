import { InputError, positive, zeroOrMore } from '../units';

/** A chain loop and its adjuster. Lengths mm, elongation %. */
export interface TakeUpState {
  /** whole travel of the adjuster */
  readonly total: number;
  /** travel used so far */
  readonly used: number;
  /** k: mm of chain taken in by 1 mm of travel (2 for a shaft sliding square to two strands) */
  readonly strandsPerTravel: number;
  readonly pitch: number;
  /** pitches in the loop now, those already taken out not counted */
  readonly loopPitches: number;
  readonly elongation: number;
  /** elongation at which the chain is renewed, % */
  readonly limit: number;
  /** travel that must be left after the work */
  readonly reserve: number;
  /** elongation per hour, % per h; 0 when it stands still */
  readonly ratePerHour: number;
}

/** One thing that could be done, and where it leaves the adjuster. */
export interface TakeUpChoice {
  readonly action: 'adjust' | 'shorten' | 'replace';
  /** links (pitches) taken out; 0 unless shortening. A half link is one pitch */
  readonly linksOut: number;
  /** an odd count needs an offset link, or an existing one removed */
  readonly offsetLink: boolean;
  readonly travelLeft: number;
  /** hours until the travel or the elongation limit runs out; Infinity when the rate is 0 */
  readonly hoursLeft: number;
  /** what ends it */
  readonly endsBy: 'travel' | 'elongation';
  readonly fits: boolean;
}

export interface TakeUpPlan {
  readonly best: TakeUpChoice;
  readonly choices: readonly TakeUpChoice[];
  /** chain grown since new, mm */
  readonly stretch: number;
  /** travel that stretch eats, mm */
  readonly travelEaten: number;
  /** travel one half link gives back, mm */
  readonly perHalfLink: number;
}

/** Pitches of the shortest loop there can be. */
const SHORTEST_LOOP = 4;

/**
 * What to do with a chain whose adjuster has moved: adjust, take links out, or renew.
 * Stretch eats e·N·p/k of travel; each half link out gives p/k back and must fit the slot (used −
 * m·p/k ≥ 0).
 * @throws InputError naming the field
 * @see geometry of a shaft sliding square to its strands
 * @example takeUpPlan({ total: 45, used: 44, strandsPerTravel: 2, pitch: 41.4, loopPitches: 94, elongation: 1.1, limit: 2.6, reserve: 10, ratePerHour: 0.002 }).best.linksOut // 1
 */
export function takeUpPlan(state: TakeUpState): TakeUpPlan {
  const { total, used, limit, reserve, ratePerHour } = checked(state);
  const perHalfLink = state.pitch / state.strandsPerTravel;
  const stretch = (state.elongation / 100) * state.loopPitches * state.pitch;
  const travelPerPercent = (pitches: number) =>
    (pitches * state.pitch) / 100 / state.strandsPerTravel;
  const tooLong = state.elongation >= limit;

  const choice = (
    action: TakeUpChoice['action'],
    linksOut: number,
    travelLeft: number,
    elongation: number,
  ): TakeUpChoice => {
    const pitches = state.loopPitches - linksOut;
    const byTravel =
      ratePerHour > 0
        ? Math.max(0, travelLeft) / (ratePerHour * travelPerPercent(pitches))
        : Infinity;
    const byElongation = ratePerHour > 0 ? Math.max(0, limit - elongation) / ratePerHour : Infinity;
    const fits =
      action === 'replace' || (!tooLong && travelLeft <= total + 1e-9 && travelLeft >= reserve);
    return {
      action,
      linksOut,
      offsetLink: linksOut % 2 === 1,
      travelLeft,
      hoursLeft: Math.min(byTravel, byElongation),
      endsBy: byTravel <= byElongation ? 'travel' : 'elongation',
      fits,
    };
  };

  const left = total - used;
  // no loop is shorter than it needs to go round two sprockets
  const mostOut = Math.min(
    Math.floor(used / perHalfLink + 1e-9),
    state.loopPitches - SHORTEST_LOOP,
  );
  const shortened = Array.from({ length: Math.max(0, mostOut) }, (_, i) =>
    choice('shorten', i + 1, left + (i + 1) * perHalfLink, state.elongation),
  );
  const replace = choice('replace', 0, total, 0);
  const choices = [choice('adjust', 0, left, state.elongation), ...shortened, replace];
  return {
    best: choices.find((c) => c.fits) ?? replace,
    choices,
    stretch,
    travelEaten: stretch / state.strandsPerTravel,
    perHalfLink,
  };
}

/** How far an adjuster has travelled and how many pitches are out since the chain was new. mm. */
export interface TravelUsed {
  readonly used: number;
  readonly linksOut: number;
}

/**
 * Elongation that a travelled adjuster betrays ("adjuster travel tells age"): used travel and links
 * already out, turned back into %. The loop of N pitches has N − m left, and those have grown to fill
 * N·p + k·travel.
 * @param loop the chain's loop when new and k, the mm of chain taken in by 1 mm of travel
 * @returns % of the length that the links in it had when new
 * @example elongationFromTravel({ used: 21.404, linksOut: 0 }, { strandsPerTravel: 2, pitch: 41.4, loopPitches: 94 }) // 1.1
 */
export function elongationFromTravel(
  { used, linksOut }: TravelUsed,
  loop: Pick<TakeUpState, 'strandsPerTravel' | 'pitch' | 'loopPitches'>,
): number {
  const grown =
    zeroOrMore('used', used) * positive('strandsPerTravel', loop.strandsPerTravel) +
    zeroOrMore('linksOut', linksOut) * positive('pitch', loop.pitch);
  const left = positive('loopPitches', loop.loopPitches) - linksOut;
  if (!(left >= SHORTEST_LOOP))
    throw new InputError(
      'linksOut',
      linksOut,
      `fewer than the ${loop.loopPitches} pitches there were`,
    );
  return (100 * grown) / (left * loop.pitch);
}

function checked(state: TakeUpState): TakeUpState {
  positive('total', state.total);
  zeroOrMore('used', state.used);
  if (state.used > state.total)
    throw new InputError('used', state.used, `no more than the whole travel, ${state.total} mm`);
  positive('strandsPerTravel', state.strandsPerTravel);
  positive('pitch', state.pitch);
  positive('loopPitches', state.loopPitches);
  if (!Number.isFinite(state.elongation))
    throw new InputError('elongation', state.elongation, 'a finite percentage');
  positive('limit', state.limit);
  zeroOrMore('reserve', state.reserve);
  zeroOrMore('ratePerHour', state.ratePerHour);
  return state;
}
