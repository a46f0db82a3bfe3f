import { addDays, parseISO } from 'date-fns';
import { ICalCalendar, ICalCalendarMethod } from 'ical-generator';
import type { MachineFile } from '@green-tally/core/contracts';

/** The plan as iCalendar (RFC 5545): one all-day event a visit, from its first to its last day of work. */
export function planCalendar(files: readonly MachineFile[], branch: string, now: Date): string {
  const calendar = new ICalCalendar({
    name: `Green Tally, ${branch}`,
    prodId: { company: 'Green Tally', product: 'Plan' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { machine, visits, work } of files) {
    for (const visit of visits) {
      const items = work.filter((w) => visit.workIds.includes(w.id));
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
  }
  return calendar.toString();
}
