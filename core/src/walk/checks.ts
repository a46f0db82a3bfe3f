import type { Check, Machine, SpecSheet, Walk } from '../contracts';
import { onMachine, type Version } from '../kinds';
import { checksOfWalk } from './order';
import { leastMovingOrder } from './leastMoving';

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

/** Equipment nothing is said of stands at its first option. */
const fitted = (sheet: SpecSheet, build: Build = {}): Build =>
  Object.fromEntries(
    sheet.equipment.map((e) => {
      const said = e.options.find((o) => o.id === build[e.id]) ?? e.options[0];
      return [e.id, said?.id ?? ''];
    }),
  );

/** The checks of a sheet on one version of its model, each as it is there. */
export function checksOfBuild(sheet: SpecSheet, said: Version): Check[] {
  const version = { ...said, equipment: fitted(sheet, said.equipment) };
  return sheet.checks.flatMap((check) =>
    Object.entries(check.when).every(([id, options]) =>
      options.includes(version.equipment[id] ?? ''),
    )
      ? (onMachine(check, version) ?? [])
      : [],
  );
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

/**
 * The checks of a machine front to back, inside each station in the order that moves the machine
 * least, by the moves its sheets give.
 * @param only the checks of a short walk; null: all
 */
export function walkPlan(
  machine: KnownBuild,
  sheets: readonly SpecSheet[],
  only: Walk['checks'] = null,
): WalkPlan {
  const checks = checksOfWalk(checksFor(machine, sheets), { checks: only });
  const own = sheets.filter((s) => s.model === machine.model || s.model === machine.header?.model);
  const { order, minutes, saved } = leastMovingOrder(
    checks,
    {
      usual: Math.max(0, ...own.map((s) => s.moves.usual)),
      moves: own.flatMap((s) => s.moves.table),
    },
    0,
  );
  const byId = new Map(checks.map((c) => [c.id, c]));
  return { checks: order.flatMap((o) => byId.get(o.id) ?? []), minutes, saved };
}
