import { Button } from '@rneui/themed';
import type { ReactElement } from 'react';
import type { StyleProp, ViewStyle } from 'react-native';
import { FONT, usePalette, type Palette } from './theme';

interface PressProps {
  readonly title: string;
  readonly onPress: () => void;
  /** filled with this colour; outlined when absent */
  readonly fill?: 'pine' | 'rust' | 'blue' | 'violet';
  readonly disabled?: boolean;
  readonly loading?: boolean;
  readonly icon?: ReactElement<object>;
  readonly style?: StyleProp<ViewStyle>;
  readonly testID?: string;
  /** said by screen readers when the title alone does not tell */
  readonly label?: string;
  readonly small?: boolean;
}

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
}: PressProps) {
  const palette = usePalette();
  const colour = fill ? palette[fill] : palette.card;
  const text: Palette[keyof Palette] = fill ? palette.onFill : palette.ink;
  return (
    <Button
      title={title}
      onPress={onPress}
      disabled={disabled || loading}
      loading={loading}
      {...(icon ? { icon } : {})}
      testID={testID}
      aria-label={label ?? title}
      containerStyle={[{ borderRadius: 14 }, style]}
      buttonStyle={{
        backgroundColor: colour,
        borderWidth: fill ? 0 : 2,
        borderColor: palette.line,
        minHeight: small ? 52 : 56,
        height: '100%',
        paddingHorizontal: small ? 8 : 14,
      }}
      titleStyle={{
        color: text,
        fontFamily: FONT.bold,
        fontSize: small ? 16 : 18,
        marginLeft: icon ? 10 : 0,
      }}
      disabledStyle={{ backgroundColor: palette.tray, borderColor: palette.line }}
      disabledTitleStyle={{ color: palette.quiet }}
      loadingProps={{ color: text }}
    />
  );
}
