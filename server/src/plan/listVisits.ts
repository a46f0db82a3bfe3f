import { Op, QueryTypes } from 'sequelize';
import { z } from 'zod';
import {
  Day,
  HalfDay,
  type Machine,
  type Visit,
  type VisitPage,
  type WorkItem,
} from '@green-tally/core/contracts';
import {
  connection,
  MachineRow,
  handsOf,
  namesOf,
  toMachine,
  toVisit,
  toWork,
  VisitRow,
  WorkRow,
} from '../db';
import { cursorAt, placeAt } from '../paging';

/** A visit with the machine it is to. */
export interface VisitOnMachine {
  readonly visit: Visit;
  readonly machine: Machine;
}

/** Which visits: of a branch or of all, from a day on, which page. */
export interface VisitsWanted {
  readonly branch?: string | undefined;
  readonly from?: string | undefined;
  readonly technician?: string | undefined;
  readonly cursor?: string | undefined;
  readonly limit: number;
}

const Place = z.tuple([Day, HalfDay, z.uuid()]);

/** A page of visits, earliest first, with their machines. @throws Invalid for a cursor that is none */
export async function visitPage({
  branch,
  from,
  technician,
  cursor,
  limit,
}: VisitsWanted): Promise<VisitPage> {
  const [day, half, after] =
    cursor === undefined ? [null, null, null] : placeAt(cursor, Place, 'visits');
  const ids = await connection().query<{ id: string; on: string; half: string }>(
    `SELECT v.id, v.starts_on::text AS "on", v.starts AS half FROM visits v JOIN machines m ON m.id = v.machine_id
     WHERE ($1::text IS NULL OR m.branch = $1) AND ($2::date IS NULL OR v.ends_on >= $2)
       AND ($3::date IS NULL OR (v.starts_on, v.starts COLLATE "C", v.id) > ($3, $7, $4::uuid))
       AND ($6::uuid IS NULL OR v.technician_id = $6 OR v.mate_id = $6)
     ORDER BY v.starts_on, v.starts COLLATE "C", v.id LIMIT $5`,
    {
      bind: [branch ?? null, from ?? null, day, after, limit + 1, technician ?? null, half],
      type: QueryTypes.SELECT,
    },
  );
  const shown = ids.slice(0, limit);
  const last = shown.at(-1);
  const rows = new Map(
    (await VisitRow.findAll({ where: { id: { [Op.in]: shown.map((s) => s.id) } } })).map((v) => [
      v.id,
      v,
    ]),
  );
  const all = [...rows.values()];
  const machines = await MachineRow.findAll({ where: { id: all.map((v) => v.machineId) } });
  const byId = new Map(machines.map((m) => [m.id, toMachine(m)]));
  const names = await namesOf(all.flatMap(handsOf));
  return {
    visits: shown.flatMap(({ id }) => {
      const row = rows.get(id);
      const machine = row && byId.get(row.machineId);
      return row && machine ? [{ visit: toVisit(row, names), machine }] : [];
    }),
    next: ids.length > limit && last ? cursorAt([last.on, last.half, last.id]) : null,
  };
}

/** Whose visits are told. */
type Whose = Pick<VisitsWanted, 'branch' | 'from' | 'technician'>;

/** All visits of a branch (of all when undefined), a page at a time. */
export async function* allVisits(whose: Whose): AsyncGenerator<VisitOnMachine[]> {
  let cursor: string | null | undefined;
  do {
    const page: VisitPage = await visitPage({ ...whose, cursor: cursor ?? undefined, limit: 500 });
    yield page.visits;
    cursor = page.next;
  } while (cursor);
}

/** The work that some visits hold, by id. */
export async function workOfVisits(
  visits: readonly VisitOnMachine[],
): Promise<ReadonlyMap<string, WorkItem>> {
  const rows = await WorkRow.findAll({ where: { id: visits.flatMap((v) => v.visit.workIds) } });
  return new Map(rows.map((r) => [r.id, toWork(r)]));
}
