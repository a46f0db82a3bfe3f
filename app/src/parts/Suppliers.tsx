import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Catalogue } from '@green-tally/core/contracts';
import { api, useAction } from '../store';
import { Buttons, Card, Heading, Notice, Press, Quiet, Row, SPACE, TextEntry } from '../ui';

export interface OfCatalogue {
  readonly data: Catalogue;
  readonly may: boolean;
  readonly again: () => void;
}

/** Who delivers, and in how many working days. */
export function Suppliers({ data, may, again }: OfCatalogue) {
  const [open, setOpen] = useState(false);
  const said = data.suppliers.map((s) => `${s.name} ${s.leadDays}`).join(' · ');
  return (
    <Card testID="suppliers">
      <Heading>{`Suppliers: ${data.suppliers.length}`}</Heading>
      {open ? (
        <SupplierForm data={data} again={again} onDone={() => setOpen(false)} />
      ) : (
        <>
          <Quiet>{said ? `Working days from order to shelf: ${said}` : 'None yet.'}</Quiet>
          {may ? (
            <Press
              small
              title="Change the suppliers"
              testID="change suppliers"
              onPress={() => setOpen(true)}
            />
          ) : null}
        </>
      )}
    </Card>
  );
}

export interface SupplierFormProps {
  readonly data: Catalogue;
  readonly again: () => void;
  readonly onDone: () => void;
}

interface Typed {
  readonly name: string;
  readonly leadDays: string;
  readonly spreadDays: string;
}

function SupplierForm({ data, again, onDone }: SupplierFormProps) {
  const [rows, setRows] = useState<readonly Typed[]>(
    data.suppliers.map((s) => ({
      name: s.name,
      leadDays: String(s.leadDays),
      spreadDays: String(s.spreadDays),
    })),
  );
  const save = useAction(async () => {
    const suppliers = rows
      .filter((r) => r.name.trim())
      .map((r) => ({
        name: r.name.trim(),
        leadDays: figure(r.leadDays, r.name, 'working days'),
        spreadDays: figure(r.spreadDays || '0', r.name, 'how far that varies'),
      }));
    await api('PUT /suppliers', { body: { suppliers, version: data.version } });
    again();
    onDone();
  });
  const change = (i: number, part: Partial<Typed>) =>
    setRows(rows.map((r, j) => (i === j ? { ...r, ...part } : r)));
  return (
    <View style={styles.stack}>
      {rows.map((r, i) => (
        <Row key={i}>
          <View style={styles.wide}>
            <TextEntry
              label={`Supplier ${i + 1}`}
              value={r.name}
              onChange={(name) => change(i, { name })}
            />
          </View>
          <View style={styles.narrow}>
            <TextEntry
              label="Working days"
              numeric
              value={r.leadDays}
              onChange={(leadDays) => change(i, { leadDays })}
            />
          </View>
          <View style={styles.narrow}>
            <TextEntry
              label="± days"
              numeric
              value={r.spreadDays}
              onChange={(spreadDays) => change(i, { spreadDays })}
            />
          </View>
        </Row>
      ))}
      <Press
        small
        title="Another supplier"
        testID="another supplier"
        onPress={() => setRows([...rows, { name: '', leadDays: '', spreadDays: '0' }])}
      />
      <Quiet>A supplier without a name is left out; its parts have none any more.</Quiet>
      {save.trouble ? <Notice tone="rust" title="Not kept" text={save.trouble} /> : null}
      <Buttons>
        <Press
          small
          fill="pine"
          title="Keep the suppliers"
          testID="keep suppliers"
          loading={save.busy}
          onPress={() => void save.run()}
        />
        <Press small title="Never mind" onPress={onDone} />
      </Buttons>
    </View>
  );
}

/** A figure as it is typed. @throws Error in words that name whose it is */
export function figure(text: string, name: string, what: string): number {
  const number = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !(number >= 0))
    throw new Error(`${name.trim()}: type ${what} in figures.`);
  return number;
}

const styles = StyleSheet.create({
  stack: { gap: SPACE.s },
  wide: { flexGrow: 3, minWidth: 160 },
  narrow: { flexGrow: 1, minWidth: 100 },
});
