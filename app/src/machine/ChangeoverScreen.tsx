import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { MachineFile } from '@green-tally/core/contracts';
import { cropsOf, settingsToMove, type SettingMove } from '@green-tally/core/walk';
import { useHeaders } from '../store/books';
import { useSpec } from '../store';
import {
  Body,
  Card,
  Choice,
  Heading,
  HeadRow,
  Notice,
  Quiet,
  Row,
  Rule,
  Screen,
  SPACE,
  Strong,
  Title,
} from '../ui';
import { WithMachine } from './WithMachine';

/** All settings of a machine to move from the crop and header it is set for to others, on one card. */
export function ChangeoverScreen() {
  const { machineId } = useLocalSearchParams<{ machineId: string }>();
  return (
    <WithMachine id={machineId} what="the settings">
      {({ file }) => <Changeover file={file} />}
    </WithMachine>
  );
}

/** Without a header. */
const NONE = '–';

function Changeover({ file }: { readonly file: MachineFile }) {
  const { machine } = file;
  const { pages } = useHeaders({ customer: machine.customer, limit: 500 });
  const booked = pages?.flatMap((p) => p.headers) ?? [];
  const on = machine.header?.model;
  const models = [...new Set([...(on ? [on] : []), ...booked.map((h) => h.model)])];
  const [header, setHeader] = useState<string>(on ?? NONE);
  const { data: other } = useSpec(header !== on && header !== NONE ? header : '');
  const sheets = [...file.sheets, ...(other ? [other.sheet] : [])];
  const crops = cropsOf(sheets).filter((c) => c !== machine.harvest.crop);
  const [crop, setCrop] = useState<string>(machine.harvest.crop);
  const from = { crop: machine.harvest.crop, header: on };
  const to = { crop, header: header === NONE ? undefined : header };
  const moves = settingsToMove(machine, sheets, from, to);
  const changed = to.crop !== from.crop || to.header !== from.header;
  return (
    <Screen testID="changeover" title={`Settings of ${machine.serial}`}>
      <HeadRow
        back={{
          to: `/machine/${machine.id}`,
          title: `${machine.model} · ${machine.serial}`,
          label: 'Back to the machine',
        }}
      />
      <Title>Settings to move</Title>
      <Quiet>{`It is set for ${from.crop}${on ? `, ${on}` : ', no header'}. What is next?`}</Quiet>
      <Choice
        label="Crop"
        value={crop}
        onChange={setCrop}
        options={[machine.harvest.crop, ...crops].map((c) => ({ value: c, title: c }))}
      />
      <Choice
        label="Header"
        value={header}
        onChange={setHeader}
        options={[...models, NONE].map((m) => ({
          value: m,
          title: m === NONE ? 'none' : m,
        }))}
      />
      {moves.length ? (
        <Moves moves={moves} />
      ) : (
        <Notice
          tone="pine"
          title={changed ? 'Nothing to move' : 'Choose what comes next'}
          text={
            changed
              ? 'Every setting stands alike for both.'
              : 'The settings that differ are listed here, in the order that moves the machine least.'
          }
        />
      )}
      <Quiet>
        The maker’s manual goes before this list. Made safe first: engine stopped, key out.
      </Quiet>
    </Screen>
  );
}

/** One card: position by position, what stands how, and where it goes. */
function Moves({ moves }: { readonly moves: readonly SettingMove[] }) {
  const positions = [...new Set(moves.map((m) => m.check.position))];
  return (
    <Card testID="settings to move">
      <Heading>{`${moves.length} to move`}</Heading>
      {positions.map((position) => (
        <View key={position} style={styles.group}>
          <Rule />
          <Strong>{position}</Strong>
          {moves
            .filter((m) => m.check.position === position)
            .map(({ check, from, to, because }) => (
              <View key={check.id} testID={`move ${check.id}`}>
                <Row apart>
                  <Body style={styles.grows}>{`${check.component}: ${check.measures}`}</Body>
                  <Strong>{`${from ?? 'as it stands'} → ${to ?? 'decide'}`}</Strong>
                </Row>
                {because || to === undefined ? (
                  <Quiet>
                    {because || 'The sheet says nothing for this crop: look in the manual.'}
                  </Quiet>
                ) : null}
              </View>
            ))}
        </View>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({ group: { gap: SPACE.s }, grows: { flex: 1 } });
