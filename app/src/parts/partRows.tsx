import type { PartDemand, PartsPage } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { useToday } from '../store';
import { Card, Chip, Quiet, Row, Strong, type Column } from '../ui';
import { needWords, orderByWords, priceWords, supplierWords } from './words';

interface PartCardProps {
  readonly row: PartDemand;
  readonly currency: string | null;
  readonly chosen: boolean;
  readonly onChoose: (() => void) | undefined;
}

export function PartCard({ row, currency, chosen, onChoose }: PartCardProps) {
  const today = useToday();
  const late = row.orderBy !== null && row.orderBy < today;
  return (
    <Card edge={late ? 'rust' : 'line'} testID={`part ${row.number}`}>
      <Row apart>
        <Strong>{`${row.number} ${row.name}`}</Strong>
        <Quiet>{priceWords(row.price, currency)}</Quiet>
      </Row>
      <Strong tone={late ? 'rust' : 'ink'}>
        {row.short
          ? `${row.toOrder} to order: ${orderByWords(row, today)}`
          : orderByWords(row, today)}
      </Strong>
      <Quiet>{`${row.wanted} wanted · ${row.onHand} on the shelf · ${row.onOrder} on order · ${supplierWords(row)}`}</Quiet>
      {row.needs.map((n) => (
        <Quiet key={n.workId}>{needWords(n)}</Quiet>
      ))}
      {onChoose ? (
        <Chip
          title={chosen ? 'Chosen' : 'Choose'}
          label={`Choose ${row.number} ${row.name}`}
          on={chosen}
          testID={`choose ${row.number}`}
          onPress={onChoose}
        />
      ) : null}
    </Card>
  );
}

export const columnsFor = (page: PartsPage, today: string): readonly Column<PartDemand>[] => [
  {
    key: 'orderBy',
    title: 'Order by',
    flex: 1.3,
    by: (r) => r.orderBy ?? '9',
    cell: (r) => (
      <Strong tone={r.orderBy !== null && r.orderBy < today ? 'rust' : 'ink'}>
        {orderByWords(r, today)}
      </Strong>
    ),
  },
  {
    key: 'part',
    title: 'Part',
    flex: 1.8,
    by: (r) => r.number,
    cell: (r) => (
      <>
        <Strong>{r.number}</Strong>
        <Quiet>{r.name}</Quiet>
      </>
    ),
  },
  {
    key: 'toOrder',
    title: 'To order',
    flex: 0.7,
    by: (r) => -r.toOrder,
    cell: (r) => <Strong>{printNumber(r.toOrder, 0)}</Strong>,
  },
  {
    key: 'wanted',
    title: 'Wanted, shelf, on order',
    flex: 1.2,
    by: (r) => -r.wanted,
    cell: (r) => <Quiet>{`${r.wanted} · ${r.onHand} · ${r.onOrder}`}</Quiet>,
  },
  {
    key: 'supplier',
    title: 'Supplier',
    flex: 1.3,
    by: (r) => r.supplier ?? '',
    cell: (r) => <Quiet>{`${supplierWords(r)}; ${priceWords(r.price, page.currency)}`}</Quiet>,
  },
  {
    key: 'needs',
    title: 'For which work',
    flex: 3,
    by: (r) => r.needs.filter((n) => n.heldUp).length,
    cell: (r) => (
      <>
        {r.needs.map((n) =>
          n.heldUp ? (
            <Strong key={n.workId} tone="rust">
              {needWords(n)}
            </Strong>
          ) : (
            <Quiet key={n.workId}>{needWords(n)}</Quiet>
          ),
        )}
      </>
    ),
  },
];

/** How many of a number are on order, by the orders that are shown. */
export const onOrderOf = ({ orders }: PartsPage, number: string): number =>
  orders.reduce((n, o) => (o.number === number && o.arrivedOn === null ? n + o.quantity : n), 0);
