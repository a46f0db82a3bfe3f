import { Check, Reading, type ClassRate } from '../src/contracts';
import { ratesOf, slopesOf, type FleetMember } from '../src/fleet';
import { middleOf } from '../src/findings';
import { PROCESS_NOISE, type MachineFacts } from '../src/kinds';
import { random, type Random } from '../src/random';
import { judgeCheck } from '../src/verdict';

/** How the product forecasts a fleet's wear, and what its decisions cost. Shares 0 to 1. */
export interface FleetForecast {
  readonly parts: number;
  /** share of true wear at harvest's end inside the 90 % interval */
  readonly inside: number;
  readonly brier: { readonly fleet: number; readonly sheetOnly: number };
  /** expected loss a part under three ways to decide before harvest */
  readonly loss: {
    readonly ours: number;
    readonly renewAtLimit: number;
    readonly renewAllWatched: number;
  };
}

/** Component classes; the sheet expects another rate than there is, as sheets do. */
const CLASSES = [
  { id: 'fan-belt', mu: 0.0024, tau: 0.0006, sheet: 0.0016, stopHours: 3, part: 120, along: 0 },
  {
    id: 'tailings-chain',
    mu: 0.0018,
    tau: 0.0005,
    sheet: 0.0027,
    stopHours: 6,
    part: 310,
    along: 700,
  },
  {
    id: 'knife-sections',
    mu: 0.0048,
    tau: 0.0012,
    sheet: 0.0072,
    stopHours: 0.3,
    part: 640,
    along: 0,
  },
  {
    id: 'chopper-knives',
    mu: 0.006,
    tau: 0.0018,
    sheet: 0.004,
    stopHours: 0.5,
    part: 880,
    along: 0,
  },
] as const;
type WearClass = (typeof CLASSES)[number];

const NEW = 40;
const LIMIT = 36;
const RESOLUTION = 0.1;
const COSTS = { currency: 'crowns', stopHour: 650, labourHour: 90 } as const;
const SHOP_MINUTES = 60;
const FIELD_MINUTES = 120;
const MACHINES = 24;

const checkOf = ({ id, sheet, stopHours, along }: WearClass): Check =>
  Check.parse({
    id,
    kind: 'measure',
    station: 6,
    stationName: 'Threshing',
    component: id,
    measures: 'size',
    on: 'combine',
    places: ['here'],
    position: 'Header down',
    method: 'belt-width',
    how: 'Measure.',
    why: 'So.',
    tool: { name: 'Caliper', resolution: RESOLUTION },
    labour: { measure: 5, replace: SHOP_MINUTES },
    costs: { stopHours, collateral: along, fieldMinutes: FIELD_MINUTES },
    parts: [{ number: `P-${id}`, name: id, each: 1 }],
    ifLeft: 'It goes.',
    source: 'made up',
    limit: { type: 'wear', nominal: NEW, limit: LIMIT },
    wearRate: { perHour: sheet, sd: sheet / 2 },
  });

/**
 * Simulates fleets whose parts wear otherwise than their sheets expect, lets the product read them
 * season after season, learn its rates from the lives on record, and judge every part before the
 * last harvest; then looks what became of them.
 * @param seed the same seed gives the same figures
 */
export function forecastFleet(seed: number, fleets: number): FleetForecast {
  const dice = random(seed);
  const all: Outcome[] = [];
  for (let i = 0; i < fleets; i += 1) for (const kind of CLASSES) all.push(...oneFleet(kind, dice));
  const mean = (of: (o: Outcome) => number) => all.reduce((s, o) => s + of(o), 0) / all.length;
  return {
    parts: all.length,
    inside: mean((o) => Number(o.inside)),
    brier: {
      fleet: mean((o) => (o.chance - o.reached) ** 2),
      sheetOnly: mean((o) => (o.chanceBySheet - o.reached) ** 2),
    },
    loss: {
      ours: mean((o) => o.loss.ours),
      renewAtLimit: mean((o) => o.loss.renewAtLimit),
      renewAllWatched: mean((o) => o.loss.renewAllWatched),
    },
  };
}

interface Outcome {
  readonly inside: boolean;
  readonly chance: number;
  readonly chanceBySheet: number;
  readonly reached: 0 | 1;
  readonly loss: FleetForecast['loss'];
}

/** A part: fitted at an hour of its machine, wearing along a line. */
interface Part {
  readonly from: number;
  readonly alpha: number;
  readonly beta: number;
}

interface Simulated {
  readonly now: number;
  readonly season: number;
  readonly part: Part;
  readonly readings: readonly Reading[];
}

function oneFleet(kind: WearClass, dice: Random): Outcome[] {
  const check = checkOf(kind);
  const machines = Array.from({ length: MACHINES }, (_, i) => simulate(check, kind, dice, i));
  const fleet: FleetMember[] = machines.map((m) => ({
    branch: 'here',
    slopes: slopesOf([check], m.readings, { serial: undefined, since: undefined }),
  }));
  const rates = ratesOf(fleet, 'here');
  return machines.flatMap((m) => outcomeOf(check, kind, m, rates) ?? []);
}

function outcomeOf(
  check: Check,
  kind: WearClass,
  { now, season, part, readings }: Simulated,
  rates: Readonly<Record<string, ClassRate>>,
): Outcome | undefined {
  const prices = { [`P-${kind.id}`]: kind.part };
  const facts: MachineFacts = { hours: now, seasonHours: season, costs: { ...COSTS, prices } };
  const place = judgeCheck(check, readings, { ...facts, rates })?.places[0];
  const bySheet = judgeCheck(check, readings, facts)?.places[0];
  if (!place?.forecast || !bySheet?.forecast) return undefined;
  const at = (hours: number) => part.alpha + part.beta * (hours - part.from);
  if (at(now) >= 1 || place.decision === 'remeasure') return undefined;
  const end = at(now + season);
  // the ends of the 80 % interval, stretched to 90 %
  const { low, middle, high, chance } = place.forecast;
  const wider = 1.64485 / 1.28155;
  const reached = end >= 1 ? 1 : 0;
  const work = kind.part + (SHOP_MINUTES / 60) * COSTS.labourHour;
  const stop =
    kind.stopHours * COSTS.stopHour + kind.along + (FIELD_MINUTES / 60) * COSTS.labourHour;
  // renewed now, the life that was left is thrown away; a new part outlives the season
  const renewed = work * Math.max(0, 1 - at(now));
  const left = reached * stop;
  const pastLimit = place.findings.some((f) => f.id === 'pastLimit' || f.id === 'limitReached');
  const watched = chance >= 0.05;
  return {
    inside: end >= middle - (middle - low) * wider && end <= middle + (high - middle) * wider,
    chance,
    chanceBySheet: bySheet.forecast.chance,
    reached,
    loss: {
      ours: place.decision === 'replace' ? renewed : left,
      renewAtLimit: pastLimit ? renewed : left,
      renewAllWatched: pastLimit || watched ? renewed : left,
    },
  };
}

/** Three seasons of one machine: read before each harvest, renewed on record when near its limit. */
function simulate(check: Check, kind: WearClass, dice: Random, index: number): Simulated {
  const season = 70 + 70 * dice.next();
  const partAt = (from: number): Part => ({
    from,
    alpha: 0.02 + 0.03 * dice.normal(),
    beta: Math.max(kind.mu / 5, kind.mu + kind.tau * dice.normal()),
  });
  let part = partAt(0);
  const readings: Reading[] = [];
  // fitted new, as it is on record; the age of its parts is spread over their lives
  const first = 20 + (dice.next() * 1.6) / kind.mu;
  readings.push(readingOf(check, { wear: part.alpha, hours: 0, renewed: true, index, n: 0 }, dice));
  for (let look = 0; look < 4; look += 1) {
    const hours = first + look * season;
    const wear = part.alpha + part.beta * (hours - part.from);
    const n = 2 * look + 1;
    if (wear >= 0.9 && look < 3) {
      readings.push(readingOf(check, { wear, hours, renewed: false, index, n }, dice));
      part = partAt(hours);
      const fresh = { wear: part.alpha, hours, renewed: true, index, n: n + 1 };
      readings.push(readingOf(check, fresh, dice));
    } else readings.push(readingOf(check, { wear, hours, renewed: false, index, n }, dice));
  }
  return { now: first + 3 * season, season, part, readings };
}

interface Look {
  readonly wear: number;
  readonly hours: number;
  readonly renewed: boolean;
  readonly index: number;
  readonly n: number;
}

function readingOf(check: Check, { wear, hours, renewed, index, n }: Look, dice: Random): Reading {
  const noisy = wear + PROCESS_NOISE * dice.normal();
  const value = Math.round((NEW - noisy * (NEW - LIMIT)) / RESOLUTION) * RESOLUTION;
  const takenAt = new Date(Date.UTC(2020, 0, 1) + (n * 400 + index) * 3_600_000 * 12).toISOString();
  return Reading.parse({
    id: `0197a000-0000-7000-8000-${(index * 100 + n).toString(16).padStart(12, '0')}`,
    machineId: '0197a000-0000-7000-8000-000000000001',
    walkId: `0197a000-0000-7000-8000-${(index * 100 + n + 5_000_000).toString(16).padStart(12, '0')}`,
    checkId: check.id,
    sheet: { model: 'made', revision: 1 },
    place: 'here',
    state: renewed ? 'asLeft' : 'asFound',
    value: { kind: 'measure', values: [middleOf([value])], typed: [], unit: 'mm' },
    renewed,
    positionConfirmed: true,
    takenAt,
    hours,
    by: 'nobody',
  });
}
