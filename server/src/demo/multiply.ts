import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import { demoId, scenario, type Scenario } from '@green-tally/demo';

/** Rows as COPY takes them: a tab between cells, \N for nothing. */
const lineOf = (cells: readonly unknown[]): string => `${cells.map(cellOf).join('\t')}\n`;

const ESCAPES: Readonly<Record<string, string>> = {
  '\\': '\\\\',
  '\t': '\\t',
  '\n': '\\n',
  '\r': '\\r',
};
function cellOf(value: unknown): string {
  if (value === null || value === undefined) return '\\N';
  const text = typeof value === 'object' ? JSON.stringify(value) : String(value);
  return text.replace(/[\\\t\n\r]/g, (c) => ESCAPES[c] ?? c);
}

/** What one copy of the demo's machines is made of, table by table, in the order to store them. */
interface Part {
  readonly table: string;
  readonly columns: readonly string[];
  readonly rows: (copy: number) => Iterable<readonly unknown[]>;
}

/**
 * Fills a demo database with copies of its machines and all their facts until it has so many: each
 * copy is a machine of its own with ids of its own. For measuring and for tests of large places.
 * @param demo what is there
 * @returns how many readings there are then
 */
export async function fillTo(url: string, machines: number, demo = scenario()): Promise<number> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const { rows } = await client.query<{ n: number }>('SELECT count(*)::int AS n FROM machines');
    for (let copy = 1, left = machines - (rows[0]?.n ?? 0); left > 0; copy += 1) {
      const parts = partsOf(demo, left);
      for (const { table, columns, rows: lines } of parts) {
        const into = client.query(copyFrom(`COPY ${table} (${columns.join(', ')}) FROM STDIN`));
        const made = Array.from(lines(copy), lineOf);
        if (table === 'machines') left -= made.length;
        await pipeline(Readable.from(made), into);
      }
    }
    await client.query('ANALYZE');
    const count = await client.query<{ n: number }>('SELECT count(*)::int AS n FROM readings');
    return count.rows[0]?.n ?? 0;
  } finally {
    await client.end();
  }
}

/** The demo's parts, of at most so many machines. */
function partsOf(demo: Scenario, most: number): Part[] {
  const chosen = demo.machines.slice(0, most);
  const ids = new Set(chosen.map((m) => m.id));
  const own = <T extends { machineId: string }>(facts: readonly T[]) =>
    facts.filter((f) => ids.has(f.machineId));
  // ids stand in keys and lists too: each is another in each copy, and the same wherever it stands
  const other = (id: string | null | undefined, copy: number) =>
    id ? demoId(`copy ${copy} of ${id}`) : null;
  const within = (text: string, copy: number) =>
    text.replace(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g, (id) =>
      String(other(id, copy)),
    );
  const people = new Map(demo.people.map((p) => [p.id, p.id]));
  return [
    {
      table: 'machines',
      columns: [
        ...['id', 'serial', 'model', 'customer', 'branch', 'built_on', 'hours', 'header'],
        ...['harvest', 'equipment'],
      ],
      rows: (k) =>
        chosen.map((m) => [
          other(m.id, k),
          `${m.serial}-${k}`,
          ...[m.model, m.customer, m.branch, m.builtOn, m.hours, m.header, m.harvest, m.equipment],
        ]),
    },
    {
      table: 'walks',
      columns: [
        ...['id', 'machine_id', 'started_at', 'finished_at', 'made_safe_at', 'hours', 'by'],
        ...['noticed', 'checks', 'as_found', 'kind', 'minutes'],
      ],
      rows: (k) =>
        own(demo.walks).map((w) => [
          ...[other(w.id, k), other(w.machineId, k), w.startedAt, w.finishedAt, w.madeSafeAt],
          ...[w.hours, w.by, w.noticed, w.checks, w.asFound, w.kind, w.minutes],
        ]),
    },
    {
      table: 'readings',
      columns: [
        ...['id', 'machine_id', 'walk_id', 'check_id', 'sheet', 'place', 'state', 'value'],
        ...['renewed', 'repaired', 'fit', 'settled', 'position_confirmed', 'tool', 'taken_at'],
        ...['hours', 'by', 'note', 'strikes'],
      ],
      rows: (k) =>
        own(demo.readings).map((r) => [
          ...[other(r.id, k), other(r.machineId, k), other(r.walkId, k), r.checkId, r.sheet],
          ...[r.place, r.state, r.value, r.renewed, r.repaired, r.fit, r.settled],
          ...[r.positionConfirmed, r.tool, r.takenAt, r.hours, r.by, r.note, other(r.strikes, k)],
        ]),
    },
    {
      table: 'ticks',
      columns: ['id', 'machine_id', 'key', 'done', 'at', 'by', 'note', 'until', 'answer'],
      rows: (k) =>
        own(demo.ticks).map((t) => [
          ...[other(t.id, k), other(t.machineId, k), within(t.key, k), t.done, t.at, t.by, t.note],
          ...[t.until, t.answer],
        ]),
    },
    {
      table: 'work_items',
      columns: [
        ...['id', 'machine_id', 'check_id', 'decision', 'places', 'reason', 'minutes', 'cover'],
        ...['parts', '"from"', 'task', 'mates', 'learnt', 'proposed', 'worked'],
        ...['accepted_by', 'accepted_at', 'withdrawn_at'],
      ],
      rows: (k) =>
        own(demo.work).map((w) => [
          ...[other(w.id, k), other(w.machineId, k), w.checkId, w.decision, w.places, w.reason],
          ...[w.minutes, w.cover, w.parts, w.from, w.task, w.mates, w.learnt, w.proposed],
          ...[w.worked, w.acceptedBy, w.acceptedAt, w.withdrawnAt],
        ]),
    },
    {
      table: 'visits',
      columns: [
        ...['id', 'machine_id', 'technician_id', 'starts_on', 'ends_on', 'hours', 'site', 'note'],
        ...['work_ids', 'version'],
      ],
      rows: (k) =>
        own(demo.visits).map((v) => [
          ...[other(v.id, k), other(v.machineId, k), people.get(v.technicianId), v.startsOn],
          ...[v.endsOn, v.hours, v.site, v.note, v.workIds.map((id) => other(id, k)), v.version],
        ]),
    },
  ];
}
