import type {
  CatalogPart,
  Day,
  PartDemand,
  PartNeed,
  PartOrder,
  StockLine,
  Supplier,
} from '../contracts';
import { workingDayFrom, workingDaysAfter } from '../plan';
import { InputError } from '../units';

/** Working days that a part lies ready before its visit. Shop rule. */
export const PARTS_MARGIN = 2;

/** What a branch wants of its parts, and has. */
export interface DemandFrom {
  readonly today: Day;
  readonly needs: readonly (PartNeed & { readonly number: string; readonly name: string })[];
  readonly stock: readonly Pick<StockLine, 'number' | 'onHand'>[];
  readonly orders: readonly Pick<PartOrder, 'number' | 'quantity' | 'expectedOn' | 'arrivedOn'>[];
  readonly catalogue: readonly CatalogPart[];
  readonly suppliers: readonly Supplier[];
}

/**
 * What open work wants of each part, net of what is on the shelf and on order, the one to be ordered
 * first at the head. What is there goes to the work that needs it first. A superseded number is
 * counted with the one it was superseded by.
 * @throws InputError where numbers are superseded in a circle
 */
export function demandOf(from: DemandFrom): PartDemand[] {
  const known = new Map(from.catalogue.map((p) => [p.number, p]));
  const now = (number: string) => currentNumber(number, known);
  const needs = grouped(from.needs, (n) => now(n.number));
  const stock = grouped(from.stock, (s) => now(s.number));
  const orders = grouped(
    from.orders.filter((o) => o.arrivedOn === null),
    (o) => now(o.number),
  );
  const wantedOf = (number: string) => sumOf(needs.get(number) ?? [], (n) => n.quantity);
  const onHandOf = (number: string) => sumOf(stock.get(number) ?? [], (s) => s.onHand);
  const free = (number: string) => Math.max(0, onHandOf(now(number)) - wantedOf(now(number)));
  return [...needs]
    .map(([number, own]) =>
      demandOfPart(
        { number, part: known.get(number), needs: own },
        { onHand: onHandOf(number), orders: orders.get(number) ?? [], free },
        from,
      ),
    )
    .sort(
      (a, b) =>
        (a.orderBy ?? '9').localeCompare(b.orderBy ?? '9') || (a.number < b.number ? -1 : 1),
    );
}

/** The number that is ordered now for a number of any age. @throws InputError for a circle */
export function currentNumber(
  number: string,
  known: ReadonlyMap<string, Pick<CatalogPart, 'supersededBy'>>,
): string {
  const passed = new Set<string>();
  let at = number;
  for (let next = known.get(at)?.supersededBy; next; next = known.get(at)?.supersededBy) {
    passed.add(at);
    if (passed.has(next))
      throw new InputError('supersededBy', number, 'a number that ends somewhere, not in a circle');
    at = next;
  }
  return at;
}

interface OnePart {
  readonly number: string;
  readonly part: CatalogPart | undefined;
  readonly needs: DemandFrom['needs'];
}

/** What there is of a part, and of those that may go in its place. */
interface ThereIs {
  readonly onHand: number;
  readonly orders: DemandFrom['orders'];
  readonly free: (number: string) => number;
}

function demandOfPart(
  { number, part, needs: own }: OnePart,
  { onHand, orders, free }: ThereIs,
  { today, suppliers }: DemandFrom,
): PartDemand {
  const supplier = suppliers.find((s) => s.name === part?.supplier);
  const leadDays = supplier?.leadDays ?? null;
  const onOrder = sumOf(orders, (o) => o.quantity);
  const earliest = supplier ? workingDaysAfter(workingDayFrom(today), supplier.leadDays) : null;
  // what should have come and did not can be here today at the soonest
  const coming = orders.map((o) => ({
    on: o.expectedOn < today ? today : o.expectedOn,
    left: o.quantity,
  }));
  const met = shareOut(own, onHand, coming, earliest);
  const short = sumOf(met, (n) => n.lacking);
  const first = met.find((n) => n.met === 'short');
  const box = part?.soldIn ?? 1;
  return {
    number,
    name: nameOf(part, own),
    wanted: sumOf(own, (n) => n.quantity),
    onHand,
    onOrder,
    short,
    toOrder: box * Math.ceil(short / box),
    orderBy: first ? orderDay(first.by, leadDays ?? 0) : null,
    earliest,
    supplier: part?.supplier ?? null,
    leadDays,
    price: part?.price ?? null,
    needs: met.map(({ lacking: _, number: __, name: ___, substitute, ...need }) => ({
      ...need,
      substitute: substitute && { ...substitute, free: free(substitute.number) },
    })),
  };
}

/** The last day to order what must be here by another. */
const orderDay = (by: Day, leadDays: number): Day =>
  workingDaysAfter(workingDayFrom(by), -(leadDays + PARTS_MARGIN));

type Met = DemandFrom['needs'][number] &
  Pick<PartDemand['needs'][number], 'met' | 'on' | 'heldUp'> & { readonly lacking: number };

/** The shelf first, then what comes first; the work that needs it first is served first. */
function shareOut(
  needs: DemandFrom['needs'],
  onHand: number,
  orders: { readonly on: Day; left: number }[],
  earliest: Day | null,
): Met[] {
  let shelf = onHand;
  const coming = [...orders].sort((a, b) => a.on.localeCompare(b.on));
  const inTurn = [...needs].sort(
    (a, b) => a.by.localeCompare(b.by) || (a.workId < b.workId ? -1 : 1),
  );
  return inTurn.map((need): Met => {
    let lacking = need.quantity;
    let on: Day | null = null;
    const taken = Math.min(shelf, lacking);
    shelf -= taken;
    lacking -= taken;
    for (const order of coming) {
      if (lacking === 0) break;
      const took = Math.min(order.left, lacking);
      order.left -= took;
      lacking -= took;
      if (took > 0) on = order.on;
    }
    const late = (day: Day | null) => day === null || day > need.by;
    if (lacking > 0)
      return { ...need, met: 'short', on: earliest, heldUp: late(earliest), lacking };
    if (on !== null) return { ...need, met: 'order', on, heldUp: late(on), lacking: 0 };
    return { ...need, met: 'stock', on: null, heldUp: false, lacking: 0 };
  });
}

/** As its sheet names it; one that no sheet names any more as the work did. */
const nameOf = (part: CatalogPart | undefined, needs: DemandFrom['needs']): string =>
  part?.name ?? needs[0]?.name ?? '';

const sumOf = <T>(rows: readonly T[], of: (row: T) => number): number =>
  rows.reduce((sum, row) => sum + of(row), 0);

function grouped<T>(rows: readonly T[], by: (row: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const own = groups.get(by(row));
    if (own) own.push(row);
    else groups.set(by(row), [row]);
  }
  return groups;
}
