import { KINDS } from '@green-tally/core/kinds';
import { useState } from 'react';
import { View } from 'react-native';
import { STATIONS, type Check, type SpecSheet } from '@green-tally/core/contracts';
import { Card, Choice, Heading, Press, Row, Strong, TextEntry } from '../ui';
import { withNewCheck } from './newCheck';
import type { Editing } from './useEditing';

/**
 * A new check for the sheet: what it is, which kind, which station; the rest is then written in its
 * form.
 */
export function AddCheck({ editing, onOpen }: { editing: Editing; onOpen: (id: string) => void }) {
  const { sheet, keep, busy } = editing;
  const [adding, setAdding] = useState(false);
  const [component, setComponent] = useState('');
  const [kind, setKind] = useState<Check['kind']>('measure');
  const [station, setStation] = useState(String(sheet.checks[0]?.station ?? 1));
  const [wanted, setWanted] = useState('');
  const add = async () => {
    if (!component.trim()) return setWanted('Say what is checked, for example: rear ladder.');
    const made = withNewCheck(
      sheet,
      kind,
      {
        station: Number(station),
        stationName: nameOfStation(sheet, Number(station)),
      },
      component,
    );
    if (!(await keep(made.sheet))) return;
    setAdding(false);
    setComponent('');
    onOpen(made.id);
  };
  if (!adding)
    return <Press title="Add a check" testID="add check" onPress={() => setAdding(true)} small />;
  return (
    <Card testID="new check">
      <Heading>A new check</Heading>
      <TextEntry
        label="Component"
        value={component}
        onChange={(text) => {
          setComponent(text);
          setWanted('');
        }}
        hint="rear ladder"
      />
      {wanted ? (
        <View role="alert">
          <Strong tone="rust">{wanted}</Strong>
        </View>
      ) : null}
      <Choice
        label="How it is read"
        value={kind}
        onChange={setKind}
        options={(Object.keys(KINDS) as Check['kind'][]).map((value) => ({
          value,
          title: KINDS[value].name,
        }))}
      />
      <Choice
        label="Station"
        value={station}
        onChange={setStation}
        options={STATIONS.map((_, i) => ({
          value: String(i + 1),
          title: `${i + 1} · ${nameOfStation(sheet, i + 1)}`,
        }))}
      />
      <Row>
        <Press
          style={{ flex: 1 }}
          fill="pine"
          title="Add to the draft"
          testID="add to draft"
          loading={busy}
          onPress={() => void add()}
          small
        />
        <Press title="Leave it" onPress={() => setAdding(false)} small />
      </Row>
    </Card>
  );
}

/** As the sheet calls a station; one that has no check yet by its usual name. */
const nameOfStation = (sheet: SpecSheet, station: number): string =>
  sheet.checks.find((c) => c.station === station)?.stationName ?? STATIONS[station - 1] ?? '';
