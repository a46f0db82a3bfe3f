import { Readable } from 'node:stream';
import { addDays } from 'date-fns/addDays';
import { parseISO } from 'date-fns/parseISO';
import { stringify } from 'csv-stringify';
import { ICalCalendar, ICalCalendarMethod } from 'ical-generator';
import { QueryTypes } from 'sequelize';
import type { DueList } from '@green-tally/core/contracts';
import { intervalWords } from '@green-tally/core/intervals';
import { printNumber } from '@green-tally/core/units';
import { calendarFile } from '../files/calendarFile';
import { freshen, type Looking } from '../standings/fresh';
import { linesOf } from './due';

type Row = DueList['rows'][number];

/** So many machines are read at a time, so that no file is ever held whole. */
const MACHINES_AT_A_TIME = 20;

/** Lines of a branch's machines, machine by machine by serial, nearest first in each. */
async function* rowsOf(looking: Looking): AsyncGenerator<Row[]> {
  const { db, branch } = looking;
  await freshen(looking);
  let after = '';
  for (;;) {
    const machines = await db.sequelize.query<{ serial: string; rows: Row[] }>(
      `SELECT m.serial, (SELECT json_agg(json_build_object('harvest', m.harvest->>'start', 'line', d.line,
           'machine', json_build_object('id', m.id, 'serial', m.serial, 'model', m.model, 'customer', m.customer, 'branch', m.branch)) ORDER BY d.n)
         FROM due_lines d WHERE d.machine_id = m.id) AS rows
       FROM machines m WHERE ($1::text IS NULL OR m.branch = $1) AND m.serial COLLATE "C" > $2
       ORDER BY m.serial COLLATE "C" LIMIT $3`,
      { bind: [branch ?? null, after, MACHINES_AT_A_TIME], type: QueryTypes.SELECT },
    );
    for (const { rows } of machines) if (rows) yield rows;
    const last = machines.at(-1);
    if (!last || machines.length < MACHINES_AT_A_TIME) return;
    after = last.serial;
  }
}

/** The due list as a table for anyone's spreadsheet, nearest first. */
export function dueCsv(looking: Looking): Readable {
  async function* records() {
    for await (const row of linesOf(looking)) yield recordOf(row);
  }
  const table = stringify({ header: true, columns: COLUMNS, escape_formulas: true });
  return Readable.from(records())
    .on('error', (error) => table.destroy(error))
    .pipe(table);
}

const COLUMNS = [
  'machine',
  'model',
  'customer',
  'branch',
  'harvest',
  'state',
  'on',
  'at_hours',
  'kind',
  'component',
  'what',
  'interval',
  'last_on',
  'last_hours',
  'minutes',
  'check',
] as const;

const recordOf = ({
  machine,
  harvest,
  line,
}: Row): Readonly<Record<(typeof COLUMNS)[number], string>> => ({
  machine: machine.serial,
  model: machine.model,
  customer: machine.customer,
  branch: machine.branch,
  harvest,
  state: line.state,
  on: line.on ?? '',
  at_hours: line.atHours === null ? '' : printNumber(line.atHours, 0),
  kind: line.kind,
  component: line.component,
  what: line.what,
  interval: line.interval ? intervalWords(line.interval) : '',
  last_on: line.last?.on ?? '',
  last_hours: line.last?.hours ? printNumber(line.last.hours, 0) : '',
  minutes: printNumber(line.minutes, 0),
  check: line.checkId ?? '',
});

/** Named in one event at most. */
const MOST_NAMED = 12;

/** The due list as iCalendar: one all-day event for each machine and day. */
export function dueCalendar(looking: Looking, now: Date): Readable {
  return calendarFile((rows) => calendarOf(rows, looking.branch, now), rowsOf(looking));
}

/** A calendar of some lines of one machine. */
function calendarOf(rows: readonly Row[], branch: string | undefined, now: Date): string {
  const calendar = new ICalCalendar({
    name: `Green Tally, due, ${branch ?? 'all branches'}`,
    prodId: { company: 'Green Tally', product: 'Due' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const days = new Map<string, Row[]>();
  for (const row of rows) {
    const key = `${row.machine.id}|${row.line.on ?? ''}`;
    days.set(key, [...(days.get(key) ?? []), row]);
  }
  for (const [key, own] of days) {
    const [first] = own;
    if (!first?.line.on) continue;
    const { machine, line } = first;
    const on = parseISO(first.line.on);
    calendar.createEvent({
      id: `due-${key.replace('|', '-')}@green-tally`,
      stamp: now,
      start: on,
      end: addDays(on, 1),
      allDay: true,
      summary: `${machine.model} ${machine.serial}: ${own.length === 1 ? line.component : `${own.length} due`}`,
      location: machine.customer,
      description: [
        ...own.slice(0, MOST_NAMED).map((r) => `${r.line.component}: ${r.line.what}`),
        own.length > MOST_NAMED ? `and ${own.length - MOST_NAMED} more` : '',
      ]
        .filter(Boolean)
        .join('\n'),
    });
  }
  return calendar.toString();
}
