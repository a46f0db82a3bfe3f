import type { InsightClass } from '../contracts/insight';
import type { ClassHands } from '../contracts';
import type { Line } from '../kinds';
import { jobMinutes, type JobMinutes } from './minutes';
import { classWear, ratesByMachine, type SeenRate } from './rates';
import { survivalOf, type Ran, type Survival } from './survival';
import type { InsightMember } from './taught';

/** One class over some machines: what was seen of it. */
export interface OfClass {
  readonly rates: Record<Line, SeenRate[]>;
  readonly ran: Ran[];
  /** of the way to the limit when taken out */
  readonly worn: number[];
  hands: ClassHands;
  stops: number;
  hoursLost: number;
  readonly forecast: { n: number; happened: number; said: number };
}

/** The class and the line of a key under which rates are kept. */
export function lineOf(key: string): { readonly base: string; readonly line: Line } {
  const [base = '', line] = key.split(' ');
  return { base, line: line === 'travel' || line === 'drift' ? line : 'wear' };
}

/** The class of a job's kind, and what is done to it. */
export function jobOf(kind: string): { readonly base: string; readonly decision: string } {
  const [base = '', decision = ''] = kind.split(' ');
  return { base, decision };
}

const nothing = (): OfClass => ({
  rates: { wear: [], travel: [], drift: [] },
  ...{ ran: [], worn: [], hands: { looks: 0, hands: 0 }, stops: 0, hoursLost: 0 },
  forecast: { n: 0, happened: 0, said: 0 },
});

/** What some machines show, class by class. */
export function byClass(members: readonly InsightMember[]): ReadonlyMap<string, OfClass> {
  const classes = new Map<string, OfClass>();
  const of = (key: string): OfClass => {
    const there = classes.get(key) ?? nothing();
    classes.set(key, there);
    return there;
  };
  for (const member of members) {
    const { machine, slopes, parts, hands, stops, forecasts, jobs } = member;
    for (const { key, slope, se } of slopes) {
      const { base, line } = lineOf(key);
      of(base).rates[line].push({ machine: machine.id, slope, se });
    }
    for (const part of parts) {
      of(part.key).ran.push(ranOf(part, machine.hours));
      if (part.to !== null && part.worn !== null) of(part.key).worn.push(part.worn);
    }
    for (const [key, own] of Object.entries(hands)) {
      const all = of(key);
      all.hands = { looks: all.hands.looks + own.looks, hands: all.hands.hands + own.hands };
    }
    for (const { key, hoursLost } of stops) {
      of(key).stops += 1;
      of(key).hoursLost += hoursLost;
    }
    for (const { kind, chance, happened } of forecasts) {
      const { forecast } = of(kind);
      forecast.n += 1;
      forecast.said += chance;
      if (happened) forecast.happened += 1;
    }
    for (const { kind } of jobs) of(jobOf(kind).base);
  }
  return classes;
}

/** How long a part ran by the machine's meter; one still in runs until now. */
export const ranOf = ({ from, to }: InsightMember['parts'][number], now: number): Ran => ({
  hours: Math.max(0, (to ?? now) - from),
  ended: to !== null,
});

/** What jobs took, class by class. */
export const minutesByClass = (
  members: readonly InsightMember[],
): ReadonlyMap<string, JobMinutes> =>
  new Map(
    jobMinutes(
      members.flatMap((m) => m.jobs.map(({ kind, ratio }) => ({ kind: jobOf(kind).base, ratio }))),
    ).map((m) => [m.kind, m]),
  );

/** One class in figures. */
export function classFigures(
  key: string,
  own: OfClass,
  minutes: JobMinutes | undefined,
): { readonly figures: InsightClass; readonly survival: Survival } {
  const survival = survivalOf(own.ran);
  return {
    survival,
    figures: {
      key,
      ...{ wear: rateOf(own.rates.wear), travel: rateOf(own.rates.travel) },
      drift: rateOf(own.rates.drift),
      life: own.ran.length ? lifeOf(survival, own.worn) : null,
      ...own.hands,
      ...{ stops: own.stops, hoursLost: own.hoursLost, forecast: own.forecast },
      minutes: minutes
        ? {
            ...{ value: minutes.value, low: minutes.low, high: minutes.high },
            jobs: minutes.jobs,
          }
        : null,
    },
  };
}

function rateOf(rates: readonly SeenRate[]): InsightClass['wear'] {
  if (!rates.length) return null;
  const { value, low, high, machines, lives } = classWear(ratesByMachine(rates));
  return { value, low, high, machines, lives };
}

function lifeOf(
  { lives, ended, median, low, high }: Survival,
  worn: readonly number[],
): InsightClass['life'] {
  const mean = worn.length ? worn.reduce((sum, w) => sum + w, 0) / worn.length : null;
  return { lives, ended, median, low, high, worn: mean };
}
