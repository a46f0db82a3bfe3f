import { isDeepStrictEqual } from 'node:util';
import { BaseError, QueryTypes, type Transaction } from 'sequelize';
import { unheard } from '@green-tally/core/card';
import type {
  BoardWork,
  DueLine,
  MachineFile,
  WorkLine,
  YardRow,
} from '@green-tally/core/contracts';
import {
  DUE_STATES,
  dueOf,
  nextStep,
  standingOf,
  visitWork,
  workLines,
} from '@green-tally/core/plan';
import {
  fleetRates,
  MachineRow,
  machineFileOf,
  tell,
  type Database,
  type VersionedFile,
} from '../db';

/** Where a machine stands, as the Yard tells it: all but the machine itself and whether it is new. */
export type StandingRow = Omit<YardRow, 'machine' | 'behind' | 'chance' | 'awaits'>;

/** What was derived of a machine; without a row it could not be judged, and why. */
interface Derived {
  readonly row: StandingRow | null;
  readonly lines: readonly DueLine[];
  readonly work: readonly WorkLine[];
  readonly board: readonly BoardWork[];
  readonly trouble: string | null;
}

/** A machine that cannot be judged stands first: somebody has to look at it. */
const TROUBLED = -32_768;

/**
 * Judges a machine by its facts as they are and keeps what comes of it, for the Yard and the due
 * list. A newer standing is never overwritten by an older one, so it may run twice at once. One that
 * cannot be judged gets its trouble kept in the standing's place.
 * @throws what the database throws: the job is tried again
 */
export async function judge(db: Database, id: string, today: string): Promise<void> {
  const read = await readToJudge(id);
  if (!read) return;
  const derived = 'file' in read ? deriveOf(read.file, today) : notJudged(read.error);
  await keep(db, { id, version: read.version, day: today, rates: read.rates }, derived);
}

type Read = VersionedFile | { error: unknown; version: number; rates: number };

/** The file, or why its facts cannot be read. */
async function readToJudge(id: string): Promise<Read | undefined> {
  try {
    return await machineFileOf(id);
  } catch (error) {
    if (error instanceof BaseError) throw error;
    const { version, rates } = await markOf(id);
    return { error, version, rates };
  }
}

async function markOf(id: string): Promise<{ version: number; rates: number }> {
  const row = await MachineRow.findByPk(id, { attributes: ['version'] });
  return { version: row?.version ?? 0, rates: (await fleetRates()).id };
}

function deriveOf(file: MachineFile, today: string): Derived {
  try {
    const standing = standingOf(file, today);
    const { slack, finish, mustStartBy, late, hoursOpen, hoursPlanned } = standing;
    const { counts, checksDue, checks, walkState, missing } = standing;
    return {
      row: {
        ...{ slack, finish, mustStartBy, late, hoursOpen, hoursPlanned, counts, checksDue, checks },
        walk: walkState,
        said: unheard(file.said, file.ticks).length,
        missing: missing.map(({ id, count }) => ({ id, count })),
        next: nextStep(standing),
      },
      lines: dueOf(file, standing),
      work: workLines(file, standing),
      board: visitWork(file, standing),
      trouble: null,
    };
  } catch (error) {
    return notJudged(error);
  }
}

const notJudged = (error: unknown): Derived => ({
  row: null,
  lines: [],
  work: [],
  board: [],
  trouble:
    `Its facts cannot be judged: ${error instanceof Error ? error.message : String(error)}`.slice(
      0,
      500,
    ),
});

/** Whose standing, and by what it was derived. */
interface Mark {
  readonly id: string;
  readonly version: number;
  readonly day: string;
  readonly rates: number;
}

async function keep(db: Database, mark: Mark, derived: Derived): Promise<void> {
  const { id } = mark;
  await db.transaction(async (transaction) => {
    const before = await boardOf(db, id, transaction);
    const [kept] = await upsert(db, mark, derived, transaction);
    if (!kept) return;
    if (!isDeepStrictEqual(before, derived.board))
      await db.queue.add(
        'chances',
        [{ key: kept.branch, data: { branch: kept.branch } }],
        transaction,
      );
    await db.sequelize.query('DELETE FROM due_lines WHERE machine_id = $1', {
      bind: [id],
      transaction,
    });
    if (derived.lines.length)
      await db.sequelize.query(
        `INSERT INTO due_lines (machine_id, n, state, day, kind, line)
         SELECT $1, n, state, day, kind, line FROM jsonb_to_recordset($2)
           AS x (n int, state int, day text, kind text, line jsonb)`,
        {
          bind: [
            id,
            JSON.stringify(
              derived.lines.map((line, n) => ({
                n,
                state: DUE_STATES.indexOf(line.state),
                // what has no day comes after all that have
                day: line.on ?? '9',
                kind: line.kind,
                line,
              })),
            ),
          ],
          transaction,
        },
      );
    await keepWork(db, id, derived.work, transaction);
    await tell(
      db,
      { what: 'standing', id, branch: kept.branch, version: mark.version },
      transaction,
    );
  });
}

/** What of a machine's work was on the board. */
async function boardOf(db: Database, id: string, transaction: Transaction): Promise<unknown> {
  const [row] = await db.sequelize.query<{ board: unknown }>(
    'SELECT board FROM machine_standings WHERE machine_id = $1',
    { bind: [id], type: QueryTypes.SELECT, transaction },
  );
  return row?.board ?? [];
}

async function keepWork(
  db: Database,
  id: string,
  lines: readonly WorkLine[],
  transaction: Transaction,
): Promise<void> {
  await db.sequelize.query('DELETE FROM work_lines WHERE machine_id = $1', {
    bind: [id],
    transaction,
  });
  if (!lines.length) return;
  await db.sequelize.query(
    `INSERT INTO work_lines (machine_id, n, state, decision, line)
     SELECT $1, n, state, decision, line FROM jsonb_to_recordset($2)
       AS x (n int, state text, decision text, line jsonb)`,
    {
      bind: [
        id,
        JSON.stringify(
          lines.map((line, n) => ({ n, state: line.state, decision: line.work.decision, line })),
        ),
      ],
      transaction,
    },
  );
}

function upsert(
  db: Database,
  { id, version, day, rates }: Mark,
  { row, board, trouble }: Derived,
  transaction: Transaction,
): Promise<{ branch: string }[]> {
  return db.sequelize.query<{ branch: string }>(
    `INSERT INTO machine_standings AS s
       (machine_id, version, day, rates, slack, walk, next, late, must_start, row, trouble, board)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)
     ON CONFLICT (machine_id) DO UPDATE SET version = $2, day = $3, rates = $4, slack = $5,
       walk = $6, next = $7, late = $8, must_start = $9, row = $10, trouble = $11, board = $12, judged_at = now()
     WHERE (s.version, s.day, s.rates) <= ($2, $3::date, $4)
     RETURNING (SELECT branch FROM machines WHERE id = $1) AS branch`,
    {
      bind: [
        id,
        version,
        day,
        rates,
        row?.slack ?? TROUBLED,
        row?.walk ?? 'none',
        row?.next.id ?? 'trouble',
        row?.late ?? false,
        row && row.hoursOpen > 0 ? row.mustStartBy : null,
        row ? JSON.stringify(row) : null,
        trouble,
        JSON.stringify(board),
      ],
      type: QueryTypes.SELECT,
      transaction,
    },
  );
}
