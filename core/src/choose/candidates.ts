import type { Check, Day, DueLine, Harvest, Interval, MachineFile, WalkKind } from '../contracts';
import { needsHand } from '../findings';
import { handChance, leaveOrRenew } from '../forecast';
import { classKey, stopOf, type MachineFacts } from '../kinds';
import type { CheckVerdict, PlaceVerdict } from '../verdict';
import { checksFor } from '../walk';
import { belongsBeforeHarvest, type Standing } from '../plan';

/** The kind of walk that a day of the year mostly asks for. */
export function kindFor({ start, end }: Pick<Harvest, 'start' | 'end'>, today: Day): WalkKind {
  if (today < start) return 'beforeHarvest';
  return today <= end ? 'daily' : 'afterHarvest';
}

/** Why a check is walked whatever the time there is. */
export type Must = 'safety' | 'service' | 'recheck' | 'doubt' | 'noticed';

/** A check that belongs to a walk, and what it is worth to walk it. */
export interface Candidate {
  readonly check: Check;
  /** what was read of it, if anything was, no longer counts for this walk */
  readonly due: boolean;
  readonly must: Must | undefined;
  /** chance that some place of it needs a hand before harvest ends */
  readonly chance: number;
  /** loss that walking it is expected to avoid: money of the branch, else hours of standing still */
  readonly worth: number;
}

/** What is known when checks are chosen for a walk. */
export interface ChooseFrom {
  readonly file: Pick<MachineFile, 'machine' | 'sheets' | 'hands'>;
  readonly standing: Pick<Standing, 'facts' | 'verdicts' | 'missing'>;
  readonly due: readonly DueLine[];
  /** checks that what the operator noticed points to */
  readonly noticed?: readonly string[];
}

/**
 * The checks that belong to a kind of walk, front to back, each with whether it is due, why it must
 * be walked if it must, and the harvest loss that walking it is expected to avoid: over its places,
 * the chance that a hand is needed before harvest ends times what it costs more to let it go than to
 * put it right.
 * @param kind null: everything there is to read
 */
export function candidatesFor(kind: WalkKind | null, from: ChooseFrom): Candidate[] {
  const { file, standing, due } = from;
  const checks = checksFor(file.machine, file.sheets);
  const verdicts = new Map(standing.verdicts.map((v) => [v.check.id, v]));
  const noticed = new Set(from.noticed);
  const belongs = belongsTo(kind, { verdicts, noticed, due });
  const isDue = dueFor(kind, { verdicts, due, missing: standing.missing });
  return checks.filter(belongs).map((check) => {
    const verdict = verdicts.get(check.id);
    const { chance, worth } = worthOf(check, verdict, from);
    return {
      check,
      due: isDue(check),
      must: mustOf(check, { due, noticed, missing: standing.missing }),
      chance,
      worth,
    };
  });
}

interface Known {
  readonly verdicts: ReadonlyMap<string, CheckVerdict>;
  readonly noticed: ReadonlySet<string>;
  readonly due: readonly DueLine[];
  readonly missing: Standing['missing'];
}

const by =
  (...kinds: Interval['kind'][]) =>
  ({ interval }: Check): boolean =>
    kinds.includes(interval.kind);

/** Whether a check belongs to a kind of walk at all. */
function belongsTo(
  kind: WalkKind | null,
  { verdicts, noticed, due }: Omit<Known, 'missing'>,
): (check: Check) => boolean {
  switch (kind) {
    case null:
      return () => true;
    case 'beforeHarvest':
      return belongsBeforeHarvest;
    case 'daily':
      return by('daily');
    case 'storageIn':
      return by('storageIn');
    case 'storageOut':
      return by('storageOut');
    case 'changeover':
      return (check) => check.kind === 'setting' || by('perCrop', 'perHeader')(check);
    // while the season is fresh: what it has worn, and what must not sit tight over winter
    case 'afterHarvest':
      return (check) => by('afterHarvest', 'storageIn')(check) || wears(check);
    // the big work: what is worn, in doubt or on its way, and what was not looked at after harvest
    case 'winter':
      return (check) =>
        by('afterHarvest')(check) || (verdicts.get(check.id)?.decision ?? 'holds') !== 'holds';
    case 'recheck':
      return (check) => rechecked(check, due) !== undefined;
    case 'symptom':
      return (check) => noticed.has(check.id);
  }
}

/** Whether a reading of it tells how far something has gone to its limit. */
const wears = (check: Check): boolean =>
  ('takeUp' in check && check.takeUp !== undefined) ||
  ((check.kind === 'measure' || check.kind === 'series') &&
    (check.limit.type === 'wear' || check.limit.type === 'elongation'));

const NOW: ReadonlySet<DueLine['state']> = new Set(['overdue', 'now']);

/** The line by which a check is to be looked at again: watched, or its first hours with a new part. */
const rechecked = ({ id }: Check, due: readonly DueLine[]): DueLine | undefined =>
  due.find(
    (line) =>
      line.checkId === id &&
      NOW.has(line.state) &&
      (line.kind === 'recheck' || line.by === 'early'),
  );

const missed = (missing: Standing['missing'], ids: readonly string[]): ReadonlySet<string> =>
  new Set(missing.flatMap((m) => (ids.includes(m.id) ? m.checks : [])));

const UNREAD = ['startWalk', 'resumeWalk', 'readRest', 'remeasure'];

/** Whether what was read of a check no longer counts for a kind of walk. */
function dueFor(
  kind: WalkKind | null,
  { verdicts, due, missing }: Omit<Known, 'noticed'>,
): (check: Check) => boolean {
  if (kind === 'beforeHarvest') {
    const unread = missed(missing, UNREAD);
    return ({ id }) => unread.has(id);
  }
  if (kind === 'daily' || kind === 'storageIn' || kind === 'storageOut') {
    const now = new Set(due.flatMap((l) => (NOW.has(l.state) ? [l.checkId] : [])));
    return ({ id }) => now.has(id) || !verdicts.has(id);
  }
  // all of it is looked at, whatever was read before
  return () => true;
}

function mustOf(
  check: Check,
  { due, noticed, missing }: Pick<Known, 'due' | 'noticed' | 'missing'>,
): Must | undefined {
  if (check.guardsPeople) return 'safety';
  if (noticed.has(check.id)) return 'noticed';
  if (rechecked(check, due)) return 'recheck';
  const late = due.some((l) => l.checkId === check.id && l.state === 'overdue');
  if (check.kind === 'service' && late) return 'service';
  return missed(missing, ['remeasure']).has(check.id) ? 'doubt' : undefined;
}

/** Chance and worth of walking a check now. */
function worthOf(
  check: Check,
  verdict: CheckVerdict | undefined,
  { standing: { facts }, file: { hands } }: ChooseFrom,
): Pick<Candidate, 'chance' | 'worth'> {
  const seen = handChance(hands[classKey(check, 'wear')]);
  let none = 1;
  let worth = 0;
  for (const place of check.places) {
    const was = verdict?.places.find((p) => p.place === place);
    // what is decided already is put right without another look
    if (was && needsHand(was.decision) && was.decision !== 'remeasure') continue;
    const chance = was?.forecast?.chance ?? seen;
    none *= 1 - chance;
    worth += chance * avoided(check, was, facts);
  }
  return { chance: 1 - none, worth };
}

/** What it costs more to let a place go in harvest than to put it right before; 0 or more. */
function avoided(
  check: Check,
  was: PlaceVerdict | undefined,
  { costs }: Pick<MachineFacts, 'costs'>,
): number {
  if (!costs) return stopOf(check, 0).stopHours;
  // a part without a price is left out of both sums
  const part = check.parts.reduce((sum, p) => sum + (costs.prices[p.number] ?? 0) * p.each, 0);
  const { stopHours, collateral, fieldMinutes } = stopOf(check, part);
  const { leave, renew } = leaveOrRenew({
    chance: 1,
    stopHours,
    costPerStopHour: costs.stopHour,
    collateral,
    fieldLabour: (fieldMinutes / 60) * costs.labourHour,
    part,
    shopLabour: (check.labour.replace / 60) * costs.labourHour,
    // nothing is known of it: what needs a hand has no life left
    lifeLeft: was?.wear === undefined ? 0 : 1 - Math.min(1, Math.max(0, was.wear)),
  });
  return Math.max(0, leave - renew);
}
