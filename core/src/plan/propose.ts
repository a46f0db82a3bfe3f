import type { MachineFile, Tick, Visit, WorkItem } from '../contracts';
import type { CheckVerdict } from '../verdict';
import { proposeWork, workKey, type ProposedWork } from '../work';
import { deferralOf, type DeferNow, type Until } from './answers';
import { isLeft } from './ready';

/** An accepted item, whether its check has since been put right, and the visit that holds it. */
export interface StandingWork extends WorkItem {
  readonly done: boolean;
  /** somebody worked on it, and what was done has not been read since */
  readonly asksReading: boolean;
  readonly visit: Visit | undefined;
}

/** Work that a person put off, to when, and why. */
export interface DeferredWork {
  readonly work: ProposedWork;
  readonly until: Until;
  readonly tick: Tick;
}

/** Called for, and put off. */
export interface Apart {
  readonly proposed: readonly ProposedWork[];
  readonly deferred: readonly DeferredWork[];
}

/** Work that verdicts call for and nobody accepted or left; what was put off is apart. */
export function propose(
  { ticks, times }: MachineFile,
  verdicts: readonly CheckVerdict[],
  open: readonly StandingWork[],
  now: DeferNow,
): Apart {
  const accepted = new Set(open.map(workKey));
  // a mate that is renewed with one thing is not renewed with another
  const renewed = new Set(open.flatMap((w) => w.mates));
  const guards = new Set(verdicts.flatMap((v) => (v.check.guardsPeople ? [v.check.id] : [])));
  const called = verdicts.flatMap((verdict) => {
    if (accepted.has(verdict.check.id) || isLeft(verdict, ticks)) return [];
    const work = proposeWork(verdict, { others: verdicts, renewed, times });
    work?.mates.forEach((m) => renewed.add(m));
    return work ?? [];
  });
  const { proposed, deferred } = setApart(called, ticks, now);
  // what guards people is not put off
  const kept = deferred.filter((d) => guards.has(d.work.checkId)).map((d) => d.work);
  return {
    proposed: [...proposed, ...kept],
    deferred: deferred.filter((d) => !guards.has(d.work.checkId)),
  };
}

/** Sets apart what is put off still. */
export function setApart(
  works: readonly ProposedWork[],
  ticks: readonly Tick[],
  now: DeferNow,
): Apart {
  const apart = works.map((work) => ({ work, tick: deferralOf(work, ticks, now) }));
  return {
    proposed: apart.flatMap(({ work, tick }) => (tick ? [] : [work])),
    deferred: apart.flatMap(({ work, tick }) => (tick ? [{ work, until: tick.until, tick }] : [])),
  };
}
