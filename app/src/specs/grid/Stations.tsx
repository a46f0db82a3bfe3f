import { ScrollView, StyleSheet } from 'react-native';
import { Press, Row, SPACE, useWide } from '../../ui';

interface StationsProps {
  readonly stations: readonly { readonly station: number; readonly title: string }[];
  readonly here: number | undefined;
  readonly onChoose: (station: number) => void;
}

/** The stations one beside the other: on a phone they are drawn along, when wide all are seen. */
export function Stations({ stations, here, onChoose }: StationsProps) {
  const wide = useWide();
  const targets = stations.map(({ station, title }) => (
    <Press
      key={station}
      small
      fill={station === here ? 'pine' : undefined}
      title={title}
      onPress={() => onChoose(station)}
    />
  ));
  return wide ? (
    <Row style={styles.stations}>{targets}</Row>
  ) : (
    <ScrollView horizontal contentContainerStyle={styles.stations}>
      {targets}
    </ScrollView>
  );
}

const styles = StyleSheet.create({ stations: { gap: SPACE.s } });
