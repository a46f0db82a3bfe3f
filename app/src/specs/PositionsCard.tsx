import { useState } from 'react';
import { View } from 'react-native';
import { PositionFact } from '@green-tally/core/contracts';
import { factWords } from '@green-tally/core/walk';
import { Body, Card, Heading, later, Press, Quiet, Row } from '../ui';
import type { Editing } from './useEditing';

const PositionsForm = later('the positions', async () => (await import('../forms')).PositionsForm);

/** How the machine stands in each position of a sheet, fact by fact; a planner can write them anew. */
export function PositionsCard({ editing }: { readonly editing: Editing }) {
  const { sheet, may } = editing;
  const [open, setOpen] = useState(false);
  const [writing, setWriting] = useState(false);
  return (
    <Card testID="positions">
      <Row apart>
        <Heading>{`Positions: ${sheet.positions.length}`}</Heading>
        <Press title={open ? 'Fold' : 'Show'} small onPress={() => setOpen(!open)} />
      </Row>
      {open && !writing ? (
        <>
          {sheet.positions.map(({ name, facts }) => (
            <View key={name}>
              <Body>{name}</Body>
              <Quiet>
                {Object.entries(facts)
                  .map(([fact, value]) => factWords(PositionFact.parse(fact), value))
                  .join(' · ')}
              </Quiet>
            </View>
          ))}
          {sheet.positions.length ? null : (
            <Quiet>
              This sheet names its positions in words alone. Written as facts, the walk can ask how
              a setting was found and see that it is put back.
            </Quiet>
          )}
          {may ? (
            <Press title="Write the positions" small onPress={() => setWriting(true)} />
          ) : null}
        </>
      ) : null}
      {open && writing ? (
        <PositionsForm editing={editing} onDone={() => setWriting(false)} />
      ) : null}
    </Card>
  );
}
