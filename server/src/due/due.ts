import { addDays } from 'date-fns/addDays';
import { parseISO } from 'date-fns/parseISO';
import { stringify } from 'csv-stringify/sync';
import { ICalCalendar, ICalCalendarMethod } from 'ical-generator';
import type { DueList } from '@green-tally/core/contracts';
import { intervalWords } from '@green-tally/core/intervals';
import { DUE_STATES, dueOf, standingOf } from '@green-tally/core/plan';
import { printNumber } from '@green-tally/core/units';
import { derivedVersion, machineFiles, type Database } from '../db';

const cache = new Map<string, DueList>();
const KEPT = 4;

/**
 * What is due on the machines of a branch (all branches when undefined), nearest first. Kept under
 * the facts' version: never older than the facts.
 */
export async function dueListOf(
  db: Database,
  branch: string | undefined,
  today: string,
): Promise<DueList> {
  const key = [await derivedVersion(db), branch ?? '', today].join('|');
  const kept = cache.get(key);
  if (kept) return kept;
  const rows = (await machineFiles(branch ? { branch } : {})).flatMap((file) => {
    const { id, serial, model, customer, branch: at, harvest } = file.machine;
    const machine = { id, serial, model, customer, branch: at };
    return dueOf(file, standingOf(file, today)).map((line) => ({
      machine,
      harvest: harvest.start,
      line,
    }));
  });
  const list = {
    today,
    branch: branch ?? 'All branches',
    rows: rows.sort(
      (a, b) =>
        DUE_STATES.indexOf(a.line.state) - DUE_STATES.indexOf(b.line.state) ||
        (a.line.on ?? '9').localeCompare(b.line.on ?? '9') ||
        a.harvest.localeCompare(b.harvest) ||
        a.machine.serial.localeCompare(b.machine.serial),
    ),
  };
  cache.set(key, list);
  for (const old of [...cache.keys()].slice(0, Math.max(0, cache.size - KEPT))) cache.delete(old);
  return list;
}

/** The due list as a table for anyone's spreadsheet. */
export function dueCsv({ rows }: DueList): string {
  return stringify(
    rows.map(({ machine, harvest, line }) => ({
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
    })),
    { header: true, escape_formulas: true },
  );
}

/** Named in one event at most. */
const MOST_NAMED = 12;

/** The due list as iCalendar: one all-day event for each machine and day. */
export function dueCalendar({ rows, branch }: DueList, now: Date): string {
  const calendar = new ICalCalendar({
    name: `Green Tally, due, ${branch}`,
    prodId: { company: 'Green Tally', product: 'Due' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const days = new Map<string, DueList['rows'][number][]>();
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
