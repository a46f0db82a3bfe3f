import { CLOSED, OPEN, OVER_TIME, SLOTS_A_DAY } from '../crew';
import { InputError } from '../units';

/*
 * The board as numbers: half days from a first morning on, two a calendar day. A slot is named by its
 * index; a visit occupies open slots of its technician one after the other, resting over closed ones.
 */

export { CLOSED, OPEN, OVER_TIME, SLOTS_A_DAY };

/** A place on the map, km. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

export interface BoardTechnician {
  readonly id: string;
  readonly skills: readonly string[];
  /** by slot: {@link CLOSED}, {@link OPEN} or {@link OVER_TIME} */
  readonly open: readonly number[];
}

/** Where a visit stands: who, and its first slot; with two, both work on it all the time. */
export interface Placed {
  /** indices of technicians */
  readonly crew: readonly number[];
  readonly start: number;
  /** half days over time are worked too, not rested */
  readonly overTime?: boolean;
}

/** When a crop may be ripe, slots from the first morning: the earliest, the likeliest, the latest. */
export interface RipeWhen {
  readonly earliest: number;
  readonly likely: number;
  readonly latest: number;
}

export interface BoardVisit {
  readonly id: string;
  /** visits of one machine are never at the same time */
  readonly machine: string;
  /** half days of work, each of the crew */
  readonly halfDays: number;
  readonly skills: readonly string[];
  readonly crew: 1 | 2;
  /** where the machine stands, for a farm call; undefined: it comes into a bay */
  readonly farm?: Spot | undefined;
  /** first slot it may begin in: parts here, machine on site */
  readonly earliest: number;
  /** slot before which it must have ended */
  readonly due: number;
  /** what a day late costs */
  readonly perDayLate: number;
  /** when its crop may be ripe: then lateness costs what it is expected to, over all of these days */
  readonly ripe?: RipeWhen | undefined;
  /** stays where it is */
  readonly pinned?: Placed | undefined;
  /** where the published plan has it */
  readonly published?: Placed | undefined;
}

/** What is weighed beside the late days. Money. */
export interface BoardCosts {
  /** for a km driven */
  readonly km: number;
  /** for a half day worked over time */
  readonly overTime: number;
  /** for a visit that leaves the day or the technician of the published plan */
  readonly change: number;
  /** for a visit that finds no place at all, a half day of it: more than any lateness on the board */
  readonly unplaced: number;
}

export interface BoardProblem {
  readonly slots: number;
  readonly bays: number;
  /** where the branch is: a farm call begins and ends there each day */
  readonly home: Spot;
  readonly technicians: readonly BoardTechnician[];
  readonly visits: readonly BoardVisit[];
  readonly costs: BoardCosts;
}

/** A plan: by visit, where it stands; undefined: it found no place. */
export type BoardPlan = readonly (Placed | undefined)[];

const MOST_SLOTS = 2 * 366;
const MOST_VISITS = 2000;
const MOST_TECHNICIANS = 200;

/**
 * Refuses a board that cannot be planned, by the field at fault.
 * @throws InputError
 */
export function checkBoard(problem: BoardProblem): void {
  const { slots, bays, technicians, visits, costs, home } = problem;
  whole('slots', slots, 1, MOST_SLOTS);
  whole('bays', bays, 0, 1000);
  spot('home', home);
  if (technicians.length > MOST_TECHNICIANS)
    throw new InputError('technicians', technicians.length, `at most ${MOST_TECHNICIANS}`);
  if (visits.length > MOST_VISITS)
    throw new InputError('visits', visits.length, `at most ${MOST_VISITS}`);
  for (const [name, cost] of Object.entries(costs)) amount(`costs.${name}`, Number(cost));
  technicians.forEach(({ open }, k) => {
    if (open.length !== slots || open.some((o) => o !== CLOSED && o !== OPEN && o !== OVER_TIME))
      throw new InputError(
        `technicians.${k}.open`,
        open.length,
        `0, 1 or 2 for ${slots} half days`,
      );
  });
  const ids = new Set<string>();
  visits.forEach((visit, i) => {
    if (ids.has(visit.id)) throw new InputError(`visits.${i}.id`, visit.id, 'an id of its own');
    ids.add(visit.id);
    checkVisit(problem, visit, i);
  });
}

function checkVisit(
  { slots, technicians }: BoardProblem,
  { halfDays, crew, earliest, due, perDayLate, farm, ripe, pinned, published }: BoardVisit,
  i: number,
): void {
  const at = `visits.${i}`;
  whole(`${at}.halfDays`, halfDays, 1, MOST_SLOTS);
  whole(`${at}.crew`, crew, 1, 2);
  whole(`${at}.earliest`, earliest, 0, 10 * MOST_SLOTS);
  whole(`${at}.due`, due, -10 * MOST_SLOTS, 10 * MOST_SLOTS);
  amount(`${at}.perDayLate`, perDayLate);
  if (farm) spot(`${at}.farm`, farm);
  if (ripe) checkRipe(`${at}.ripe`, ripe);
  for (const [name, placed] of [
    ['pinned', pinned],
    ['published', published],
  ] as const) {
    if (!placed) continue;
    whole(`${at}.${name}.start`, placed.start, 0, slots - 1);
    const known = placed.crew.every((k) => Number.isInteger(k) && k >= 0 && k < technicians.length);
    if (!known || placed.crew.length !== crew || new Set(placed.crew).size !== crew)
      throw new InputError(`${at}.${name}.crew`, placed.crew.join(), `${crew} of the technicians`);
  }
}

/** @throws InputError where the days are not in their order */
export function checkRipe(field: string, { earliest, likely, latest }: RipeWhen): void {
  const inOrder = earliest <= likely && likely <= latest;
  if (!inOrder || Math.abs(latest) >= 1e5 || Math.abs(earliest) >= 1e5)
    throw new InputError(field, likely, 'earliest, likeliest and latest in this order');
}

function whole(field: string, value: number, least: number, most: number): void {
  if (!(Number.isInteger(value) && value >= least && value <= most))
    throw new InputError(field, value, `a whole number from ${least} to ${most}`);
}

function amount(field: string, value: number): void {
  if (!(value >= 0 && value <= 1e9)) throw new InputError(field, value, 'from 0 to 1,000,000,000');
}

function spot(field: string, { x, y }: Spot): void {
  if (!(Math.abs(x) <= 10_000 && Math.abs(y) <= 10_000))
    throw new InputError(field, `${x}, ${y}`, 'coordinates in km, in figures');
}
