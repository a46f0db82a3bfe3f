import type { Readable } from 'node:stream';
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

/** The plan of a branch (of all when undefined) as a file, a page of visits at a time. */
export function planFile(branch: string | undefined, now: Date): Readable {
  async function* parts() {
    for await (const visits of allVisits(branch))
      yield [{ visits, work: await workOfVisits(visits), of: branch ?? 'all branches' }];
  }
  const none: PlanShown = { visits: [], work: new Map(), of: branch ?? 'all branches' };
  return calendarFile(([shown = none]) => planCalendar(shown, now), parts());
}
