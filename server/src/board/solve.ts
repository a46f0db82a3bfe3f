import loadHighs from 'highs';
import { boundOf, programmeText, type BoardProblem, type Programme } from '@green-tally/core/board';

/**
 * The least of a linear programme. @param seconds it is given up after so long
 * @returns undefined where that was not enough: a half-solved programme bounds nothing
 */
export async function leastOf(programme: Programme, seconds: number): Promise<number | undefined> {
  if (!programme.rows.length || !programme.costs.length) return boxLeast(programme);
  const highs = await loadHighs();
  const { Status, ObjectiveValue } = highs.solve(programmeText(programme), {
    output_flag: false,
    time_limit: seconds,
  });
  return Status === 'Optimal' ? programme.constant + ObjectiveValue : undefined;
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

/** What no plan of a board costs less than. @param seconds for each of the two programmes */
export async function boundNow(problem: BoardProblem, seconds: number): Promise<BoundNow> {
  const { alone, lateness, ways } = boundOf(problem);
  const parts = [await leastOf(lateness, seconds), await leastOf(ways, seconds)];
  const [late, way] = parts;
  return late === undefined || way === undefined
    ? { bound: alone, solved: false }
    : { bound: Math.max(alone, late + way), solved: true };
}
