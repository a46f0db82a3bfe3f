import loadHighs from 'highs';
import { boundOf, programmeText, type BoardProblem, type Programme } from '@green-tally/core/board';

/** A least in whole numbers is known to within this, money. */
const WITHIN = 1e-6;

/**
 * The least of a programme. @param seconds it is given up after so long
 * @returns undefined where that was not enough: a half-solved programme bounds nothing
 */
export async function leastOf(programme: Programme, seconds: number): Promise<number | undefined> {
  if (!programme.rows.length || !programme.costs.length) return boxLeast(programme);
  const highs = await loadHighs();
  const { Status, ObjectiveValue } = highs.solve(programmeText(programme), {
    output_flag: false,
    time_limit: seconds,
    mip_rel_gap: 0,
    mip_abs_gap: WITHIN,
  });
  if (Status !== 'Optimal') return undefined;
  return programme.constant + ObjectiveValue - (programme.whole ? WITHIN : 0);
}

/** Without rows each column stands where it costs least. */
const boxLeast = ({ costs, most, constant }: Programme): number =>
  costs.reduce((sum, cost, i) => sum + Math.min(0, cost) * (most[i] ?? 0), constant);

/** What a board cannot cost less than, and how that is known. */
export interface BoundNow {
  readonly bound: number;
  /** both programmes were solved; else each visit was looked at by itself */
  readonly solved: boolean;
}

/**
 * What no plan of a board costs less than. A half day is shared whole or not at all: where there is
 * time for it, the ways are counted so, which lies up to a percent higher than with halves of them.
 * @param seconds for each of the two programmes
 * @param more for the ways in whole half days, seconds
 */
export async function boundNow(
  problem: BoardProblem,
  seconds: number,
  more = seconds,
): Promise<BoundNow> {
  const { alone, lateness, ways } = boundOf(problem);
  const late = await leastOf(lateness, seconds);
  const way = await leastOf(ways, seconds);
  if (late === undefined || way === undefined) return { bound: alone, solved: false };
  const whole = (await leastOf({ ...ways, whole: true }, more)) ?? way;
  return { bound: Math.max(alone, late + Math.max(way, whole)), solved: true };
}
