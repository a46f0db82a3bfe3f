import { Link, type Href } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { Pressable, StyleSheet, type StyleProp, type ViewStyle } from 'react-native';
import { byKeyboard } from './Tap';
import { usePalette } from './theme';
import { STROKE, TARGET } from './tokens';

interface GoProps {
  readonly children: ReactNode;
  readonly to: Href;
  readonly label: string;
  readonly style?: StyleProp<ViewStyle>;
  readonly testID?: string | undefined;
  /** it leads to the place one is in */
  readonly here?: boolean;
  /** takes the place of this screen instead of going on from it: for ways back */
  readonly replace?: boolean;
}

/** A way to another place: a real link, which can be opened in another tab. */
export function Go({ children, to, label, style, testID, here = false, replace }: GoProps) {
  const palette = usePalette();
  const [focused, setFocused] = useState(false);
  return (
    <Link href={to} replace={replace ?? false} asChild>
      <Pressable
        role="link"
        aria-label={label}
        {...(here ? { 'aria-current': 'page' as const } : {})}
        testID={testID}
        onFocus={(e) => setFocused(byKeyboard(e.target))}
        onBlur={() => setFocused(false)}
        style={StyleSheet.flatten([
          styles.go,
          style,
          focused ? styles.focused : styles.still,
          { outlineColor: palette.blue },
        ])}
      >
        {children}
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  go: { minHeight: TARGET.glove },
  focused: { outlineWidth: STROKE.thick, outlineStyle: 'solid', outlineOffset: 2 },
  still: { outlineWidth: 0 },
});
