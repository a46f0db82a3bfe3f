import { StyleSheet, View } from 'react-native';
import type { PartOrder, PartsPage } from '@green-tally/core/contracts';
import { api, useAction, useToday } from '../store';
import { Card, Heading, Notice, Press, Quiet, Row, SPACE, Strong } from '../ui';
import { lateOrder, orderWords } from './words';

/** What a part of the page is told. */
export interface PartProps {
  readonly page: PartsPage;
  readonly may: boolean;
  readonly again: () => void;
}

/** Orders that are open, and those that came lately. */
export function Orders({ page, may, again }: PartProps) {
  if (!page.orders.length) return <Quiet>Nothing is on order.</Quiet>;
  return (
    <Card testID="orders">
      <Heading>{`On order: ${page.orders.filter((o) => !o.arrivedOn).length}`}</Heading>
      {page.orders.map((o) => (
        <OrderLine key={o.id} order={o} may={may} again={again} />
      ))}
    </Card>
  );
}

interface OrderLineProps {
  readonly order: PartOrder;
  readonly may: boolean;
  readonly again: () => void;
}

function OrderLine({ order, may, again }: OrderLineProps) {
  const today = useToday();
  const change = useAction(async (arrivedOn: string | null) => {
    try {
      await api('PUT /orders/{id}', {
        params: { id: order.id },
        body: { version: order.version, arrivedOn },
      });
    } finally {
      again();
    }
  });
  const cancel = useAction(async () => {
    await api('DELETE /orders/{id}', { params: { id: order.id } });
    again();
  });
  const name = `${order.quantity} × ${order.number} ${order.name}`;
  return (
    <View style={styles.line} testID={`order ${order.number}`}>
      <Strong tone={lateOrder(order, today) ? 'rust' : 'ink'}>{name}</Strong>
      <Quiet>{orderWords(order, today)}</Quiet>
      {change.trouble || cancel.trouble ? (
        <Notice tone="rust" title="Not changed" text={change.trouble || cancel.trouble} />
      ) : null}
      <Row>
        <Press
          small
          title={order.arrivedOn ? 'Not come after all' : 'It has come'}
          label={`${order.arrivedOn ? 'Not come after all' : 'It has come'}: ${name}`}
          loading={change.busy}
          onPress={() => void change.run(order.arrivedOn ? null : today)}
        />
        {may && !order.arrivedOn ? (
          <Press
            small
            title="Take it back"
            label={`Take the order back: ${name}`}
            loading={cancel.busy}
            onPress={() => void cancel.run()}
          />
        ) : null}
      </Row>
    </View>
  );
}

const styles = StyleSheet.create({ line: { gap: SPACE.xs, paddingVertical: SPACE.s } });
