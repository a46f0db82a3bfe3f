import { View } from 'react-native';
import { Tap } from './Tap';
import { usePalette } from './theme';
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
      style={{
        width: 64,
        minHeight: 56,
        borderRadius: 14,
        borderWidth: 2,
        borderColor: palette.line,
        backgroundColor: palette.card,
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      <Figure style={{ fontSize: 30 }}>{sign}</Figure>
    </Tap>
  );
  return (
    <View
      style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}
      role="group"
      aria-label={label}
    >
      <Strong style={{ flex: 1 }}>{label}</Strong>
      {key('−', value - 1)}
      <Figure
        style={{ width: 58, textAlign: 'center', fontSize: 32 }}
        testID={`count ${label}`}
        live
      >
        {value}
      </Figure>
      {key('+', value + 1)}
    </View>
  );
}
