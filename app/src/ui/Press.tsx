import Button from '@rneui/themed/dist/Button';
import type { ReactElement } from 'react';
import {
  StyleSheet,
  type GestureResponderEvent,
  type StyleProp,
  type ViewStyle,
} from 'react-native';
import { FONT, usePalette } from './theme';
import { ENTRY, RADIUS, SPACE, STROKE, TARGET } from './tokens';

interface PressProps {
  readonly title: string;
  readonly onPress: () => void;
  /** filled with this colour; outlined when absent */
  readonly fill?: 'pine' | 'rust' | 'blue' | 'violet' | undefined;
  readonly disabled?: boolean;
  readonly loading?: boolean;
  readonly icon?: ReactElement<object>;
  readonly style?: StyleProp<ViewStyle>;
  readonly testID?: string;
  /** said by screen readers when the title alone does not tell */
  readonly label?: string;
  readonly small?: boolean;
  /** where another button stood a moment ago: the second tap of a double tap was meant for that one */
  readonly single?: boolean;
}

/** Whether a press is the second of a double tap, as browsers count them. */
const isSecond = (event: GestureResponderEvent | undefined): boolean =>
  Number(Reflect.get(event?.nativeEvent ?? {}, 'detail') ?? 1) > 1;

/** A button: 56 px high, for a thumb in a glove. */
export function Press({
  title,
  onPress,
  fill,
  disabled = false,
  loading = false,
  icon,
  style,
  testID,
  label,
  small = false,
  single = false,
}: PressProps) {
  const palette = usePalette();
  const color = fill ? palette.onFill : palette.ink;
  return (
    <Button
      title={title}
      onPress={(event) => (single && isSecond(event) ? undefined : onPress())}
      disabled={disabled || loading}
      loading={loading}
      {...(icon ? { icon } : {})}
      testID={testID}
      aria-label={label ?? title}
      aria-busy={loading}
      containerStyle={[styles.frame, style]}
      buttonStyle={[
        styles.button,
        small ? styles.small : null,
        fill ? styles.filled : null,
        { backgroundColor: fill ? palette[fill] : palette.card, borderColor: palette.line },
      ]}
      titleStyle={[
        styles.title,
        small ? styles.smallTitle : null,
        icon ? styles.iconed : null,
        { color },
      ]}
      disabledStyle={{ backgroundColor: palette.tray, borderColor: palette.line }}
      disabledTitleStyle={{ color: palette.quiet }}
      loadingProps={{ color }}
    />
  );
}

const styles = StyleSheet.create({
  frame: { borderRadius: RADIUS.m },
  button: {
    borderWidth: STROKE.thin,
    borderRadius: RADIUS.m,
    minHeight: TARGET.glove,
    height: '100%',
    paddingHorizontal: SPACE.m,
  },
  small: { paddingHorizontal: SPACE.s },
  filled: { borderWidth: 0 },
  title: { fontFamily: FONT.bold, fontSize: ENTRY.text },
  smallTitle: { fontSize: ENTRY.small },
  iconed: { marginLeft: SPACE.s },
});
