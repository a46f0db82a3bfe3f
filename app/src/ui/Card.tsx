import type { ReactNode } from 'react';
import { StyleSheet, View, type StyleProp, type ViewStyle } from 'react-native';
import { useHand } from './hand';
import { usePalette, type Palette } from './theme';
import { RADIUS, SPACE, STROKE } from './tokens';

interface CardProps {
  readonly children: ReactNode;
  /** border colour; the quiet line unless said */
  readonly edge?: keyof Palette;
  readonly fill?: keyof Palette;
  readonly style?: StyleProp<ViewStyle>;
  readonly testID?: string;
}

/** A sheet of paper on the bench. */
export function Card({ children, edge = 'line', fill = 'card', style, testID }: CardProps) {
  const palette = usePalette();
  return (
    <View
      testID={testID}
      style={[styles.card, { backgroundColor: palette[fill], borderColor: palette[edge] }, style]}
    >
      {children}
    </View>
  );
}

interface RowProps {
  readonly children: ReactNode;
  readonly style?: StyleProp<ViewStyle>;
  readonly gap?: number;
  /** the first and the last stand at the two ends */
  readonly apart?: boolean;
}

/** Things side by side, wrapping. */
export function Row({ children, style, gap = SPACE.m, apart = false }: RowProps) {
  return <View style={[styles.row, { gap }, apart ? styles.apart : null, style]}>{children}</View>;
}

/** Buttons side by side, each as wide as the others; what leads on lies under the thumb. */
export function Buttons({ children }: { children: ReactNode }) {
  const [hand] = useHand();
  return <View style={[styles.buttons, hand === 'left' ? styles.forLeft : null]}>{children}</View>;
}

/** A thin rule. */
export function Rule() {
  return <View style={[styles.rule, { backgroundColor: usePalette().line }]} />;
}

const styles = StyleSheet.create({
  card: {
    borderWidth: STROKE.thin,
    borderRadius: RADIUS.l,
    padding: SPACE.m,
    gap: SPACE.s,
  },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center' },
  apart: { justifyContent: 'space-between' },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  forLeft: { flexDirection: 'row-reverse' },
  rule: { height: 2 },
});
