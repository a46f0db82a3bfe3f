import { useState, type ReactNode, type Ref } from 'react';
import { Pressable, StyleSheet, type StyleProp, type View, type ViewStyle } from 'react-native';
import { usePalette } from './theme';
import { STROKE, TARGET } from './tokens';

export interface TapProps {
  readonly children: ReactNode;
  readonly onPress: () => void;
  readonly label: string;
  readonly style?: StyleProp<ViewStyle>;
  readonly testID?: string | undefined;
  readonly role?: 'button' | 'checkbox' | 'radio' | 'tab';
  /** chosen, checked or pressed, as the role has it */
  readonly selected?: boolean;
  /** what it folds is open */
  readonly expanded?: boolean;
  readonly disabled?: boolean;
  /** -1 takes it out of the order of the Tab key */
  readonly tabIndex?: 0 | -1;
  readonly ref?: Ref<View>;
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
  expanded,
  disabled = false,
  tabIndex,
  ref,
}: TapProps) {
  const palette = usePalette();
  const [focused, setFocused] = useState(false);
  return (
    <Pressable
      ref={ref}
      role={role}
      aria-label={label}
      {...stateOf(role, selected)}
      {...(expanded === undefined ? {} : { 'aria-expanded': expanded })}
      {...(tabIndex === undefined ? {} : { tabIndex })}
      disabled={disabled}
      testID={testID}
      onPress={onPress}
      {...(role === 'button' || disabled ? {} : bySpace(onPress))}
      onFocus={(e) => setFocused(byKeyboard(e.target))}
      onBlur={() => setFocused(false)}
      style={({ pressed }) => [
        styles.tap,
        { opacity: pressed ? 0.7 : disabled ? 0.5 : 1 },
        style,
        focused ? [styles.focused, { outlineColor: palette.blue }] : styles.still,
      ]}
    >
      {children}
    </Pressable>
  );
}

/** Space is pressed on what is ticked or chosen; on buttons it is heard without this. */
const bySpace = (press: () => void): object => ({
  onKeyDown: (event: KeyPressed & { repeat?: boolean }) => {
    if (event.key !== ' ' || event.repeat) return;
    event.preventDefault();
    press();
  },
});

/** What a keyboard says, where there is one. */
export interface KeyPressed {
  readonly key: string;
  preventDefault: () => void;
}

/** How a role says that it is chosen. */
function stateOf(role: NonNullable<TapProps['role']>, selected: boolean | undefined) {
  switch (role) {
    case 'radio':
    case 'checkbox':
      return { 'aria-checked': selected ?? false };
    case 'tab':
      return { 'aria-selected': selected ?? false };
    case 'button':
      return selected === undefined ? {} : { 'aria-pressed': selected };
  }
}

/** A tap needs no ring; a Tab key does. */
export function byKeyboard(target: unknown): boolean {
  return (
    typeof HTMLElement === 'undefined' ||
    !(target instanceof HTMLElement) ||
    target.matches(':focus-visible')
  );
}

const styles = StyleSheet.create({
  tap: { minHeight: TARGET.glove },
  focused: { outlineWidth: STROKE.thick, outlineStyle: 'solid', outlineOffset: 2 },
  still: { outlineWidth: 0 },
});
