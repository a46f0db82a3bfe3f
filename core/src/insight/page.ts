import type { Day } from '../contracts';
import type {
  ClassMachine,
  ClassPage,
  Dimension,
  InsightOf,
  InsightPage,
  StandsOut,
  WalkFound,
} from '../contracts/insight';
import type { Line } from '../kinds';
import {
  byClass,
  classFigures,
  jobOf,
  lineOf,
  minutesByClass,
  ranOf,
  type OfClass,
} from './classes';
import { jobMinutes } from './minutes';
import { classWear, groupedWear, ratesByMachine, type Rates } from './rates';
import { scoreOf } from './score';
import type { InsightMember } from './taught';
import { foundPerHour } from './walks';

export const DIMENSIONS: readonly Dimension[] = ['model', 'crop', 'customer', 'branch'];

/** What can be chosen among machines, each once. */
export function choicesOf(
  machines: readonly Readonly<Record<Dimension, string>>[],
): InsightPage['choices'] {
  const of = (d: Dimension) => [...new Set(machines.map((m) => m[d]))].sort();
  return { model: of('model'), crop: of('crop'), customer: of('customer'), branch: of('branch') };
}

/** So many groups that stand out are told; the farthest first. */
const TOLD = 24;

/** What was asked for, and what could have been. */
export interface Asked {
  readonly of: InsightOf;
  /** when it was learnt; null where nothing was yet */
  readonly learntOn: Day | null;
  readonly choices: InsightPage['choices'];
}

/**
 * What wears out where over some machines, and what it takes.
 * @param members the machines that were asked for
 */
export function insightPage(
  members: readonly InsightMember[],
  { of, learntOn, choices }: Asked,
): InsightPage {
  const classes = byClass(members);
  const minutes = minutesByClass(members);
  const walks = members.flatMap((m) => m.walks).filter((w) => w.minutes > 0);
  const kinds = [...new Set(walks.map((w) => w.kind))];
  return {
    ...{ of, learntOn, choices, machines: members.length },
    classes: [...classes]
      .map(([key, own]) => classFigures(key, own, minutes.get(key)).figures)
      .sort(
        (a, b) =>
          b.hoursLost - a.hoursLost ||
          (b.wear?.value ?? 0) - (a.wear?.value ?? 0) ||
          (a.key < b.key ? -1 : 1),
      ),
    standsOut: outstanding(members, classes),
    walks: kinds
      .map((kind) => ({
        kind,
        ...foundPerHour(
          walks.filter((w) => w.kind === kind),
          walks,
        ),
      }))
      .sort((a, b) => b.value - a.value),
    forecasts: [...new Set(members.map((m) => m.machine.branch))].sort().map((branch) => ({
      branch,
      score: scoreOf(members.flatMap((m) => (m.machine.branch === branch ? m.forecasts : []))),
    })),
  };
}

/** Groups whose parts wear faster or slower than their class does, nine times of ten. */
function outstanding(
  members: readonly InsightMember[],
  classes: ReadonlyMap<string, OfClass>,
): StandsOut[] {
  const found: StandsOut[] = [];
  const groups = DIMENSIONS.map((dimension) => ({ dimension, of: groupOf(members, dimension) }));
  for (const [key, { rates }] of classes) {
    if (!rates.wear.length) continue;
    const wear = ratesByMachine(rates.wear);
    for (const { dimension, of } of groups) {
      const grouped = groupedWear(wear, of);
      if (grouped.groups.length < 2) continue;
      grouped.groups.forEach((_, i) => {
        if (!grouped.maybeApart(i)) return;
        const group = grouped.group(i);
        if (group.apart.low > 0 || group.apart.high < 0) found.push({ key, dimension, group });
      });
    }
  }
  return found
    .sort((a, b) => Math.abs(b.group.apart.value) - Math.abs(a.group.apart.value))
    .slice(0, TOLD);
}

function groupOf(
  members: readonly InsightMember[],
  dimension: Dimension,
): (machine: string) => string {
  const groups = new Map(members.map(({ machine }) => [machine.id, machine[dimension]]));
  return (machine) => groups.get(machine) ?? '';
}

/**
 * One component class over some machines, and each of them.
 * @returns undefined where no machine knows the class
 */
export function classPage(
  members: readonly InsightMember[],
  of: InsightOf,
  key: string,
): ClassPage | undefined {
  const own = byClass(members).get(key);
  if (!own) return undefined;
  const { figures, survival } = classFigures(key, own, minutesByClass(members).get(key));
  const line = LINES.find((l) => own.rates[l].length) ?? 'wear';
  const seen = own.rates[line];
  const rates = seen.length ? ratesByMachine(seen) : undefined;
  return {
    ...{ of, class: figures, line, survival: [...survival.steps] },
    by: rates ? DIMENSIONS.map((dimension) => groupsOf(members, rates, dimension)) : [],
    minutes: jobMinutes(members.flatMap((m) => m.jobs))
      .filter((m) => jobOf(m.kind).base === key)
      .map(({ kind, ...rest }) => ({ decision: jobOf(kind).decision, ...rest })),
    machines: machinesOf(members, key, { line, rates }),
  };
}

const LINES: readonly Line[] = ['wear', 'travel', 'drift'];

function groupsOf(
  members: readonly InsightMember[],
  rates: Rates,
  dimension: Dimension,
): ClassPage['by'][number] {
  const grouped = groupedWear(rates, groupOf(members, dimension));
  return {
    ...{ dimension, spread: grouped.groups.length > 1 ? grouped.spread : 0 },
    groups: grouped.groups.map((_, i) => grouped.group(i)).sort((a, b) => b.value - a.value),
  };
}

/** The machines that tell of a class, the fastest first. */
function machinesOf(
  members: readonly InsightMember[],
  key: string,
  { line, rates }: { readonly line: Line; readonly rates: Rates | undefined },
): ClassMachine[] {
  const each = new Map(
    (rates ? classWear(rates).each() : []).map(({ machine, ...rate }) => [machine, rate]),
  );
  return members
    .flatMap((member): ClassMachine[] => {
      const { machine } = member;
      const parts = member.parts.filter((p) => p.key === key).map((p) => ranOf(p, machine.hours));
      const stops = member.stops.filter((s) => s.key === key);
      const forecasts = member.forecasts.filter((f) => f.kind === key);
      const jobs = member.jobs.filter((j) => jobOf(j.kind).base === key);
      const known =
        parts.length + stops.length + forecasts.length + jobs.length > 0 ||
        key in member.hands ||
        member.slopes.some((s) => lineOf(s.key).base === key && lineOf(s.key).line === line);
      if (!known) return [];
      return [
        {
          ...machine,
          rate: each.get(machine.id) ?? null,
          ...{ parts: parts.length, ended: parts.filter((p) => p.ended).length },
          ...{ stops: stops.length, hoursLost: stops.reduce((h, s) => h + s.hoursLost, 0) },
          ...{ jobs: jobs.length, forecasts: forecasts.length },
          done: [...new Set(jobs.map((j) => jobOf(j.kind).decision))],
          happened: forecasts.filter((f) => f.happened).length,
        },
      ];
    })
    .sort((a, b) => (b.rate?.value ?? 0) - (a.rate?.value ?? 0) || (a.serial < b.serial ? -1 : 1));
}

/** The walks of a kind over some machines, those that found most in an hour first. */
export function walksOf(members: readonly InsightMember[], kind: WalkFound['kind']): WalkFound[] {
  const perHour = (w: WalkFound) => w.found / Math.max(w.minutes, 1);
  return members
    .flatMap(({ machine, walks }) =>
      walks
        .filter((w) => w.kind === kind)
        .map((w) => ({ ...w, machineId: machine.id, serial: machine.serial })),
    )
    .sort((a, b) => perHour(b) - perHour(a) || (a.day < b.day ? 1 : -1));
}
