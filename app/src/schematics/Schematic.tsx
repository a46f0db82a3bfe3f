import { StyleSheet, View } from 'react-native';
import type { Check } from '@green-tally/core/contracts';
import { drawnWords } from '@green-tally/core/kinds';
import { later } from '../ui';

// loaded with the first check that is drawn, not by who looks at the Yard; its place is kept free
const Drawing = later('the drawing', async () => (await import('./drawings')).Drawing, null);

/** A drawing of the check's method with its own numbers, 360 × 170 units. */
export function Schematic({ check }: { check: Check }) {
  return (
    <View role="img" aria-label={drawnWords(check)} style={styles.drawing}>
      <Drawing check={check} />
    </View>
  );
}

const styles = StyleSheet.create({
  drawing: { width: '100%', maxWidth: 460, alignSelf: 'center', aspectRatio: 360 / 170 },
});
