import type { Machine, Reading, Tick, Visit, Walk, WorkItem } from '@green-tally/core/contracts';
import type { MachineRow, ReadingRow, TickRow, VisitRow, WalkRow, WorkRow } from './models';

/** Rows to the shapes of the contracts. Moments leave as UTC text. */
export const toMachine = (row: MachineRow): Machine => ({
  id: row.id,
  serial: row.serial,
  model: row.model,
  customer: row.customer,
  branch: row.branch,
  builtOn: row.builtOn,
  hours: row.hours,
  header: row.header ?? null,
  harvest: row.harvest,
  ...(row.equipment ? { equipment: row.equipment } : {}),
  ...(row.rejudged ? { rejudged: row.rejudged } : {}),
});
export const toWalk = (row: WalkRow): Walk => ({
  id: row.id,
  machineId: row.machineId,
  startedAt: row.startedAt.toISOString(),
  finishedAt: row.finishedAt?.toISOString() ?? null,
  madeSafeAt: row.madeSafeAt?.toISOString() ?? null,
  hours: row.hours,
  by: row.by,
  noticed: row.noticed,
  checks: row.checks ?? null,
});
export const toTick = (row: TickRow): Tick => ({
  id: row.id,
  machineId: row.machineId,
  key: row.key,
  done: row.done,
  at: row.at.toISOString(),
  by: row.by,
  note: row.note,
});
export const toReading = (row: ReadingRow): Reading => ({
  id: row.id,
  machineId: row.machineId,
  walkId: row.walkId ?? null,
  checkId: row.checkId,
  sheet: row.sheet,
  place: row.place,
  state: row.state,
  value: row.value,
  renewed: row.renewed,
  repaired: row.repaired,
  settled: row.settled,
  positionConfirmed: row.positionConfirmed,
  tool: row.tool ?? null,
  takenAt: row.takenAt.toISOString(),
  hours: row.hours,
  by: row.by,
  note: row.note,
  strikes: row.strikes ?? null,
});
export const toWork = (row: WorkRow): WorkItem => ({
  id: row.id,
  machineId: row.machineId,
  checkId: row.checkId,
  decision: row.decision,
  places: row.places,
  reason: row.reason,
  minutes: row.minutes,
  cover: row.cover ?? null,
  parts: row.parts,
  acceptedBy: row.acceptedBy,
  acceptedAt: row.acceptedAt.toISOString(),
  withdrawnAt: row.withdrawnAt?.toISOString() ?? null,
});
export const toVisit = (row: VisitRow, names: ReadonlyMap<string, string>): Visit => ({
  id: row.id,
  machineId: row.machineId,
  technicianId: row.technicianId,
  technician: names.get(row.technicianId) ?? '',
  startsOn: row.startsOn,
  endsOn: row.endsOn,
  hours: row.hours,
  site: row.site,
  note: row.note,
  workIds: row.workIds,
  version: row.version,
});
