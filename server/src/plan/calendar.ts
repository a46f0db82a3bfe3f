import { Readable } from 'node:stream';
import { stringify } from 'csv-stringify';
import { addDays } from 'date-fns/addDays';
import { parseISO } from 'date-fns/parseISO';
import { ICalCalendar, ICalCalendarMethod } from 'ical-generator';
import type { WorkItem } from '@green-tally/core/contracts';
import { calendarFile } from '../files/calendarFile';
import { allVisits, workOfVisits, type VisitOnMachine } from './listVisits';

/** What the calendar is of. */
export interface PlanShown {
  readonly visits: readonly VisitOnMachine[];
  readonly work: ReadonlyMap<string, WorkItem>;
  /** a branch, or all of them, in words */
  readonly of: string;
}

/**
 * The plan as iCalendar (RFC 5545): one all-day event a visit, from its first to its last day of
 * work.
 */
export function planCalendar({ visits, work, of }: PlanShown, now: Date): string {
  const calendar = new ICalCalendar({
    name: `Green Tally, ${of}`,
    prodId: { company: 'Green Tally', product: 'Plan' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { visit, machine } of visits) {
    const items = visit.workIds.flatMap((id) => work.get(id) ?? []);
    calendar.createEvent({
      id: `${visit.id}@green-tally`,
      sequence: visit.version,
      stamp: now,
      start: parseISO(visit.startsOn),
      end: addDays(parseISO(visit.endsOn), 1),
      allDay: true,
      summary: `${machine.model} ${machine.serial}: ${visit.technician}`,
      location: visit.site === 'bay' ? `Bay, ${machine.branch}` : machine.customer,
      description: [
        `${machine.customer}, ${machine.harvest.crop} from ${machine.harvest.start}. ${visit.hours} h.`,
        ...items.map((w) => `${w.decision}: ${w.checkId} (${w.places.join(', ')}). ${w.reason}`),
        visit.note,
      ]
        .filter(Boolean)
        .join('\n'),
    });
  }
  return calendar.toString();
}

/** Whose plan it is: of a branch, of all when undefined, or of one technician. */
export interface PlanOf {
  readonly branch?: string | undefined;
  readonly technician?: string | undefined;
  readonly from?: string | undefined;
  /** in words */
  readonly of: string;
}

/** A plan as a file, a page of visits at a time. */
export function planFile({ of, ...whose }: PlanOf, now: Date): Readable {
  async function* parts() {
    for await (const visits of allVisits(whose))
      yield [{ visits, work: await workOfVisits(visits), of }];
  }
  const none: PlanShown = { visits: [], work: new Map(), of };
  return calendarFile(([shown = none]) => planCalendar(shown, now), parts());
}

/** The plan as CSV, a line a visit, a page of visits at a time. */
export function planCsv(whose: Omit<PlanOf, 'of'>): Readable {
  async function* records() {
    for await (const visits of allVisits(whose))
      for (const { visit, machine } of visits)
        yield [
          ...[visit.startsOn, visit.starts, visit.endsOn, visit.ends, String(visit.hours)],
          ...[visit.technician, visit.mate ?? '', machine.serial, machine.model],
          ...[machine.customer, visit.site, machine.harvest.crop, machine.harvest.start],
          ...[visit.pinned ? 'yes' : '', visit.startedAt ?? '', visit.finishedAt ?? '', visit.note],
        ];
  }
  const table = stringify({ header: true, columns: [...PLAN_COLUMNS], escape_formulas: true });
  return Readable.from(records())
    .on('error', (error) => table.destroy(error))
    .pipe(table);
}

const PLAN_COLUMNS = [
  ...['starts on', 'from', 'ends on', 'until', 'hours', 'technician', 'with', 'machine', 'model'],
  ...['customer', 'where', 'crop', 'harvest', 'pinned', 'begun', 'finished', 'note'],
] as const;
