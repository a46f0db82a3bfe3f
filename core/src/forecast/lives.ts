import { finite, InputError, positive, zeroOrMore } from '../units';
import { fleetSlope, priorFromFleet, slopeOf } from './fleet';
import type { WearPoint, WearPrior } from './posterior';

/**
 * A wear reading of one place on the machine's hour meter; `renewed`: a new part was put in and
 * read then.
 */
export interface MeterReading {
  readonly hours: number;
  readonly y: number;
  readonly sigma: number;
  readonly renewed: boolean;
}

/** One part's time in its place, machine hours; its readings in hours of its own service. */
export interface ComponentLife {
  readonly from: number;
  /** replaced then; undefined while it still runs */
  readonly to: number | undefined;
  readonly points: readonly WearPoint[];
}

/**
 * Cuts a place's readings into the lives of the parts that were there: each renewal begins a new
 * one.
 * @param readings oldest first
 * @param since machine hours at which the first part was new, 0 for a machine watched from the
 *   start
 * @throws InputError when hours run backwards or a number is none
 * @example livesOf([{ hours: 100, y: .9, sigma: .03, renewed: false }, { hours: 100, y: 0, sigma: .03, renewed: true }]).length // 2
 */
export function livesOf(readings: readonly MeterReading[], since = 0): ComponentLife[] {
  const lives: { from: number; to: number | undefined; points: WearPoint[] }[] = [
    { from: zeroOrMore('since', since), to: undefined, points: [] },
  ];
  let last = since;
  readings.forEach((r, i) => {
    if (!(finite(`readings.${i}.hours`, r.hours) >= last))
      throw new InputError(
        `readings.${i}.hours`,
        r.hours,
        `at least the ${last} h of the one before`,
      );
    last = r.hours;
    let life = lives.at(-1);
    if (r.renewed && life) {
      life.to = r.hours;
      life = { from: r.hours, to: undefined, points: [] };
      lives.push(life);
    }
    life?.points.push({
      hours: r.hours - life.from,
      y: finite(`readings.${i}.y`, r.y),
      sigma: positive(`readings.${i}.sigma`, r.sigma),
    });
  });
  return lives;
}

/**
 * Checks that lives of one place follow each other: none starts before the one before has ended,
 * none ends before it starts.
 * @throws InputError naming the life
 */
export function checkLives(lives: readonly Pick<ComponentLife, 'from' | 'to'>[]): void {
  lives.forEach((life, i) => {
    zeroOrMore(`lives.${i}.from`, life.from);
    if (life.to !== undefined && !(finite(`lives.${i}.to`, life.to) >= life.from))
      throw new InputError(`lives.${i}.to`, life.to, `at least its start, ${life.from} h`);
    const before = lives[i - 1];
    if (before && (before.to === undefined || before.to > life.from))
      throw new InputError(
        `lives.${i}.from`,
        life.from,
        `a start after the life before has ended${before.to === undefined ? '' : `, ${before.to} h`}: two parts cannot be in one place`,
      );
  });
}

/** A reading that lies below an earlier one of the same life by more than both can explain. */
export interface Shrinkage {
  readonly index: number;
  /** the earlier, larger reading */
  readonly before: number;
}

/**
 * Wear cannot shrink: readings of one life that say so. Either one of them is wrong or a new part
 * was not recorded.
 * @param points of one life, in time order
 * @param expanded how far one reading may lie from the truth; twice its sigma unless given
 */
export function shrinkages(points: readonly WearPoint[], expanded?: number): Shrinkage[] {
  if (expanded !== undefined) zeroOrMore('expanded', expanded);
  points.forEach((p, i) => {
    finite(`points.${i}.y`, p.y);
    zeroOrMore(`points.${i}.sigma`, p.sigma);
  });
  const found: Shrinkage[] = [];
  let most = -1;
  points.forEach((p, i) => {
    const before = points[most];
    if (
      before &&
      before.y - p.y > Math.hypot(expanded ?? 2 * before.sigma, expanded ?? 2 * p.sigma)
    )
      found.push({ index: i, before: most });
    if (!before || p.y > before.y) most = i;
  });
  return found;
}

/**
 * Prior of a component class from the lives seen over a fleet; lives with fewer than two readings
 * at different hours say nothing of the slope.
 * @param a0 expected wear fraction when new
 * @param sa its standard deviation
 * @returns undefined when no life shows a slope
 */
export function classPrior(
  lives: readonly ComponentLife[],
  a0: number,
  sa: number,
): WearPrior | undefined {
  const slopes = lives.flatMap(({ points }) => {
    const first = points[0]?.hours;
    return points.some((p) => p.hours !== first) ? [slopeOf(points)] : [];
  });
  return slopes.length ? priorFromFleet(fleetSlope(slopes), a0, sa) : undefined;
}
