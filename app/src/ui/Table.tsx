import type { Href } from 'expo-router';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Go } from './Go';
import { Tap } from './Tap';
import { usePalette } from './theme';
import { RADIUS, SPACE, STROKE, TARGET } from './tokens';
import { Strong } from './Words';

/** One column of a table. */
export interface Column<T> {
  readonly key: string;
  readonly title: string;
  /** share of the width */
  readonly flex: number;
  readonly cell: (row: T) => ReactNode;
  /** what it is sorted by; not sortable when absent */
  readonly by?: (row: T) => string | number;
}

interface TableProps<T> {
  readonly label: string;
  readonly rows: readonly T[];
  readonly columns: readonly Column<T>[];
  readonly keyOf: (row: T) => string;
  readonly to: (row: T) => Href;
  /** what a row is called by a screen reader */
  readonly said: (row: T) => string;
  readonly testID?: (row: T) => string;
  /** rows that can be chosen have a box before them */
  readonly chosen?: (row: T) => boolean;
  readonly onChoose?: (row: T) => void;
}

/** Rows and sortable columns, for a wide screen; a tap anywhere in a row follows its link. */
export function Table<T>({ label, rows, columns, keyOf, to, said, ...rest }: TableProps<T>) {
  const { testID, chosen, onChoose } = rest;
  const palette = usePalette();
  const [sort, setSort] = useState<{ key: string; down: boolean } | undefined>();
  const column = columns.find((c) => c.key === sort?.key);
  const shown = column?.by ? sorted(rows, column.by, sort?.down ?? false) : rows;
  const press = (key: string) => setSort({ key, down: sort?.key === key ? !sort.down : false });
  return (
    <View
      role="table"
      aria-label={label}
      style={[styles.table, { borderColor: palette.line, backgroundColor: palette.card }]}
    >
      <View role="row" style={[styles.row, { backgroundColor: palette.tray }]}>
        {onChoose ? (
          <View role="columnheader" style={styles.choose}>
            <Strong>Take</Strong>
          </View>
        ) : null}
        {columns.map((c) => (
          <View
            key={c.key}
            role="columnheader"
            style={{ flex: c.flex }}
            {...(c.by ? { 'aria-sort': sortOf(sort, c.key) } : {})}
          >
            {c.by ? (
              <Tap label={`sort by ${c.title}`} onPress={() => press(c.key)} style={styles.head}>
                <Strong>{`${c.title}${sort?.key === c.key ? (sort.down ? ' ↓' : ' ↑') : ''}`}</Strong>
              </Tap>
            ) : (
              <View style={styles.head}>
                <Strong>{c.title}</Strong>
              </View>
            )}
          </View>
        ))}
      </View>
      {shown.map((row) => (
        <View
          key={keyOf(row)}
          role="row"
          style={[styles.row, styles.line, { borderTopColor: palette.line }]}
        >
          {onChoose ? (
            <View role="cell" style={styles.choose}>
              <Tap
                role="checkbox"
                selected={chosen?.(row) ?? false}
                label={`Take ${said(row)}`}
                testID={`take ${keyOf(row)}`}
                onPress={() => onChoose(row)}
                style={[
                  styles.box,
                  {
                    borderColor: palette.pine,
                    backgroundColor: chosen?.(row) ? palette.pineTint : palette.card,
                  },
                ]}
              >
                {chosen?.(row) ? <Strong tone="pine">✕</Strong> : <View />}
              </Tap>
            </View>
          ) : null}
          {columns.map((c, i) => (
            <View key={c.key} role="cell" style={[{ flex: c.flex }, i ? null : styles.first]}>
              {c.cell(row)}
              {i ? null : (
                <Go to={to(row)} label={said(row)} testID={testID?.(row)} style={styles.over}>
                  <View />
                </Go>
              )}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

function sortOf(sort: { key: string; down: boolean } | undefined, key: string) {
  if (sort?.key !== key) return 'none' as const;
  return sort.down ? ('descending' as const) : ('ascending' as const);
}

function sorted<T>(
  rows: readonly T[],
  by: (row: T) => string | number,
  down: boolean,
): readonly T[] {
  const way = down ? -1 : 1;
  return [...rows].sort((a, b) => {
    const [x, y] = [by(a), by(b)];
    if (x === y) return 0;
    return way * (x < y ? -1 : 1);
  });
}

const styles = StyleSheet.create({
  table: { borderWidth: STROKE.thin, borderRadius: RADIUS.l, overflow: 'hidden' },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.m,
    paddingHorizontal: SPACE.m,
    minHeight: TARGET.glove,
  },
  line: { borderTopWidth: STROKE.thin, paddingVertical: SPACE.s },
  // the link belongs to the first cell and lies over its whole row: above the other cells, each of
  // which is a layer of its own
  first: { position: 'static', zIndex: 1 },
  over: { position: 'absolute', left: 0, right: 0, top: 0, bottom: 0, zIndex: 1 },
  // above the link that lies over the row
  choose: { width: TARGET.glove, zIndex: 2 },
  box: {
    width: TARGET.desk,
    height: TARGET.desk,
    borderWidth: STROKE.chosen,
    borderRadius: RADIUS.m,
    alignItems: 'center',
    justifyContent: 'center',
  },
  head: { justifyContent: 'center', minHeight: TARGET.desk },
});
