import { useState, type ReactNode } from 'react';
import { Pressable, type StyleProp, type ViewStyle } from 'react-native';
import { usePalette } from './theme';

interface TapProps {
  readonly children: ReactNode;
  readonly onPress: () => void;
  readonly label: string;
  readonly style?: StyleProp<ViewStyle>;
  readonly testID?: string;
  readonly role?: 'button' | 'radio' | 'link' | 'tab';
  readonly selected?: boolean;
  readonly disabled?: boolean;
}

/** Anything that can be tapped or reached by keyboard, with a focus ring that shows. */
export function Tap({
  children,
  onPress,
  label,
  style,
  testID,
  role = 'button',
  selected,
  disabled = false,
}: TapProps) {
  const palette = usePalette();
  const [focused, setFocused] = useState(false);
  const states =
    role === 'radio'
      ? { 'aria-checked': selected ?? false }
      : role === 'tab'
        ? { 'aria-selected': selected ?? false }
        : {};
  return (
    <Pressable
      role={role}
      aria-label={label}
      {...states}
      disabled={disabled}
      testID={testID}
      onPress={onPress}
      onFocus={(e) => setFocused(byKeyboard(e.target))}
      onBlur={() => setFocused(false)}
      style={({ pressed }) => [
        { minHeight: 48, opacity: pressed ? 0.7 : disabled ? 0.5 : 1 },
        style,
        focused
          ? { outlineWidth: 3, outlineStyle: 'solid', outlineColor: palette.blue, outlineOffset: 2 }
          : { outlineWidth: 0 },
      ]}
    >
      {children}
    </Pressable>
  );
}

/** A tap needs no ring; a Tab key does. */
function byKeyboard(target: unknown): boolean {
  return (
    typeof HTMLElement === 'undefined' ||
    !(target instanceof HTMLElement) ||
    target.matches(':focus-visible')
  );
}
