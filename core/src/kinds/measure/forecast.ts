import type { RateSource } from '../../findings';
import {
  agedChance,
  agedHours,
  agedWear,
  ageGuess,
  type AgeGuess,
  chanceReached,
  hoursAtDeviate,
  wearAt,
  wearPosterior,
  type WearPoint,
  type WearPrior,
} from '../../forecast';
import { byRound, PROCESS_NOISE, type StripTick } from './wear';

/** What is expected at harvest's end. Wear fractions; hours from now. */
export interface WearForecast {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
  readonly chance: number;
  /** hours from now to the limit with chance 10, 50 and 90 % */
  readonly hours10: number;
  readonly hours50: number;
  readonly hours90: number;
  /**
   * when the part was new, where that is not on record: machine hours between which it was fitted
   * with chance 80 %, and the chance that it came with the machine
   */
  readonly age:
    { readonly from: number; readonly to: number; readonly original: number } | undefined;
  /** whose rate it starts from */
  readonly rate: RateSource | undefined;
}

/**
 * The life a forecast is made for. Machine hours; `season`: hours to be threshed until harvest
 * ends.
 */
export interface ForecastLife {
  /** expanded uncertainty of the readings, wear fraction */
  readonly expanded: number;
  /** machine hours at which this part was new; undefined when no renewal is on record */
  readonly newAt: number | undefined;
  readonly now: number;
  readonly season: number;
}

type Tick = Pick<StripTick, 'wear' | 'hours' | 'round'>;

/** What is expected of a component class before its readings, and who says so. */
export interface ClassPrior extends WearPrior {
  readonly rate?: RateSource | undefined;
}

/**
 * Forecast of a place's wear to harvest's end, from this life's readings and what is expected of its
 * class. When the part was fitted is guessed from its readings where no renewal is on record.
 * @param ticks this life's readings, none struck, hours of the machine
 */
export function forecastWear(
  prior: ClassPrior,
  ticks: readonly Tick[],
  { expanded, newAt, now, season }: ForecastLife,
): WearForecast {
  const points = onePointARound(ticks, Math.hypot(expanded / 2, PROCESS_NOISE));
  return newAt === undefined
    ? guessed(prior, points, { now, season })
    : known(prior, points, { now: Math.max(0, now - newAt), season, newAt });
}

/** Readings of one round are one look at one state: dirt and temperature were the same for all. */
const onePointARound = (ticks: readonly Tick[], sigma: number): WearPoint[] =>
  byRound(ticks).map(({ wear, hours }) => ({ hours, y: wear, sigma }));

function known(
  prior: ClassPrior,
  points: readonly WearPoint[],
  life: { readonly now: number; readonly season: number; readonly newAt: number },
): WearForecast {
  const { now, season, newAt } = life;
  const posterior = wearPosterior(
    prior,
    points.map((p) => ({ ...p, hours: Math.max(0, p.hours - newAt) })),
  );
  const { mean, sd } = wearAt(posterior, now + season);
  const hours = (z: number) => hoursAtDeviate(posterior, z, now) - now;
  return {
    low: mean - TEN_PERCENT * sd,
    middle: mean,
    high: mean + TEN_PERCENT * sd,
    chance: chanceReached(posterior, now + season),
    hours10: hours(-TEN_PERCENT),
    hours50: hours(0),
    hours90: hours(TEN_PERCENT),
    age: undefined,
    rate: prior.rate,
  };
}

const guessed = (
  prior: ClassPrior,
  points: readonly WearPoint[],
  { now, season }: { readonly now: number; readonly season: number },
): WearForecast => new GuessedForecast(ageGuess(prior, points, now), { now, season }, prior.rate);

/**
 * A forecast over all ages a part may have. Its chance is asked of every place, the rest only of
 * those that are looked at: it is worked out when it is asked for.
 */
class GuessedForecast implements WearForecast {
  readonly chance: number;
  readonly age: NonNullable<WearForecast['age']>;
  constructor(
    private readonly guess: AgeGuess,
    private readonly to: { readonly now: number; readonly season: number },
    readonly rate: RateSource | undefined,
  ) {
    this.chance = agedChance(guess.lines, to.now + to.season);
    this.age = { from: guess.from, to: guess.to, original: guess.original };
  }

  get low(): number {
    return this.wear(0.1);
  }
  get middle(): number {
    return this.wear(0.5);
  }
  get high(): number {
    return this.wear(0.9);
  }
  get hours10(): number {
    return this.hours(-TEN_PERCENT);
  }
  get hours50(): number {
    return this.hours(0);
  }
  get hours90(): number {
    return this.hours(TEN_PERCENT);
  }

  private wear(q: number): number {
    return agedWear(this.guess.lines, this.to.now + this.to.season, q);
  }
  private hours(z: number): number {
    return agedHours(this.guess.lines, z, this.to.now) - this.to.now;
  }
}

/** Standard normal deviate of the 90 % point. */
const TEN_PERCENT = 1.2815515655;
