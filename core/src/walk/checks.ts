import type { Check, Machine, SpecSheet, Walk } from '../contracts';
import { onMachine, type Version } from '../kinds';
import { checksOfWalk } from './order';
import { leastMovingOrder } from './leastMoving';
import type { MoveCosts } from './roads';

const WHOLE = { checks: null, minutes: null };

/** How a machine is built: equipment id to option id. */
export type Build = Readonly<Record<string, string>>;

/**
 * The checks that apply to a machine as it is built: its combine's sheet and that of the header on
 * it, front to back.
 */
export function checksFor(machine: KnownBuild, sheets: readonly SpecSheet[]): Check[] {
  return sheets
    .flatMap((sheet) => {
      const version = versionOf(machine, sheet);
      return version ? checksOfBuild(sheet, version) : [];
    })
    .sort((a, b) => a.station - b.station);
}

/** What must be known of a machine to tell its checks. */
export type KnownBuild = Pick<Machine, 'model' | 'serial' | 'builtOn' | 'header' | 'equipment'>;

/** Which version of a sheet's model a machine is, or the header on it; undefined for neither. */
export function versionOf(
  { model, serial, builtOn, header, equipment }: KnownBuild,
  sheet: SpecSheet,
): Version | undefined {
  if (sheet.model === model)
    return { serial, year: Number(builtOn.slice(0, 4)), equipment: fitted(sheet, equipment) };
  return header && sheet.model === header.model
    ? { serial: header.serial, year: undefined, equipment: fitted(sheet, header.equipment) }
    : undefined;
}

/**
 * Equipment nothing is said of stands at its first option; the schools are the sheet's own choice,
 * not the machine's.
 */
const fitted = (sheet: SpecSheet, build: Build = {}): Build =>
  Object.fromEntries([
    ...sheet.equipment.map((e) => {
      const said = e.options.find((o) => o.id === build[e.id]) ?? e.options[0];
      return [e.id, said?.id ?? ''];
    }),
    ...sheet.schools.map((s) => [s.id, s.chosen]),
  ]);

/** Which ways a check follows where good people disagree, of those its sheet knows. */
export function schoolsOf(check: Check, sheet: SpecSheet): SpecSheet['schools'] {
  return sheet.schools.filter(
    ({ id }) => check.when[id] !== undefined || check.versions?.some((v) => v.when?.[id]),
  );
}

/**
 * The checks of a sheet on one version of its model, each as it is there. The same ones are given
 * again for the version asked for last: what is worked out of a check can be kept with it.
 */
export function checksOfBuild(sheet: SpecSheet, said: Version): readonly Check[] {
  const version = { ...said, equipment: fitted(sheet, said.equipment) };
  const key = JSON.stringify(version);
  const last = built.get(sheet);
  if (last?.key === key) return last.checks;
  const checks = workedOut(sheet, version);
  built.set(sheet, { key, checks });
  return checks;
}

const built = new WeakMap<SpecSheet, { readonly key: string; readonly checks: readonly Check[] }>();

function workedOut(sheet: SpecSheet, version: Version): Check[] {
  const there = sheet.checks.flatMap((check) =>
    Object.entries(check.when).every(([id, options]) =>
      options.includes(version.equipment[id] ?? ''),
    )
      ? (onMachine(check, version) ?? [])
      : [],
  );
  const ids = new Set(there.map((c) => c.id));
  return there.map((check) => amongThemselves(check, ids));
}

/** A check with knock-ons and mates only where the machine has them. */
function amongThemselves(check: Check, ids: ReadonlySet<string>): Check {
  const has = (k: Check['knockOns'][number]) => !('check' in k) || ids.has(k.check);
  if (check.knockOns.every(has) && check.pairs.every(has)) return check;
  return { ...check, knockOns: check.knockOns.filter(has), pairs: check.pairs.filter(has) };
}

/**
 * A machine's checks in the order of the walk, and what that order saves. Minutes of moving the
 * machine.
 */
export interface WalkPlan {
  readonly checks: readonly Check[];
  readonly minutes: number;
  readonly saved: number;
}

/** What moving a machine with the header on it costs, by its sheets. */
export function movesOf(
  { model, header }: Pick<KnownBuild, 'model' | 'header'>,
  sheets: readonly SpecSheet[],
): MoveCosts {
  const own = sheets.filter((s) => s.model === model || s.model === header?.model);
  return {
    usual: Math.max(0, ...own.map((s) => s.moves.usual)),
    moves: own.flatMap((s) => s.moves.table),
  };
}

/** Stations that a check may be taken before its turn in a walk whose time is short: any number. */
const ANY_STATION = 14;

/**
 * The checks of a machine front to back, inside each station in the order that moves the machine
 * least, by the moves its sheets give. Where the time is short, each position of the machine is
 * taken up once, whatever the stations.
 * @param walk which checks it is over, and the time there is; all and any by default
 */
export function walkPlan(
  machine: KnownBuild,
  sheets: readonly SpecSheet[],
  { checks: only, minutes: time }: Pick<Walk, 'checks' | 'minutes'> = WHOLE,
): WalkPlan {
  const checks = checksOfWalk(checksFor(machine, sheets), { checks: only });
  const stray = time === null ? 0 : ANY_STATION;
  const { order, minutes, saved } = leastMovingOrder(checks, movesOf(machine, sheets), stray);
  const byId = new Map(checks.map((c) => [c.id, c]));
  return { checks: order.flatMap((o) => byId.get(o.id) ?? []), minutes, saved };
}
