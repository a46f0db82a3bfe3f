import { Readable } from 'node:stream';

/**
 * One iCalendar file made of parts, each a calendar of its own: head and foot of an empty one, the
 * events of all. Never held whole.
 * @param of a calendar of some things
 * @param parts things by the part
 */
export function calendarFile<T>(
  of: (things: readonly T[]) => string,
  parts: AsyncIterable<readonly T[]>,
): Readable {
  async function* text() {
    const [head = '', foot = ''] = of([]).split(/(?=END:VCALENDAR)/);
    yield head;
    for await (const things of parts) {
      const whole = of(things);
      const from = whole.indexOf('BEGIN:VEVENT');
      if (from >= 0) yield whole.slice(from, whole.lastIndexOf('END:VCALENDAR'));
    }
    yield foot;
  }
  return Readable.from(text());
}
