import { z } from 'zod';
import { Reading, type Check, type ReadingValue } from '../contracts';
import { judgeCheck, type CheckVerdict } from '../verdict';
import { CaseSpec, measuredValue, practiceReading, type PracticeCase } from './cases';
import { toolFor, type Hand } from './instruments';
import { LEAD_DAYS, partOf, PART_PRICES, roleOf } from './sheets';

/** What a person decides about a check. */
export const Choice = z.enum(['leave', 'adjust', 'shorten', 'turn', 'replace']);
export type Choice = z.infer<typeof Choice>;

/** A try at a case, as far as it has gone; kept on the device alone. */
export const Play = z.object({
  spec: CaseSpec,
  readings: z.array(Reading).max(400),
  /** the position it was truly brought to, and the one that was said */
  set: z.string(),
  said: z.string(),
  minutes: z.number(),
  adjusted: z.record(z.string(), z.int()),
  run: z.record(z.string(), z.boolean()),
  decided: z.record(z.string(), Choice),
  /** day of each piece of work, from 1; 0: left out */
  plan: z.record(z.string(), z.int().min(0).max(3)),
  finished: z.boolean(),
});
export type Play = z.infer<typeof Play>;

/** The beginning of a try. */
export const newPlay = (spec: CaseSpec): Play => ({
  ...{ spec, readings: [], set: '', said: '', minutes: 0, adjusted: {}, run: {}, decided: {} },
  ...{ plan: {}, finished: false },
});

/** The verdict of a check on what was read in this try, with what earlier years had read. */
export const verdictIn = (game: PracticeCase, play: Play, check: Check): CheckVerdict | undefined =>
  judgeCheck(check, [...game.history, ...play.readings], game.facts);

/** What a verdict asks for; nothing where it asks to look again. */
export function asksFor({ decision }: Pick<CheckVerdict, 'decision'>): Choice | undefined {
  switch (decision) {
    case 'holds':
    case 'watch':
      return 'leave';
    case 'remeasure':
    case 'due':
      return undefined;
    default:
      return decision;
  }
}

/** How a hand would read a place now. */
export const handOf = (play: Play, check: Check, place: string, fine: boolean): Hand => ({
  set: play.set === check.position,
  fine,
  adjusted: play.adjusted[check.id] ?? 0,
  run: play.run[check.id] ?? false,
  before: play.readings.filter((r) => r.checkId === check.id && r.place === place).length,
});

/** What would be entered for what is truly there: for the perfect hand, and to judge by. */
export function trueValues(
  game: PracticeCase,
  check: Check,
  place: string,
): readonly ReadingValue[] {
  const truth = game.truth[check.id]?.[place];
  if (!truth) return [];
  if (check.kind === 'mark') {
    const short = truth.short ?? 0;
    return [
      { kind: 'mark', stands: short > 0 ? 'short' : 'at', by: Math.abs(short) },
      {
        kind: 'travel',
        left: truth.left ?? 0,
        linksOut: 0,
        typed: `${truth.left ?? 0}`,
        unit: 'mm',
      },
    ];
  }
  if (check.kind === 'count' && truth.counted)
    return [{ kind: 'count', ...truth.counted, bothEdges: 0 }];
  if (check.kind === 'condition' && truth.grade)
    return [
      {
        kind: 'condition',
        grade: truth.grade,
        seen: [],
        found: truth.grade === 'sound' ? '' : 'seen',
      },
    ];
  return truth.value === undefined ? [] : [measuredValue(truth.value)];
}

/** The verdict that perfect readings lead to. */
export function trueVerdict(game: PracticeCase, check: Check): CheckVerdict {
  const perfect = check.places.flatMap((place) =>
    trueValues(game, check, place).map((value, i) =>
      practiceReading(check, place, value, {
        n: 900_000 + check.places.indexOf(place) * 10 + i,
        tool: toolFor(check, true),
      }),
    ),
  );
  const verdict = judgeCheck(check, [...game.history, ...perfect], game.facts);
  if (!verdict) throw new Error(`${check.id}: nothing judged`);
  return verdict;
}

/** Money that was at stake at a check, crowns of nobody's. */
export interface Stake {
  /** what leaving it would cost in harvest, where it truly fails */
  readonly leave: number;
  /** what doing it costs, needed or not */
  readonly doing: number;
}

export function stakeOf(game: PracticeCase, check: Check, choice: Choice): Stake {
  const { stopHour = 0, labourHour = 0 } = game.facts.costs ?? {};
  const { stopHours = 0, collateral = 0, fieldMinutes = 0 } = check.costs ?? {};
  const part = choice === 'replace' ? PART_PRICES[roleOf(check.id)] : 0;
  return {
    leave: stopHours * stopHour + collateral + (fieldMinutes / 60) * labourHour,
    doing: part + (minutesOf(check, choice) / 60) * labourHour,
  };
}

/** Minutes a piece of work takes, over all its places. */
export const minutesOf = (check: Check, choice: Choice): number =>
  choice === 'leave'
    ? 0
    : check.labour[choice] * (check.labourPer === 'place' ? check.places.length : 1);

/** A piece of work that is to be planned. */
export interface Job {
  readonly checkId: string;
  readonly choice: Choice;
  readonly minutes: number;
  /** the first day its part is there; 1: from the first */
  readonly from: number;
  readonly part: string | undefined;
}

export const jobOf = (check: Check, choice: Choice): Job => ({
  ...{ checkId: check.id, choice, minutes: minutesOf(check, choice) },
  from: 1 + (choice === 'replace' ? LEAD_DAYS[roleOf(check.id)] : 0),
  part: choice === 'replace' ? partOf(roleOf(check.id)) : undefined,
});

/** What was decided and is still to be done: what was adjusted in the walk is done. */
export const jobsIn = (game: PracticeCase, play: Play): readonly Job[] =>
  game.sheet.checks.flatMap((check) => {
    const choice = play.decided[check.id];
    if (!choice || choice === 'leave' || (choice === 'adjust' && play.adjusted[check.id]))
      return [];
    return [jobOf(check, choice)];
  });

/** Why a plan cannot be carried out, in words; empty when it can. */
export function planTroubles(
  { spec }: Pick<PracticeCase, 'spec'>,
  jobs: readonly Job[],
  plan: Readonly<Record<string, number>>,
): readonly string[] {
  const troubles: string[] = [];
  for (let day = 1; day <= spec.days; day += 1) {
    const minutes = jobs.filter((j) => plan[j.checkId] === day).reduce((s, j) => s + j.minutes, 0);
    if (minutes > spec.hours * 60)
      troubles.push(
        `Day ${day}: ${minutes} minutes of work in ${spec.hours * 60}. Move or leave out something.`,
      );
  }
  for (const job of jobs) {
    const day = plan[job.checkId] ?? 0;
    if (day && day < job.from)
      troubles.push(`${job.part ?? job.checkId} is there on day ${job.from}, not on day ${day}.`);
  }
  return troubles;
}

/** The plan that saves most, over every way to lay the work on the days. @param worth of each job */
export function bestPlan(
  { spec }: Pick<PracticeCase, 'spec'>,
  jobs: readonly Job[],
  worth: (job: Job) => number,
): { readonly plan: Readonly<Record<string, number>>; readonly saved: number } {
  const room = Array.from({ length: spec.days + 1 }, () => spec.hours * 60);
  let best = { plan: {} as Record<string, number>, saved: -1 };
  const laid: Record<string, number> = {};
  const rest = jobs.map((_, i) => jobs.slice(i).reduce((s, j) => s + worth(j), 0));
  const lay = (i: number, saved: number) => {
    const job = jobs[i];
    if (!job) {
      if (saved > best.saved) best = { plan: { ...laid }, saved };
      return;
    }
    if (saved + (rest[i] ?? 0) <= best.saved) return;
    for (let day = job.from; day <= spec.days; day += 1) {
      const left = room[day] ?? 0;
      if (left < job.minutes) continue;
      room[day] = left - job.minutes;
      laid[job.checkId] = day;
      lay(i + 1, saved + worth(job));
      room[day] = left;
    }
    laid[job.checkId] = 0;
    lay(i + 1, saved);
  };
  lay(0, 0);
  return best;
}
