import type { Check, Machine, SpecSheet, Walk } from '../contracts';
import { checksOfWalk } from './order';
import { leastMovingOrder } from './leastMoving';

/** How a machine is built: equipment id to option id. */
export type Build = Readonly<Record<string, string>>;

/**
 * The checks that apply to a machine as it is built: its combine's sheet and that of the header on
 * it, front to back.
 */
export function checksFor(
  machine: Pick<Machine, 'model' | 'header' | 'equipment'>,
  sheets: readonly SpecSheet[],
): Check[] {
  const { header } = machine;
  return sheets
    .flatMap((s) =>
      s.model === machine.model
        ? checksOfBuild(s, machine.equipment ?? {})
        : header && s.model === header.model
          ? checksOfBuild(s, header.equipment ?? {})
          : [],
    )
    .sort((a, b) => a.station - b.station);
}

/** The checks of a sheet on one build. Equipment nothing is said of stands at its first option. */
export function checksOfBuild(sheet: SpecSheet, build: Build): Check[] {
  const fitted = new Map(
    sheet.equipment.map((e) => [
      e.id,
      e.options.some((o) => o.id === build[e.id]) ? build[e.id] : e.options[0]?.id,
    ]),
  );
  return sheet.checks.filter((check) =>
    Object.entries(check.when).every(([id, options]) => options.includes(fitted.get(id) ?? '')),
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
  machine: Pick<Machine, 'model' | 'header' | 'equipment'>,
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
