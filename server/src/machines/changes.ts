import { createHash } from 'node:crypto';
import { literal, QueryTypes } from 'sequelize';
import type { JudgedBy, MachineChanges } from '@green-tally/core/contracts';
import {
  connection,
  costsInUse,
  fleetRates,
  MachineRow,
  handsOf,
  namesOf,
  ofChecks,
  ReadingRow,
  PhotoRow,
  SaidRow,
  refsOf,
  sheetsOf,
  TickRow,
  toMachine,
  toPhoto,
  toSaid,
  toReading,
  toTick,
  toVisit,
  toWalk,
  toWork,
  VisitRow,
  WalkRow,
  WorkRow,
  type SheetRef,
} from '../db';
import { NotFound } from '../errors';

/** What is known of a machine already. */
export interface KnownOf {
  readonly since: number;
  readonly basis?: string | undefined;
}

/** Writes of a machine that came after a version, as a condition on its facts' rows. */
const writtenSince = (id: string, since: number) =>
  literal(
    `wrote IN (SELECT wrote FROM machine_writes WHERE machine_id = ${connection().escape(id)} AND version > ${Number(since)})`,
  );

/**
 * What has changed of a machine since a version. Its version is read first: what is written
 * meanwhile may be in the answer already, and is in the next once more; nothing is left out.
 * A version from before the writes still on record, or one that is not there yet (of a database that
 * was put back), is answered with everything.
 * @throws NotFound
 */
export async function changesOf(id: string, known: KnownOf): Promise<MachineChanges> {
  const row = await MachineRow.findByPk(id);
  if (!row) throw new NotFound('machine');
  const { since, dropped } = await writesSince(id, known.since, row.version);
  const written = since === 0 ? {} : { [LATER]: writtenSince(id, since) };
  const where = { where: { machineId: id, ...written }, raw: true as const };
  const [readings, walks, work, visits, ticks, photos, said] = await Promise.all([
    ReadingRow.findAll({ ...where, order: ['takenAt', 'id'] }),
    WalkRow.findAll({ ...where, order: ['startedAt'] }),
    WorkRow.findAll({ ...where, order: ['acceptedAt'] }),
    VisitRow.findAll({ ...where, order: ['startsOn'] }),
    TickRow.findAll({ ...where, order: ['at'] }),
    PhotoRow.findAll({ ...where, order: ['takenAt'] }),
    SaidRow.findAll({ ...where, order: ['at'] }),
  ]);
  const names = await namesOf(visits.flatMap(handsOf));
  const machine = toMachine(row);
  const { basis, judgedBy } = await basisOf(row);
  return {
    machine,
    version: row.version,
    since,
    basis,
    judgedBy: known.basis === basis && since > 0 ? null : judgedBy,
    readings: readings.map(toReading),
    walks: walks.map(toWalk),
    work: work.map(toWork),
    ticks: ticks.map(toTick),
    photos: photos.map(toPhoto),
    said: said.map(toSaid),
    visits: visits.map((v) => toVisit(v, names)),
    dropped,
  };
}

/** Where a condition stands that is of no one column. */
const LATER = 'wrote' as never;

/** From which version the changes can be told, and the visits that were taken away since. */
async function writesSince(
  id: string,
  since: number,
  version: number,
): Promise<{ since: number; dropped: string[] }> {
  if (since === 0 || since > version) return { since: 0, dropped: [] };
  const rows = await connection().query<{ version: number; dropped: string[] }>(
    'SELECT version, dropped FROM machine_writes WHERE machine_id = $1 AND version > $2 ORDER BY version',
    { bind: [id, since], type: QueryTypes.SELECT },
  );
  // each write leaves one row: fewer than there were writes are no longer all on record
  if (rows.length < version - since) return { since: 0, dropped: [] };
  return { since, dropped: rows.flatMap((r) => r.dropped) };
}

/** What the machine is judged by beside its facts, and a short name of all of it together. */
async function basisOf(row: MachineRow): Promise<{ basis: string; judgedBy: JudgedBy }> {
  const machine = toMachine(row);
  const used = await connection().query<SheetRef>(
    `SELECT DISTINCT sheet->>'model' AS model, (sheet->>'revision')::int AS revision
     FROM readings WHERE machine_id = $1`,
    { bind: [row.id], type: QueryTypes.SELECT },
  );
  const { current, earlier } = await refsOf(machine, used);
  const sheets = await sheetsOf(current);
  const rates = await fleetRates();
  const judgedBy: JudgedBy = {
    sheets: current,
    earlier,
    rates: ofChecks(rates.of(row.branch), sheets),
    hands: ofChecks(rates.hands, sheets),
    times: ofChecks(rates.times(machine.branch), sheets),
    costs: (await costsInUse())(machine, sheets),
  };
  const basis = createHash('sha256').update(JSON.stringify(judgedBy)).digest('base64url');
  return { basis, judgedBy };
}
