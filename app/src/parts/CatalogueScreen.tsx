import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CatalogPart } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { download } from '../readings/download';
import { SyncLine } from '../session/SyncLine';
import { api, troubleText, useAction, useSession } from '../store';
import { useCatalogue } from './hooks';
import {
  Buttons,
  Card,
  Choice,
  HeadRow,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  TextEntry,
  Title,
  useWide,
  Waiting,
} from '../ui';
import { FilePress } from '../ui/FilePress';
import { figure, Suppliers, type OfCatalogue, type SupplierFormProps } from './Suppliers';
import { priceWords } from './words';

/** Every part the sheets name: price, supplier, how it is sold; who delivers; in and out as a file. */
export function CatalogueScreen() {
  const { data, error, again } = useCatalogue();
  const { data: session } = useSession();
  const [find, setFind] = useState('');
  if (!data || !session?.person)
    return (
      <Waiting
        what="the catalogue"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  const may = mayDo(session.person.role, 'keepParts');
  const wanted = find.trim().toLowerCase();
  const found = data.parts.filter((p) => `${p.number} ${p.name}`.toLowerCase().includes(wanted));
  return (
    <Screen
      testID="parts catalogue"
      title="Catalogue"
      full
      rows={{
        data: found,
        keyOf: (p) => p.number,
        draw: (p) => <PartRow part={p} data={data} may={may} again={again} />,
        more: undefined,
        foot: null,
      }}
    >
      <HeadRow back={{ to: '/parts', title: 'Parts', label: 'Back to the parts' }}>
        <SyncLine />
      </HeadRow>
      <Title>Catalogue</Title>
      <Files may={may} again={again} />
      <Suppliers data={data} may={may} again={again} />
      <TextEntry label="Find a part" value={find} onChange={setFind} hint="LM-5207, belt" />
      <Quiet>{`${found.length} of ${data.parts.length} parts. Names, sets and supersessions are the sheets'; prices and suppliers are yours.`}</Quiet>
    </Screen>
  );
}

function Files({ may, again }: { may: boolean; again: () => void }) {
  const [took, setTook] = useState('');
  const bring = useAction(async (text: string) => {
    setTook('');
    const { changed, counted } = await api('POST /catalogue/import', { body: text });
    setTook(`Taken: ${changed} prices or suppliers, ${counted} counts.`);
    again();
  });
  return (
    <View style={styles.stack}>
      <Buttons>
        <Press
          small
          title="As CSV"
          onPress={() => download('/api/catalogue.csv', 'green-tally-catalogue.csv')}
        />
        {may ? (
          <FilePress
            title="From a CSV file"
            label="Prices, suppliers and counts from a CSV file"
            testID="parts file"
            accept=".csv,text/csv"
            busy={bring.busy}
            onPick={(file) => void bring.run(file.text)}
          />
        ) : null}
      </Buttons>
      {bring.trouble ? <Notice tone="rust" title="Nothing was taken" text={bring.trouble} /> : null}
      {took ? <Quiet live>{took}</Quiet> : null}
    </View>
  );
}

interface PartRowProps extends OfCatalogue {
  readonly part: CatalogPart;
}

function PartRow({ part, data, may, again }: PartRowProps) {
  const [open, setOpen] = useState(false);
  const wide = useWide();
  const about = [
    priceWords(part.price, data.currency),
    part.supplier ?? 'no supplier said',
    ...(part.soldIn ? [`sold in boxes of ${part.soldIn}`] : []),
    ...(part.supersededBy ? [`now ${part.supersededBy}`] : []),
    ...(part.heavy ? [`heavy one ${part.heavy}`] : []),
    ...part.needs.map((n) => `with each ${n.each} × ${n.number}`),
    ...(wide ? [part.models.join(', ')] : []),
  ].join(' · ');
  return (
    <Card testID={`catalogue ${part.number}`}>
      <Row apart>
        <View style={styles.grows}>
          <Strong>{`${part.number} ${part.name}`}</Strong>
          <Quiet>{about}</Quiet>
        </View>
        {may && !open ? (
          <Press
            small
            title="Change"
            label={`Change ${part.number}`}
            onPress={() => setOpen(true)}
          />
        ) : null}
      </Row>
      {open ? (
        <PartForm part={part} data={data} again={again} onDone={() => setOpen(false)} />
      ) : null}
    </Card>
  );
}

interface PartFormProps extends SupplierFormProps {
  readonly part: CatalogPart;
}

const NOBODY = '';

function PartForm({ part, data, again, onDone }: PartFormProps) {
  const [price, setPrice] = useState(part.price === null ? '' : String(part.price));
  const [supplier, setSupplier] = useState(part.supplier ?? NOBODY);
  const [onHand, setOnHand] = useState('');
  const save = useAction(async () => {
    const number = part.number;
    await api('PUT /parts', {
      body: {
        parts: [
          {
            number,
            price: price.trim() ? figure(price, number, 'its price') : null,
            supplier: supplier || null,
          },
        ],
      },
    });
    if (onHand.trim())
      await api('PUT /stock', {
        body: { counts: [{ number, onHand: figure(onHand, number, 'how many there are') }] },
      });
    again();
    onDone();
  });
  return (
    <View style={styles.stack}>
      <TextEntry
        label={`Price of one${data.currency ? `, ${data.currency}` : ''}`}
        numeric
        value={price}
        onChange={setPrice}
      />
      <Choice
        label="Who delivers it"
        options={[
          ...data.suppliers.map((s) => ({ value: s.name, title: s.name })),
          { value: NOBODY, title: 'Not said' },
        ]}
        value={supplier}
        onChange={setSupplier}
      />
      <TextEntry
        label="Counted on the shelf, if you did"
        numeric
        value={onHand}
        onChange={setOnHand}
      />
      {save.trouble ? <Notice tone="rust" title="Not kept" text={save.trouble} /> : null}
      <Buttons>
        <Press
          small
          fill="pine"
          title="Keep it"
          testID="keep part"
          loading={save.busy}
          onPress={() => void save.run()}
        />
        <Press small title="Never mind" onPress={onDone} />
      </Buttons>
    </View>
  );
}

const styles = StyleSheet.create({
  stack: { gap: SPACE.s },
  grows: { flex: 1 },
});
