import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CrewPage } from '@green-tally/core/contracts';
import { api, useAction } from '../store';
import { Card, Heading, Notice, Press, Quiet, Row, SPACE, Strong, TextEntry } from '../ui';
import { figureIn } from './lines';

interface Typed {
  readonly east: string;
  readonly north: string;
}

/** Where farms lie on the branch's map: what a call there costs in ways follows from it. */
export function Farms({ page, again }: { page: CrewPage; again: () => void }) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState<Readonly<Record<string, Typed>>>({});
  const nowhere = page.farms.filter((f) => !f.spot).length;
  const keep = useAction(async () => {
    const farms = Object.entries(typed).map(([id, { east, north }]) => {
      const name = page.farms.find((f) => f.id === id)?.name ?? '';
      const spot =
        east.trim() || north.trim()
          ? { x: figureIn(east, `${name}, km east`), y: figureIn(north, `${name}, km north`) }
          : null;
      return { id, spot };
    });
    await api('PUT /crew/farms', { body: { farms } });
    setTyped({});
    again();
  });
  return (
    <Card testID="farms">
      <Heading>{`Where farms lie: ${page.farms.length - nowhere} of ${page.farms.length}`}</Heading>
      <Quiet>
        {nowhere
          ? `${nowhere} ${nowhere === 1 ? 'farm has' : 'farms have'} no place: their ways are not reckoned, and their machines come into a bay.`
          : 'Every farm has its place.'}
      </Quiet>
      {open ? (
        <>
          {page.farms.map(({ id, name, spot }) => {
            const now = typed[id] ?? { east: String(spot?.x ?? ''), north: String(spot?.y ?? '') };
            const change = (part: Partial<Typed>) =>
              setTyped({ ...typed, [id]: { ...now, ...part } });
            return (
              <Row key={id}>
                <View style={styles.name}>
                  <Strong>{name}</Strong>
                </View>
                <View style={styles.figure}>
                  <TextEntry
                    label={`${name}, km east`}
                    value={now.east}
                    onChange={(east) => change({ east })}
                  />
                </View>
                <View style={styles.figure}>
                  <TextEntry
                    label={`${name}, km north`}
                    value={now.north}
                    onChange={(north) => change({ north })}
                  />
                </View>
              </Row>
            );
          })}
          {keep.trouble ? <Notice tone="rust" title="Not kept" text={keep.trouble} /> : null}
          <Press
            fill="pine"
            small
            title="Keep the map"
            testID="keep farms"
            disabled={!Object.keys(typed).length}
            loading={keep.busy}
            onPress={() => void keep.run()}
          />
        </>
      ) : (
        <Press small title="Change the map" testID="change farms" onPress={() => setOpen(true)} />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  name: { flexGrow: 2, minWidth: 140, gap: SPACE.xs },
  figure: { flexGrow: 1, minWidth: 120 },
});
