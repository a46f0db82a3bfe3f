import { useEffect, type ReactElement, type ReactNode } from 'react';
import {
  FlatList,
  ScrollView,
  StyleSheet,
  View,
  type StyleProp,
  type ViewStyle,
} from 'react-native';
import { usePalette, useWide } from './theme';
import { SPACE, STROKE } from './tokens';

/** Rows below the rest of a screen, of which only those near what is seen are drawn. */
export interface Rows<T> {
  readonly data: readonly T[];
  readonly keyOf: (row: T) => string;
  readonly draw: (row: T) => ReactElement;
  /** asks for more as the end comes near; undefined when there are no more */
  readonly more?: (() => void) | undefined;
  /** stands below the last row */
  readonly foot?: ReactElement | null;
}

interface ScreenProps<T> {
  readonly children: ReactNode;
  /** rows below the children, of a list that may be long */
  readonly rows?: Rows<T> | undefined;
  /** name of the page, for the window's title */
  readonly title?: string;
  /** what the thumb does, kept at the bottom */
  readonly footer?: ReactNode;
  /** stays above what scrolls */
  readonly head?: ReactNode;
  readonly testID?: string;
  /** fill the width even when wide */
  readonly full?: boolean;
  /** stands still: its parts scroll by themselves */
  readonly fixed?: boolean;
  /** when wide, what the thumb does stands beside what scrolls, not below it */
  readonly beside?: boolean;
  /** an {@link Over}, over all but the head */
  readonly over?: ReactNode;
}

/** A screen: what scrolls, and what the thumb does below it. */
export function Screen<T>({
  children,
  rows,
  title,
  footer,
  head,
  testID,
  full = false,
  fixed = false,
  beside = false,
  over,
}: ScreenProps<T>) {
  const palette = usePalette();
  const wide = useWide();
  usePageTitle(title);
  const side = wide && beside && Boolean(footer);
  const column = wide && !side && !full ? styles.column : null;
  return (
    <View testID={testID} style={[styles.screen, { backgroundColor: palette.paper }]}>
      {head ? <View style={[styles.head, column]}>{head}</View> : null}
      <View style={[styles.parts, side ? styles.sideBySide : null]}>
        {fixed ? (
          <View style={styles.fixed}>{children}</View>
        ) : (
          <Scrolls rows={rows} column={column}>
            {children}
          </Scrolls>
        )}
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
        {over}
      </View>
    </View>
  );
}

/** Lies over all of a screen but its head, as what it hides would lie there. */
export function Over({ children }: { readonly children: ReactNode }) {
  const palette = usePalette();
  const wide = useWide();
  return (
    <View aria-hidden style={[styles.lies, { backgroundColor: palette.paper }]}>
      <View style={[styles.content, wide ? styles.column : null]}>{children}</View>
    </View>
  );
}

interface ScrollsProps<T> extends Pick<ScreenProps<T>, 'children' | 'rows'> {
  readonly column: StyleProp<ViewStyle>;
}

/** What scrolls: all of it, or rows of which only those near what is seen are drawn. */
function Scrolls<T>({ children, rows, column }: ScrollsProps<T>) {
  return rows ? (
    <FlatList
      style={styles.scrolls}
      contentContainerStyle={[styles.content, column]}
      keyboardShouldPersistTaps="handled"
      data={rows.data as T[]}
      keyExtractor={rows.keyOf}
      renderItem={({ item }) => rows.draw(item)}
      initialNumToRender={FIRST_DRAWN}
      onEndReachedThreshold={1}
      onEndReached={rows.more}
      ListHeaderComponent={<View style={styles.over}>{children}</View>}
      ListFooterComponent={rows.foot ?? null}
    />
  ) : (
    <ScrollView
      style={styles.scrolls}
      contentContainerStyle={[styles.content, column]}
      keyboardShouldPersistTaps="handled"
    >
      {children}
    </ScrollView>
  );
}

/** So many rows are drawn at once; further ones follow. */
const FIRST_DRAWN = 24;

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
  lies: { position: 'absolute', top: 0, bottom: 0, left: 0, right: 0 },
  scrolls: { flex: 1 },
  fixed: { flex: 1, minHeight: 0, padding: SPACE.m, gap: SPACE.s },
  over: { gap: SPACE.m },
  content: { padding: SPACE.m, gap: SPACE.m, paddingBottom: SPACE.xl },
  below: { borderTopWidth: STROKE.thin },
  beside: { width: 460, borderLeftWidth: STROKE.thin },
  footer: { padding: SPACE.s, gap: SPACE.s },
});
