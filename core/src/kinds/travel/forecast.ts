import type { Check, Reading, TakeUp, ValueOf } from '../../contracts';
import { elongationFromTravel } from '../../chain';
import { END_OF_TIME, linksOutBefore, roundOf } from '../../history';
import type { MachineFacts, Seen } from '../kind';
import { forecastWear, type ClassPrior, type WearForecast } from '../measure/forecast';
import { priorFor, sheetRate, type SheetRate } from '../measure/prior';

/** Where the travel of an adjuster goes. Elongation in %. */
export interface TravelForecast {
  /** to the end of the travel */
  readonly end: WearForecast;
  /** chance that the reserve is touched before harvest ends */
  readonly reserve: number;
  /** elongation at which the travel is used up */
  readonly endsAt: number;
  /** elongation an hour in season */
  readonly perHour: number;
}

/** A chain uses up its elongation limit in about so many hours, some in half. Model assumption. */
const CHAIN_LIFE_HOURS = 1200;
const CHAIN_SPREAD = 0.6;
/** A new chain is fitted with some travel used already. Model assumption. */
export const TRAVEL_AT_NEW = { a0: 0.05, sa: 0.1 } as const;

/** The rate of a chain's sheet, else the rule for chains; of the way to the elongation limit. */
export const travelRate = (check: Check): SheetRate => ({
  ...(('wearRate' in check ? sheetRate(check) : undefined) ?? CHAIN_RATE),
  ...TRAVEL_AT_NEW,
});
const CHAIN_RATE = { mu: 1 / CHAIN_LIFE_HOURS, tau: CHAIN_SPREAD / CHAIN_LIFE_HOURS } as const;

/** How far a chain has grown by its travel, of the way to its elongation limit. */
export interface TravelTick {
  readonly wear: number;
  readonly hours: number;
  readonly round: string;
}

/** Travel readings of the life that a renewal began, as growth of the chain. */
export function travelTicks(
  takeUp: TakeUp,
  live: readonly Reading[],
  {
    renewal,
    until = END_OF_TIME,
    before = END_OF_TIME,
  }: {
    readonly renewal: Reading | undefined;
    readonly until?: string;
    readonly before?: string | undefined;
  },
): readonly TravelTick[] {
  const from = renewal?.takenAt ?? '';
  return live.flatMap((r) => {
    if (!isTravel(r) || r.takenAt < from || r.takenAt > until || r.takenAt >= before) return [];
    const used = Math.max(0, takeUp.total - r.value.left);
    const percent = elongationFromTravel({ used, linksOut: linksOutAt(live, r, renewal) }, takeUp);
    return [{ wear: percent / takeUp.limitPercent, hours: r.hours, round: roundOf(r) }];
  });
}

type TravelReading = Reading & { readonly value: ValueOf<'travel'> };
const isTravel = (r: Reading): r is TravelReading => r.value.kind === 'travel';

/** Links out since the chain was new, those of the reading itself among them. */
export const linksOutAt = (
  live: readonly Reading[],
  travel: Pick<TravelReading, 'takenAt' | 'renewed' | 'value'>,
  renewal: Reading | undefined,
): number =>
  linksOutBefore(live, travel.takenAt, renewal) + (travel.renewed ? 0 : travel.value.linksOut);

/** Uncertainty of one travel reading, of the way to the elongation limit: both ends of the slot. */
export const travelUncertainty = (takeUp: TakeUp): number =>
  (2 *
    elongationFromTravel(
      { used: Math.SQRT2 * (takeUp.resolution / Math.sqrt(12)), linksOut: 0 },
      takeUp,
    )) /
  takeUp.limitPercent;

/** Forecasts the travel of an adjuster to its end and to its reserve. */
export function forecastTravel(
  check: Check,
  takeUp: TakeUp,
  {
    seen,
    facts,
    linksOut,
  }: { readonly seen: Seen; readonly facts: MachineFacts; readonly linksOut: number },
): TravelForecast {
  const sheet = travelRate(check);
  const prior: ClassPrior = priorFor(check, 'travel', { sheet, rates: facts.rates }) ?? {
    ...sheet,
    rate: undefined,
  };
  const ticks = travelTicks(takeUp, seen.place.live, {
    renewal: seen.renewal,
    until: seen.readings.at(-1)?.takenAt ?? seen.main.takenAt,
  });
  const expanded = travelUncertainty(takeUp);
  const grownAt = (used: number) => elongationFromTravel({ used, linksOut }, takeUp);
  const to = (percent: number) => {
    const scale = takeUp.limitPercent / percent;
    return forecastWear(
      scaled(prior, scale),
      ticks.map((t) => ({ ...t, wear: t.wear * scale })),
      {
        expanded: expanded * scale,
        newAt: seen.renewedAt,
        now: seen.now,
        season: facts.seasonHours,
      },
    );
  };
  const endsAt = grownAt(takeUp.total);
  const end = to(endsAt);
  const reserveAt = grownAt(takeUp.total - takeUp.reserve);
  const reserve = reserveAt > 0 ? to(reserveAt).chance : 1;
  const last = (ticks.at(-1)?.wear ?? 0) * takeUp.limitPercent;
  const perHour =
    Number.isFinite(end.hours50) && end.hours50 > 0 ? (endsAt - last) / end.hours50 : 0;
  return { end, reserve, endsAt, perHour: Math.max(0, perHour) };
}

const scaled = ({ a0, sa, mu, tau, rate }: ClassPrior, by: number): ClassPrior => ({
  a0: a0 * by,
  sa: sa * by,
  mu: mu * by,
  tau: tau * by,
  rate,
});
