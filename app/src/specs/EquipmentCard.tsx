import { useState } from 'react';
import { View } from 'react-native';
import { Body, Card, Heading, later, Press, Quiet, Row } from '../ui';
import type { Editing } from './useEditing';

const ChoicesForm = later('the equipment', async () => (await import('../forms')).ChoicesForm);

/** What machines of a model may be fitted with; a planner can write it anew. */
export function EquipmentCard({ editing }: { readonly editing: Editing }) {
  const { sheet, may } = editing;
  const [open, setOpen] = useState(false);
  const [writing, setWriting] = useState(false);
  if (!sheet.equipment.length && !may) return null;
  return (
    <Card testID="equipment">
      <Row apart>
        <Heading>{`Equipment: ${sheet.equipment.length}`}</Heading>
        <Press
          title={open ? 'Fold' : 'Show'}
          label={open ? 'Fold the equipment' : 'Show the equipment'}
          small
          onPress={() => setOpen(!open)}
        />
      </Row>
      {open && !writing ? (
        <>
          {sheet.equipment.map(({ id, name, options }) => (
            <View key={id}>
              <Body>{name}</Body>
              <Quiet>{options.map((o) => o.name).join(' · ')}</Quiet>
            </View>
          ))}
          {sheet.equipment.length ? null : (
            <Quiet>
              Every machine of this model is built alike. Say here what some have and others have
              not; a check can then be there only with it.
            </Quiet>
          )}
          {may ? (
            <Press
              title="Write the equipment"
              testID="write equipment"
              small
              onPress={() => setWriting(true)}
            />
          ) : null}
        </>
      ) : null}
      {open && writing ? (
        <ChoicesForm of="equipment" editing={editing} onDone={() => setWriting(false)} />
      ) : null}
    </Card>
  );
}
