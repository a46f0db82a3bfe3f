import type { PartDemand, PartOrder, PartsPage } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { dayWords, momentWords, weekdayWords } from '../yard/words';

type Need = PartDemand['needs'][number];

/** When a part is to be ordered, and whether that is past. */
export function orderByWords({ orderBy, short }: PartDemand, today: string): string {
  if (!short) return 'all there or on its way';
  if (orderBy === null) return 'order it';
  if (orderBy < today) return `should have been ordered by ${dayWords(orderBy)}`;
  return orderBy === today ? 'order today' : `order by ${weekdayWords(orderBy)}`;
}

/** How a need is met, and what that does to its visit. */
export function needWords({
  serial,
  component,
  quantity,
  visit,
  by,
  met,
  on,
  heldUp,
}: Need): string {
  const what = `${serial}, ${component.toLowerCase()}: ${quantity}`;
  const when = visit
    ? `visit ${weekdayWords(visit.startsOn)}, ${visit.technician}`
    : `no visit yet, must start by ${weekdayWords(by)}`;
  const from = {
    stock: 'on the shelf',
    order: on ? `on order, here ${weekdayWords(on)}` : 'on order',
    short: on
      ? `short; ordered today here ${weekdayWords(on)}`
      : 'short; nobody says how long it takes',
  }[met];
  return `${what} · ${when} · ${from}${heldUp ? ': holds it up' : ''}`;
}

/** What would go in the place of a part that is short, and how many of it are free. */
export function substituteWords({ substitute }: Need): string {
  if (!substitute) return '';
  const { number, name, because, quantity, free } = substitute;
  const there =
    free >= quantity
      ? `${free} of it free on the shelf`
      : `${free ? `only ${free}` : 'none'} of it free on the shelf: it is to be ordered too`;
  return `${quantity} × ${number} ${name}: ${because}; ${there}`;
}

/** Where the numbers of the shelf come from. */
export function stockWords({ service, simulated, asOf, trouble }: PartsPage['stock']): string {
  if (!service && !trouble) return 'Shelves as they were counted by hand.';
  const known = service
    ? `${service}${simulated ? ' (a stand-in)' : ''}${asOf ? `, as of ${momentWords(asOf)}` : ''}.`
    : 'Shelves as they were counted by hand.';
  return trouble ? `${known} Asked since without an answer: ${trouble}` : known;
}

/** Who delivers, and how long that takes. */
export const supplierWords = ({ supplier, leadDays }: PartDemand): string =>
  supplier === null
    ? 'no supplier said'
    : `${supplier}${leadDays === null ? '' : `, ${leadDays} working day${leadDays === 1 ? '' : 's'}`}`;

export const lateOrder = ({ arrivedOn, expectedOn }: PartOrder, today: string): boolean =>
  arrivedOn === null && expectedOn < today;

/** Where an order stands. */
export function orderWords(order: PartOrder, today: string): string {
  const { placedOn, expectedOn, arrivedOn, supplier, by } = order;
  const placed = `ordered ${dayWords(placedOn)} by ${by}${supplier ? ` from ${supplier}` : ''}`;
  if (arrivedOn) return `${placed}; came ${dayWords(arrivedOn)}`;
  return `${placed}; ${lateOrder(order, today) ? 'should have come' : 'expected'} ${weekdayWords(expectedOn)}`;
}

export const priceWords = (price: number | null, currency: string | null): string =>
  price === null ? 'no price' : `${printNumber(price, 2)} ${currency ?? ''}`.trim();
