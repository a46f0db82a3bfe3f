import { StyleSheet, View } from 'react-native';
import { Tap } from './Tap';
import { usePalette } from './theme';
import { RADIUS, SPACE, STROKE, TARGET, TYPE } from './tokens';
import { Figure, Strong } from './Words';

interface StepperProps {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
  readonly max: number;
}

/** A count with a key on either side; never below 0 or above `max`. */
export function Stepper({ label, value, onChange, max }: StepperProps) {
  const palette = usePalette();
  const key = (sign: '−' | '+', next: number) => (
    <Tap
      label={`${sign === '+' ? 'one more' : 'one less'}: ${label}`}
      disabled={next < 0 || next > max}
      onPress={() => onChange(next)}
      style={[styles.key, { borderColor: palette.line, backgroundColor: palette.card }]}
    >
      <Figure style={styles.sign}>{sign}</Figure>
    </Tap>
  );
  return (
    <View style={styles.stepper} role="group" aria-label={label}>
      <Strong style={styles.label}>{label}</Strong>
      {key('−', value - 1)}
      <Figure style={styles.count} testID={`count ${label}`} live>
        {value}
      </Figure>
      {key('+', value + 1)}
    </View>
  );
}

const styles = StyleSheet.create({
  stepper: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  label: { flex: 1 },
  key: {
    width: 64,
    minHeight: TARGET.glove,
    borderRadius: RADIUS.m,
    borderWidth: STROKE.thin,
    alignItems: 'center',
    justifyContent: 'center',
  },
  sign: TYPE.title,
  count: { width: 58, textAlign: 'center', fontSize: 32 },
});
