import type { Check, Day, MachineFile, MissingStep, Walk, WorkLine } from '../contracts';
import type { OwnerReport, ReportItem } from '../contracts/report';
import { isMeasured } from '../benchFor';
import { dueOf, standingOf, workLines, type Standing } from '../plan';
import { summaryOf, type WalkSummary } from '../summary';
import { printAs } from '../units';
import { verdictSentence, worstPlace, type CheckVerdict, type PlaceVerdict } from '../verdict';
import { checksFor } from '../walk';
import { reportStrip } from './strips';

/** So much of what falls due next is told. */
const NEXT = 6;
/** So many photos stand beside one thing that was found. */
const PHOTOS = 4;

/**
 * What the owner of a machine is told: what was found, what to do, when and what it costs, now or
 * later; what was renewed, what was not looked at, and what falls due next. Derived from the machine's
 * facts alone.
 * @param of a walk of the past that it is of; as it stands now unless said
 */
export function ownerReport(file: MachineFile, today: Day, of?: Walk): OwnerReport {
  const standing = standingOf(file, today);
  const { machine } = file;
  const checks = checksFor(machine, file.sheets);
  const walk = of ?? standing.walk;
  const summary =
    walk &&
    summaryOf({
      walk,
      checks,
      readings: file.readings,
      photos: file.photos,
      verdicts: standing.verdicts,
    });
  // what is to be put back is the shop's own: the owner is not asked about it
  const asked = workLines(file, standing).filter((l) => l.work.from !== 'task');
  const inWork = new Set(asked.map((l) => l.work.checkId));
  const told = (decision: CheckVerdict['decision']) =>
    standing.verdicts.filter((v) => v.decision === decision && !inWork.has(v.check.id));
  return {
    machine: machineOf(file),
    branch: machine.branch,
    today,
    walk: walk && summary ? walkedOf(walk, summary) : null,
    past: of !== undefined,
    // what is ready is ready now: a report of the past never says so
    ready: !of && standing.ready,
    lacks: of ? [] : standing.missing.map(lackWords),
    currency: file.costs?.currency ?? '',
    items: asked.map((line) => itemOf(line, file, standing)),
    watch: told('watch').map((v) => foundOf(v, file)),
    holds: told('holds').map((v) => v.check.component),
    renewed: renewedSince(file, checks, walk?.startedAt ?? `${today}T00:00:00.000Z`),
    notLooked: summary ? notLookedOf(summary) : [],
    next: dueOf(file, standing)
      .filter((l) => l.kind !== 'task')
      .slice(0, NEXT)
      .map(({ component, what, on, atHours }) => ({ component, what, on, atHours })),
  };
}

const machineOf = ({ machine }: MachineFile): OwnerReport['machine'] => ({
  ...{ serial: machine.serial, model: machine.model, customer: machine.customer },
  hours: machine.hours,
  header: machine.header ? `${machine.header.model} ${machine.header.serial}` : '',
  crop: machine.harvest.crop,
  harvest: { start: machine.harvest.start, end: machine.harvest.end },
});

const walkedOf = (walk: Walk, { people, decisions }: WalkSummary): OwnerReport['walk'] => ({
  ...{ kind: walk.kind, from: walk.startedAt, to: walk.finishedAt },
  people: [...people],
  read: decisions.reduce((sum, d) => sum + d.verdicts.length, 0),
});

const notLookedOf = ({ undone, setAside, worthless }: WalkSummary): OwnerReport['notLooked'] => [
  ...undone.map(({ check }) => ({ component: check.component, why: 'not read in this walk' })),
  ...setAside.map(({ check, why }) => ({ component: check.component, why })),
  ...worthless.map(({ check }) => ({
    component: check.component,
    why: 'the machine did not stand as this reading wants',
  })),
];

function itemOf(line: WorkLine, file: MachineFile, { verdicts }: Standing): ReportItem {
  const { work, sums, owner, item } = line;
  const verdict = verdicts.find((v) => v.check.id === work.checkId);
  const check =
    verdict?.check ?? checksFor(file.machine, file.sheets).find((c) => c.id === work.checkId);
  return {
    key: line.key,
    component: line.component,
    station: check?.stationName ?? '',
    decision: work.decision,
    said: work.reason || (work.task?.text ?? ''),
    ...shownOf(verdict),
    photos: photosOf(file, work.checkId),
    places: [...work.places],
    ifLeft: line.ifLeft,
    guardsPeople: line.guardsPeople,
    minutes: work.minutes + (work.cover?.minutes ?? 0),
    ...costsOf(sums),
    visit: item?.visit?.startsOn ?? null,
    owner,
  };
}

function foundOf(verdict: CheckVerdict, file: MachineFile): OwnerReport['watch'][number] {
  const { check, decision } = verdict;
  return {
    ...{ component: check.component, station: check.stationName, decision },
    said: verdictSentence(verdict),
    ...shownOf(verdict),
    photos: photosOf(file, check.id),
  };
}

/** What a verdict measured, and its strip. */
function shownOf(verdict: CheckVerdict | undefined): Pick<ReportItem, 'measured' | 'strip'> {
  const worst = verdict && worstPlace(verdict);
  return worst
    ? { measured: measuredWords(verdict.check, worst), strip: reportStrip(verdict) }
    : { measured: NOT_MEASURED, strip: null };
}

const costsOf = (sums: WorkLine['sums']): Pick<ReportItem, 'now' | 'left' | 'ifItGoes'> =>
  sums
    ? { now: sums.now, left: sums.left, ifItGoes: sums.ifItGoes }
    : { now: null, left: null, ifItGoes: null };

const NOT_MEASURED = { text: '', other: '' };

/** A length in its own unit, and in the other system's. */
function measuredWords(check: Check, { value }: PlaceVerdict): { text: string; other: string } {
  if (value === undefined || !isMeasured(check)) return NOT_MEASURED;
  const text = printAs(value, check, 2);
  if (check.quantity !== 'length') return { text, other: '' };
  const other =
    check.style === 'mm'
      ? printAs(value, { quantity: 'length', unit: 'in', style: 'inThou' }, 3)
      : printAs(value, { quantity: 'length', unit: 'mm', style: 'mm' }, 2);
  return { text, other };
}

/** Photos of a check, the newest first. */
const photosOf = ({ photos }: MachineFile, checkId: string): string[] =>
  photos
    .filter((p) => p.checkId === checkId && !p.dropped)
    .sort((a, b) => b.takenAt.localeCompare(a.takenAt))
    .slice(0, PHOTOS)
    .map((p) => p.id);

/** What was renewed since a moment, each component once. */
function renewedSince(
  file: MachineFile,
  checks: readonly Check[],
  since: string,
): OwnerReport['renewed'] {
  const struck = new Set(file.readings.flatMap((r) => r.strikes ?? []));
  const seen = new Set<string>();
  return file.readings
    .filter((r) => r.renewed && r.state === 'asLeft' && r.takenAt >= since && !struck.has(r.id))
    .sort((a, b) => b.takenAt.localeCompare(a.takenAt))
    .flatMap((r) => {
      const check = checks.find((c) => c.id === r.checkId);
      if (!check || seen.has(check.id)) return [];
      seen.add(check.id);
      return [{ component: check.component, on: r.takenAt.slice(0, 10), by: r.by, hours: r.hours }];
    });
}

const many = (n: number, one: string, more = `${one}s`): string => `${n} ${n === 1 ? one : more}`;

const LACKS: Readonly<Record<MissingStep['id'], (n: number) => string>> = {
  noSheet: () => 'there is no spec sheet of this model yet',
  startWalk: (n) => (n ? `${many(n, 'check')} to read` : 'to be walked and closed up'),
  resumeWalk: (n) => (n ? `${many(n, 'check')} still to read` : 'the walk is not finished'),
  readRest: (n) => `${many(n, 'check')} still to read`,
  enterLimits: (n) => `no limits yet for ${many(n, 'check')}`,
  remeasure: (n) => `${many(n, 'reading')} in doubt`,
  acceptSkips: (n) => `${many(n, 'check')} skipped`,
  acceptWork: (n) => `${many(n, 'piece')} of work to be decided`,
  planVisit: (n) => `${many(n, 'piece')} of work to be planned`,
  doWork: (n) => `${many(n, 'piece')} of work to be done`,
  tasks: (n) => `${many(n, 'task')} open`,
  closeUp: () => 'to be closed up after the walk',
};

const lackWords = ({ id, count }: MissingStep): string => LACKS[id](count);
