import { StyleSheet } from 'react-native';
import { Tap } from './Tap';
import { usePalette } from './theme';
import { RADIUS, SPACE, STROKE, TARGET } from './tokens';
import { Strong } from './Words';

interface ChipProps {
  readonly title: string;
  readonly on: boolean;
  readonly onPress: () => void;
  /** said by screen readers when the title alone does not tell */
  readonly label?: string;
  readonly testID?: string;
}

/** One of several that may all be on: says so to screen readers too. */
export function Chip({ title, on, onPress, label = title, testID }: ChipProps) {
  const palette = usePalette();
  return (
    <Tap
      role="checkbox"
      selected={on}
      label={label}
      testID={testID}
      onPress={onPress}
      style={[
        styles.chip,
        on ? styles.on : null,
        {
          borderColor: on ? palette.pine : palette.line,
          backgroundColor: on ? palette.pineTint : palette.card,
        },
      ]}
    >
      <Strong>{title}</Strong>
    </Tap>
  );
}

const styles = StyleSheet.create({
  chip: {
    minHeight: TARGET.glove,
    borderRadius: RADIUS.pill,
    borderWidth: STROKE.thin,
    paddingHorizontal: SPACE.m,
    justifyContent: 'center',
    maxWidth: '100%',
  },
  on: { borderWidth: STROKE.chosen },
});
