import { StyleSheet, View } from 'react-native';
import { BENCHES } from '@green-tally/core/bench';
import { SyncLine } from '../session/SyncLine';
import { Body, Card, Go, HeadRow, Quiet, Screen, SPACE, Strong, Title, useWide } from '../ui';

/** The bench: every calculator, open empty. From a check it opens with its figures. */
export function BenchListScreen() {
  const wide = useWide();
  return (
    <Screen testID="benches" title="Bench" full={wide}>
      <HeadRow back={{ to: '/more', title: 'More', label: 'Back to all settings' }}>
        <SyncLine />
      </HeadRow>
      <Title>Bench</Title>
      <Body>
        Reckon with what you measured. From a check in a walk its bench opens with the figures of
        the sheet, and what you find goes back as the reading.
      </Body>
      <View style={wide ? styles.wide : styles.list}>
        {BENCHES.map((bench) => (
          <Go
            key={bench.id}
            to={`/bench/${bench.id}`}
            label={`${bench.title}: ${bench.about}`}
            style={wide ? styles.half : null}
          >
            <Card testID={`bench ${bench.id}`}>
              <Strong>{`${bench.title} ›`}</Strong>
              <Quiet>{bench.about}</Quiet>
            </Card>
          </Go>
        ))}
        <Go
          to="/bench/photo"
          label="Measure from a photo: with the printed strip, where a rule cannot be held"
          style={wide ? styles.half : null}
        >
          <Card testID="bench photo">
            <Strong>Measure from a photo ›</Strong>
            <Quiet>With the printed strip in it, where a rule cannot be held.</Quiet>
          </Card>
        </Go>
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  list: { gap: SPACE.s },
  wide: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  half: { flexBasis: '48%', flexGrow: 1 },
});
