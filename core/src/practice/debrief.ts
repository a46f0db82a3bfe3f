import type { Check } from '../contracts';
import { TRAP_AT, type PracticeCase, type Trap } from './cases';
import {
  asksFor,
  bestPlan,
  jobOf,
  jobsIn,
  planTroubles,
  stakeOf,
  trueVerdict,
  verdictIn,
  type Choice,
  type Job,
  type Play,
} from './play';
import { roleOf } from './sheets';

/** How one check went. */
export interface CheckDebrief {
  readonly check: Check;
  readonly wanted: Choice;
  readonly chosen: Choice | undefined;
  readonly right: boolean;
  /** decided on evidence: its verdict stood, and did not ask to look again */
  readonly proven: boolean;
  /** what the miss costs, or what was spent for nothing; 0 when it is right */
  readonly cost: number;
  readonly trap: Trap | undefined;
  /** what was there and which reading would have told; empty where nothing was missed */
  readonly told: string;
}

/** A try, looked at afterwards. */
export interface Debrief {
  readonly checks: readonly CheckDebrief[];
  readonly fellInto: readonly Trap[];
  readonly score: number;
  /** of the score: decisions, evidence, plan, time */
  readonly parts: {
    readonly decisions: number;
    readonly evidence: number;
    readonly plan: number;
    readonly time: number;
  };
  /** by the plan, and by the best there was, crowns */
  readonly saved: number;
  readonly most: number;
  readonly lost: number;
  readonly minutes: { readonly taken: number; readonly given: number };
}

/** What each part of the score is at most; together 100. */
const WORTH = { decisions: 55, evidence: 20, plan: 15, time: 10 } as const;

const TOLD: Readonly<Record<Trap, string>> = {
  slotRunOut:
    'The indicator stood right, but the slot was used up: nothing is left to take up stretch in harvest. The slot left would have told.',
  unsettled:
    'It stood right just after adjusting, and settled back once it ran. Running it a minute and looking again would have told.',
  looksFine: 'It looked fine and was too narrow. Only its width tells.',
  oneSide: 'One strand was past its limit, the other fine. Both have to be measured.',
  wrongPosition:
    'Read as it hung, not in its working place. Setting the machine first would have told.',
  narrowLimit:
    'The limit lay inside what the tape can tell. A caliper, or three readings, would have told.',
};

/** What was right, what was missed and what each miss would have cost. */
export function debrief(game: PracticeCase, play: Play): Debrief {
  const checks = game.sheet.checks.map((check) => ofCheck(game, play, check));
  const right = checks.filter((c) => c.right).length / checks.length;
  const proven = checks.filter((c) => c.right && c.proven).length / checks.length;
  const looked =
    checks.filter(({ check }) => play.readings.some((r) => r.checkId === check.id)).length /
    checks.length;
  const needed = game.sheet.checks.flatMap((check) => {
    const wanted = wantedOf(game, check);
    // what can be put right in the walk itself needs no day
    return wanted === 'leave' || wanted === 'adjust' ? [] : [jobOf(check, wanted)];
  });
  const worth = (job: Job) => {
    const check = game.sheet.checks.find((c) => c.id === job.checkId);
    return check ? stakeOf(game, check, job.choice).leave : 0;
  };
  const most = bestPlan(game, needed, worth).saved;
  const jobs = jobsIn(game, play);
  const sound = planTroubles(game, jobs, play.plan).length === 0;
  const done = jobs.filter((j) => (play.plan[j.checkId] ?? 0) > 0);
  const saved = sound
    ? needed.reduce(
        (sum, n) =>
          done.some((j) => j.checkId === n.checkId && j.choice === n.choice) ? sum + worth(n) : sum,
        0,
      )
    : 0;
  const parts = {
    decisions: WORTH.decisions * right,
    evidence: WORTH.evidence * proven,
    plan: WORTH.plan * (most > 0 ? saved / most : sound ? 1 : 0),
    // nobody is quick who has not looked
    time: WORTH.time * looked * Math.max(0, Math.min(1, 3 - (2 * play.minutes) / game.minutes)),
  };
  return {
    checks,
    parts,
    fellInto: checks.flatMap(({ trap, chosen, told }) => (trap && chosen && told ? [trap] : [])),
    score: Math.round(parts.decisions + parts.evidence + parts.plan + parts.time),
    saved,
    most,
    lost: checks.reduce((sum, c) => sum + c.cost, 0),
    minutes: { taken: play.minutes, given: game.minutes },
  };
}

/** What the truth asks for. */
export function wantedOf(game: PracticeCase, check: Check): Choice {
  const wanted = asksFor(trueVerdict(game, check));
  if (!wanted) throw new Error(`${check.id}: the truth decides nothing`);
  return wanted;
}

function ofCheck(game: PracticeCase, play: Play, check: Check): CheckDebrief {
  const wanted = wantedOf(game, check);
  const chosen = play.decided[check.id];
  const right = chosen === wanted && (wanted !== 'adjust' || settledWell(game, play, check));
  const proven = provenIn(game, play, check);
  const trap = game.traps.find((t) => TRAP_AT[t] === roleOf(check.id));
  const { leave, doing } = stakeOf(game, check, chosen ?? 'leave');
  const missed = wanted === 'leave' ? doing : leave;
  // who decided nothing fell into nothing
  const fell = chosen !== undefined && trap;
  const told = right && proven ? '' : fell ? TOLD[fell] : plainly(wanted, chosen, proven);
  return { ...{ check, wanted, chosen, right, proven, trap, told }, cost: right ? 0 : missed };
}

/** Whether what was decided is what the readings say, taken as the check wants. */
function provenIn(game: PracticeCase, play: Play, check: Check): boolean {
  const chosen = play.decided[check.id];
  const verdict = verdictIn(game, play, check);
  const says = verdict && asksFor(verdict);
  if (!says || readAsItHung(play, check)) return false;
  // what was adjusted holds by its as-left reading
  return says === chosen || (chosen === 'adjust' && says === 'leave');
}

/** After the last adjustment it ran, and stands where it should. */
function settledWell(game: PracticeCase, play: Play, check: Check): boolean {
  if (check.kind !== 'mark') return true;
  // a piece of work that is planned is done with time to run
  if (!play.adjusted[check.id]) return true;
  const verdict = verdictIn(game, play, check);
  return verdict !== undefined && asksFor(verdict) === 'leave';
}

/** A reading was taken with the machine said to stand right, and it did not. */
const HUNG = 'as it hung';
export const asItHung = (set: boolean): string => (set ? '' : HUNG);
const readAsItHung = (play: Play, check: Check): boolean => {
  const own = play.readings.filter((r) => r.checkId === check.id);
  return own.length > 0 && own.at(-1)?.note === HUNG;
};

function plainly(wanted: Choice, chosen: Choice | undefined, proven: boolean): string {
  if (chosen === undefined) return 'Nothing was decided here.';
  if (chosen === wanted)
    return proven ? '' : 'Right, but not proven: its verdict asked to look again.';
  return wanted === 'leave'
    ? 'It would have held: what was done here was for nothing.'
    : 'The reading told it: its verdict asked for more than was decided.';
}
