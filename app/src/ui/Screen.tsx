import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { usePalette, useWide } from './theme';

interface ScreenProps {
  readonly children: ReactNode;
  /** what the thumb does, kept at the bottom */
  readonly footer?: ReactNode;
  /** stays above what scrolls */
  readonly head?: ReactNode;
  readonly testID?: string;
  /** fill the width even when wide */
  readonly full?: boolean;
  /** when wide, what the thumb does stands beside what scrolls, not below it */
  readonly beside?: boolean;
}

/** A screen: what scrolls, and what the thumb does below it. */
export function Screen({
  children,
  footer,
  head,
  testID,
  full = false,
  beside = false,
}: ScreenProps) {
  const palette = usePalette();
  const wide = useWide();
  const side = wide && beside && Boolean(footer);
  const column =
    wide && !side && !full
      ? { width: '100%' as const, maxWidth: 860, alignSelf: 'center' as const }
      : {};
  return (
    <View testID={testID} style={{ flex: 1, backgroundColor: palette.paper }}>
      {head ? <View style={[{ paddingHorizontal: 14, paddingTop: 8 }, column]}>{head}</View> : null}
      <View style={{ flex: 1, minHeight: 0, flexDirection: side ? 'row' : 'column' }}>
        <ScrollView
          style={{ flex: 1 }}
          contentContainerStyle={[{ padding: 14, gap: 12, paddingBottom: 28 }, column]}
          keyboardShouldPersistTaps="handled"
        >
          {children}
        </ScrollView>
        {footer ? (
          <View
            style={{
              backgroundColor: palette.tray,
              borderColor: palette.line,
              ...(side ? { width: 460, borderLeftWidth: 2 } : { borderTopWidth: 2 }),
            }}
          >
            <View style={[{ padding: 10, gap: 8 }, column]}>{footer}</View>
          </View>
        ) : null}
      </View>
    </View>
  );
}
