import fc from 'fast-check';
import type { CatalogPart, PartDemand } from '../contracts';
import { demandOf, type DemandFrom } from './index';

const TODAY = '2026-06-09';
const uuid = (n: number) => `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const part = (number: string, change: Partial<CatalogPart> = {}): CatalogPart => ({
  number,
  name: `Part ${number}`,
  price: 10,
  supplier: 'Mill Lane',
  soldIn: null,
  supersededBy: null,
  needs: [],
  heavy: null,
  models: ['Ouzel 7'],
  ...change,
});
const need = (n: number, number: string, quantity: number, by: string) => ({
  machineId: uuid(n),
  serial: `T${n}`,
  workId: uuid(100 + n),
  component: 'Fan drive belt',
  number,
  name: `Part ${number}`,
  quantity,
  visit: { id: uuid(200 + n), startsOn: by, technician: 'Ines Marrow' },
  by,
  substitute: null,
});
const order = (
  number: string,
  quantity: number,
  expectedOn: string,
  arrivedOn: string | null = null,
) => ({
  number,
  quantity,
  expectedOn,
  arrivedOn,
});
const from = (change: Partial<DemandFrom>): DemandFrom => ({
  today: TODAY,
  needs: [],
  stock: [],
  orders: [],
  catalogue: [part('B-1')],
  suppliers: [{ name: 'Mill Lane', leadDays: 5, spreadDays: 1 }],
  ...change,
});
const one = (change: Partial<DemandFrom>): PartDemand => {
  const [demand, ...more] = demandOf(from(change));
  if (!demand || more.length) throw new Error('one part');
  return demand;
};

describe('what open work wants of a part', () => {
  test('its substitute is offered with what other work leaves of it on the shelf, never less than none', () => {
    const substitute = { number: 'H-1', name: 'Heavy', quantity: 2, because: 'wet straw' };
    const freeOf = (onHand: number, others: number) =>
      demandOf(
        from({
          needs: [
            { ...need(1, 'B-1', 2, '2026-06-12'), substitute },
            ...(others ? [need(2, 'H-1', others, '2026-06-12')] : []),
          ],
          catalogue: [part('B-1'), part('H-1')],
          stock: [{ number: 'H-1', onHand }],
        }),
      ).find((d) => d.number === 'B-1')?.needs[0]?.substitute;
    expect(freeOf(5, 0)).toEqual({ ...substitute, free: 5 });
    expect(freeOf(5, 3)).toEqual({ ...substitute, free: 2 });
    expect(freeOf(1, 4)).toEqual({ ...substitute, free: 0 });
  });
  test('what is on the shelf goes to the work that needs it first', () => {
    const demand = one({
      needs: [need(1, 'B-1', 2, '2026-06-24'), need(2, 'B-1', 1, '2026-06-18')],
      stock: [{ number: 'B-1', onHand: 1 }],
    });
    expect(demand.needs.map((n) => [n.serial, n.met])).toEqual([
      ['T2', 'stock'],
      ['T1', 'short'],
    ]);
    expect(demand).toMatchObject({ wanted: 3, onHand: 1, short: 2, toOrder: 2 });
  });
  test('order by: the visit, less the lead time, less two working days', () =>
    // Wed 24 June, five working days and two back: Mon 15 June
    expect(one({ needs: [need(1, 'B-1', 1, '2026-06-24')] })).toMatchObject({
      orderBy: '2026-06-15',
      earliest: '2026-06-16',
    }));
  test('one that cannot be here in time holds its visit up', () => {
    const demand = one({ needs: [need(1, 'B-1', 1, '2026-06-12')] });
    expect(demand.needs[0]).toMatchObject({ met: 'short', on: '2026-06-16', heldUp: true });
    expect(demand.orderBy! < TODAY).toBe(true);
  });
  test('nobody knows when: it holds its visit up', () => {
    const demand = one({
      needs: [need(1, 'B-1', 1, '2026-06-30')],
      catalogue: [part('B-1', { supplier: null })],
    });
    expect(demand.needs[0]).toMatchObject({ met: 'short', on: null, heldUp: true });
    expect(demand.earliest).toBeNull();
  });
  test('what is on order covers it, and holds up what starts before it comes', () => {
    const needs = [need(1, 'B-1', 1, '2026-06-12'), need(2, 'B-1', 1, '2026-06-24')];
    const demand = one({ needs, orders: [order('B-1', 2, '2026-06-15')] });
    expect(demand.needs.map((n) => [n.met, n.on, n.heldUp])).toEqual([
      ['order', '2026-06-15', true],
      ['order', '2026-06-15', false],
    ]);
    expect(demand).toMatchObject({ onOrder: 2, short: 0, toOrder: 0, orderBy: null });
  });
  test('an order that should have come comes today at the soonest; one that has come is stock', () => {
    const needs = [need(1, 'B-1', 1, '2026-06-24')];
    expect(one({ needs, orders: [order('B-1', 1, '2026-06-01')] }).needs[0]?.on).toBe(TODAY);
    expect(one({ needs, orders: [order('B-1', 1, '2026-06-01', '2026-06-02')] })).toMatchObject({
      onOrder: 0,
      short: 1,
    });
  });
  test('what is sold in boxes is ordered in boxes, over all work together', () =>
    expect(
      one({
        needs: [need(1, 'B-1', 3, '2026-06-24'), need(2, 'B-1', 3, '2026-06-25')],
        catalogue: [part('B-1', { soldIn: 4 })],
        stock: [{ number: 'B-1', onHand: 1 }],
      }),
    ).toMatchObject({ short: 5, toOrder: 8 }));
  test('a superseded number is counted with the one it was superseded by, of any age', () => {
    const catalogue = [
      part('B-1', { supersededBy: 'B-2' }),
      part('B-2', { supersededBy: 'B-3' }),
      part('B-3'),
    ];
    const demand = one({
      catalogue,
      needs: [need(1, 'B-1', 1, '2026-06-24'), need(2, 'B-3', 1, '2026-06-25')],
      stock: [{ number: 'B-2', onHand: 1 }],
    });
    expect(demand).toMatchObject({ number: 'B-3', wanted: 2, onHand: 1, short: 1 });
  });
  test('numbers superseded in a circle are refused by name', () =>
    expect(() =>
      one({
        catalogue: [part('B-1', { supersededBy: 'B-2' }), part('B-2', { supersededBy: 'B-1' })],
        needs: [need(1, 'B-1', 1, '2026-06-24')],
      }),
    ).toThrow(expect.objectContaining({ field: 'supersededBy' }) as Error));
  test('a part that no sheet names any more is wanted all the same', () =>
    expect(one({ catalogue: [], needs: [need(1, 'X-9', 1, '2026-06-24')] })).toMatchObject({
      number: 'X-9',
      name: 'Part X-9',
      supplier: null,
      short: 1,
    }));
  test('what is to be ordered first stands first', () =>
    expect(
      demandOf(
        from({
          catalogue: [part('B-1'), part('C-1')],
          needs: [need(1, 'B-1', 1, '2026-06-24'), need(2, 'C-1', 1, '2026-06-18')],
        }),
      ).map((d) => d.number),
    ).toEqual(['C-1', 'B-1']));
});

describe('whatever is wanted and there', () => {
  const day = (n: number) => new Date(Date.UTC(2026, 5, 1 + n)).toISOString().slice(0, 10);
  const any = fc.record({
    needs: fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 40 })), {
      minLength: 1,
      maxLength: 10,
    }),
    onHand: fc.integer({ min: 0, max: 20 }),
    orders: fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 40 })), {
      maxLength: 4,
    }),
  });
  const demandIn = ({
    needs,
    onHand,
    orders,
  }: {
    needs: [number, number][];
    onHand: number;
    orders: [number, number][];
  }) =>
    one({
      needs: needs.map(([quantity, by], i) => need(i, 'B-1', quantity, day(by))),
      stock: [{ number: 'B-1', onHand }],
      orders: orders.map(([quantity, on]) => order('B-1', quantity, day(on))),
    });
  test('what is short is what is wanted less what is there and comes; never more, never less', () =>
    fc.assert(
      fc.property(any, (a) => {
        const d = demandIn(a);
        expect(d.short).toBe(Math.max(0, d.wanted - d.onHand - d.onOrder));
      }),
    ));
  test('one more on the shelf never makes anything worse', () =>
    fc.assert(
      fc.property(any, (a) => {
        const [less, more] = [demandIn(a), demandIn({ ...a, onHand: a.onHand + 1 })];
        expect(more.short).toBeLessThanOrEqual(less.short);
        // what was there, or was to come, is there or comes no later
        less.needs.forEach((n, i) => {
          if (n.met === 'short') return;
          expect(more.needs[i]?.met).not.toBe('short');
          expect((more.needs[i]?.on ?? '') <= (n.on ?? '')).toBe(true);
        });
        expect((more.orderBy ?? '9') >= (less.orderBy ?? '9')).toBe(true);
      }),
    ));
});
