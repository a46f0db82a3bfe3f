import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import type { PartDemand } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { download } from '../readings/download';
import { SyncLine } from '../session/SyncLine';
import { api, troubleText, useAction, useSession, useToday, useWithLists } from '../store';
import {
  Buttons,
  Chip,
  Go,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  Table,
  Title,
  useWide,
  Waiting,
} from '../ui';
import { useParts } from './hooks';
import { Orders, type PartProps } from './Orders';
import { Substitutes } from './Substitutes';
import { orderByWords, stockWords } from './words';
import { columnsFor, onOrderOf, PartCard } from './partRows';

/** What open work wants of its parts: what to order by when, what holds up which visit, what is on order. */
export function PartsScreen() {
  const { data: page, error, again } = useParts();
  useWithLists(again);
  const { data: session } = useSession();
  const ask = useAction(async () => {
    await api('POST /stock/ask', {});
    again();
  });
  if (!page || !session?.person)
    return (
      <Waiting
        what="the parts"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  const may = mayDo(session.person.role, 'keepParts');
  const held = new Set(
    page.rows.flatMap((r) => r.needs.filter((n) => n.heldUp).map((n) => n.serial)),
  );
  return (
    <Screen testID="parts" title="Parts" full>
      <Row apart>
        <Title>Parts</Title>
        <SyncLine />
      </Row>
      <Quiet>{`${page.branch}. ${stockWords(page.stock)}`}</Quiet>
      {held.size ? (
        <Notice
          tone="rust"
          testID="held up"
          title={`Parts hold up ${held.size} machine${held.size === 1 ? '' : 's'}: ${[...held].join(', ')}`}
          text="Order what is short, ask for it sooner, or move the visit."
        />
      ) : null}
      {page.behind ? (
        <Quiet>{`${page.behind} machines are being judged anew; their parts follow.`}</Quiet>
      ) : null}
      <Buttons>
        <Press small title="Ask the stock now" loading={ask.busy} onPress={() => void ask.run()} />
        <Press
          small
          title="As CSV"
          onPress={() => download('/api/parts.csv', 'green-tally-parts.csv')}
        />
        <Go to="/parts/catalogue" label="Catalogue and suppliers" testID="catalogue">
          <Strong tone="pine">Catalogue and suppliers ›</Strong>
        </Go>
      </Buttons>
      {ask.trouble ? <Notice tone="rust" title="Not asked" text={ask.trouble} /> : null}
      <Wanted page={page} may={may} again={again} />
      <Orders page={page} may={may} again={again} />
    </Screen>
  );
}

/** What is wanted, the one to be ordered first at the head; what is short can be ordered together. */
function Wanted({ page, may, again }: PartProps) {
  const wide = useWide();
  const today = useToday();
  const [shortOnly, setShortOnly] = useState(true);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const short = page.rows.filter((r) => r.short > 0);
  const rows = shortOnly ? short : page.rows;
  const taken = short.filter((r) => chosen.has(r.number));
  const toggle = (number: string) => {
    const next = new Set(chosen);
    if (!next.delete(number)) next.add(number);
    setChosen(next);
  };
  const order = useAction(async () => {
    try {
      await api('POST /orders', {
        body: {
          orders: taken.map((r) => ({
            id: uuidv7(),
            number: r.number,
            quantity: r.toOrder,
            note: '',
            seen: onOrderOf(page, r.number),
          })),
        },
      });
      setChosen(new Set());
    } finally {
      // whoever was faster: what is short is looked at as it is now
      again();
    }
  });
  return (
    <View style={styles.stack}>
      <Row>
        <Chip
          title={`Short ${short.length}`}
          on={shortOnly}
          testID="short"
          onPress={() => setShortOnly(true)}
        />
        <Chip
          title={`All that is wanted ${page.rows.length}`}
          on={!shortOnly}
          testID="all wanted"
          onPress={() => setShortOnly(false)}
        />
      </Row>
      {rows.length === 0 ? (
        <Notice
          tone="pine"
          title={page.rows.length ? 'Nothing is short' : 'No part is wanted'}
          text={
            page.rows.length
              ? 'All that accepted work needs is on the shelf or on its way.'
              : 'No accepted work needs parts. Accept decisions into work, and they are counted here.'
          }
        />
      ) : wide ? (
        <Table
          label="Parts wanted"
          rows={rows}
          columns={columnsFor(page, today)}
          keyOf={(r) => r.number}
          to={(r) => `/work/${r.needs[0]?.machineId ?? ''}`}
          said={(r) => `${r.number} ${r.name}, ${orderByWords(r, today)}`}
          {...(may
            ? {
                chosen: (r: PartDemand) => chosen.has(r.number),
                onChoose: (r: PartDemand) => toggle(r.number),
              }
            : {})}
        />
      ) : (
        rows.map((r) => (
          <PartCard
            key={r.number}
            row={r}
            currency={page.currency}
            chosen={chosen.has(r.number)}
            onChoose={may && r.short > 0 ? () => toggle(r.number) : undefined}
          />
        ))
      )}
      {may ? <Substitutes rows={rows} again={again} /> : null}
      {order.trouble ? <Notice tone="rust" title="Not ordered" text={order.trouble} /> : null}
      {may && short.length ? (
        <Buttons>
          <Press
            small
            title={`Choose all ${short.length} short`}
            testID="choose short"
            onPress={() => setChosen(new Set(short.map((r) => r.number)))}
          />
          <Press
            small
            fill="pine"
            title={`Note as ordered: ${taken.length}`}
            testID="order chosen"
            disabled={!taken.length}
            loading={order.busy}
            onPress={() => void order.run()}
          />
        </Buttons>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  stack: { gap: SPACE.m },
});
