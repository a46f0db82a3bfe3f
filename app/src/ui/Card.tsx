import type { ReactNode } from 'react';
import { View, type StyleProp, type ViewStyle } from 'react-native';
import { usePalette, type Palette } from './theme';

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
      style={[
        {
          backgroundColor: palette[fill],
          borderColor: palette[edge],
          borderWidth: 2,
          borderRadius: 16,
          padding: 14,
          gap: 8,
        },
        style,
      ]}
    >
      {children}
    </View>
  );
}

/** Things side by side, wrapping. */
export function Row({
  children,
  style,
  gap = 10,
}: {
  children: ReactNode;
  style?: StyleProp<ViewStyle>;
  gap?: number;
}) {
  return (
    <View style={[{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap }, style]}>
      {children}
    </View>
  );
}

/** A thin rule. */
export function Rule() {
  return <View style={{ height: 2, backgroundColor: usePalette().line }} />;
}
