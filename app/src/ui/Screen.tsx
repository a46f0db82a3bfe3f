import { useEffect, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { usePalette, useWide } from './theme';
import { SPACE, STROKE } from './tokens';

interface ScreenProps {
  readonly children: ReactNode;
  /** name of the page, for the window's title */
  readonly title?: string;
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
  title,
  footer,
  head,
  testID,
  full = false,
  beside = false,
}: ScreenProps) {
  const palette = usePalette();
  const wide = useWide();
  usePageTitle(title);
  const side = wide && beside && Boolean(footer);
  const column = wide && !side && !full ? styles.column : null;
  return (
    <View testID={testID} style={[styles.screen, { backgroundColor: palette.paper }]}>
      {head ? <View style={[styles.head, column]}>{head}</View> : null}
      <View style={[styles.parts, side ? styles.sideBySide : null]}>
        <ScrollView
          style={styles.scrolls}
          contentContainerStyle={[styles.content, column]}
          keyboardShouldPersistTaps="handled"
        >
          {children}
        </ScrollView>
        {footer ? (
          <View
            style={[
              side ? styles.beside : styles.below,
              { backgroundColor: palette.tray, borderColor: palette.line },
            ]}
          >
            <View style={[styles.footer, column]}>{footer}</View>
          </View>
        ) : null}
      </View>
    </View>
  );
}

/** The window's title, so that a screen reader says where one has come. */
function usePageTitle(title: string | undefined): void {
  useEffect(() => {
    if (title && typeof document !== 'undefined') document.title = `${title} · Green Tally`;
  }, [title]);
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  head: { paddingHorizontal: SPACE.m, paddingTop: SPACE.s },
  column: { width: '100%', maxWidth: 860, alignSelf: 'center' },
  parts: { flex: 1, minHeight: 0 },
  sideBySide: { flexDirection: 'row' },
  scrolls: { flex: 1 },
  content: { padding: SPACE.m, gap: SPACE.m, paddingBottom: SPACE.xl },
  below: { borderTopWidth: STROKE.thin },
  beside: { width: 460, borderLeftWidth: STROKE.thin },
  footer: { padding: SPACE.s, gap: SPACE.s },
});
