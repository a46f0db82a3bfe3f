import { StyleSheet, View, type TextInput } from 'react-native';
import { LIMIT_COLUMNS, type LimitColumn, type LimitRow } from '@green-tally/core/figures';
import { Card, Heading, Quiet, Row, SPACE, STROKE, Strong, usePalette, useWide } from '../../ui';
import { useCells } from '../grid/useCells';
import { LimitCell } from './LimitCell';
import { readBlock } from './table';
import type { Limits } from './useLimits';

interface FiguresProps {
  readonly limits: Limits;
  readonly rows: readonly LimitRow[];
  readonly onTyped: (row: LimitRow) => void;
  readonly onTable: (table: readonly (readonly string[])[]) => void;
}

/** The figures: a table when wide, a card for each row on a phone. */
export function Figures({ limits, rows, onTyped, onTable }: FiguresProps) {
  const wide = useWide();
  const cells = useCells();
  const keys = {
    onBlock: (row: LimitRow, column: LimitColumn, text: string) => {
      const block = readBlock(text);
      if (block[0]?.some((c) => /^check$/i.test(c.trim()))) {
        onTable(block);
        return true;
      }
      return limits.pasteAt(row, column, block) > 0;
    },
    onStep: (row: LimitRow, column: LimitColumn, by: number) =>
      cells.step(
        rows.filter((r) => r.asks[column] !== undefined).map((r) => r.key),
        row.key,
        column,
        by,
      ),
    register: (row: LimitRow, column: LimitColumn, input: TextInput | null) =>
      cells.register(row.key, column, input),
  };
  const typing: Limits = {
    ...limits,
    type: (row, column, text) => {
      onTyped(row);
      limits.type(row, column, text);
    },
  };
  return wide ? (
    <FigureTable limits={typing} rows={rows} keys={keys} />
  ) : (
    <View style={styles.cards}>
      {rows.map((row) => (
        <Card key={row.key} edge={row.entered ? 'pine' : 'line'} testID={`figures ${row.key}`}>
          <RowName row={row} />
          <Row style={styles.asked}>
            {LIMIT_COLUMNS.map((column) => (
              <LimitCell
                key={column}
                limits={typing}
                row={row}
                column={column}
                labelled
                {...keys}
              />
            ))}
          </Row>
        </Card>
      ))}
    </View>
  );
}

function RowName({ row }: { readonly row: LimitRow }) {
  return (
    <View>
      <Strong>{`${row.entered ? '✓ ' : ''}${row.component}`}</Strong>
      <Quiet>{[row.measures, row.place, PART_WORDS[row.part]].filter(Boolean).join(' · ')}</Quiet>
    </View>
  );
}

const PART_WORDS: Readonly<Record<LimitRow['part'], string>> = {
  limit: '',
  mark: 'its mark',
  slot: 'its adjuster',
  chain: 'its chain',
  amount: '',
  total: '',
  options: 'by crop',
};

const HEADS: Readonly<Record<LimitColumn, string>> = {
  new: 'New',
  low: 'Low',
  high: 'High',
  limit: 'Limit',
  unit: 'Unit',
  page: 'Page',
};

interface FigureTableProps {
  readonly limits: Limits;
  readonly rows: readonly LimitRow[];
  readonly keys: Pick<Parameters<typeof LimitCell>[0], 'onBlock' | 'onStep' | 'register'>;
}

function FigureTable({ limits, rows, keys }: FigureTableProps) {
  const palette = usePalette();
  return (
    <View
      role="table"
      aria-label="Limits"
      style={[styles.table, { borderColor: palette.line, backgroundColor: palette.card }]}
    >
      <View role="row" style={[styles.line, { backgroundColor: palette.tray }]}>
        <View role="columnheader" style={styles.name}>
          <Heading>Check</Heading>
        </View>
        {LIMIT_COLUMNS.map((c) => (
          <View key={c} role="columnheader" style={{ flex: FLEX[c] }}>
            <Heading>{HEADS[c]}</Heading>
          </View>
        ))}
      </View>
      {rows.map((row) => (
        <View
          key={row.key}
          role="row"
          testID={`figures ${row.key}`}
          style={[styles.line, styles.ruled, { borderTopColor: palette.line }]}
        >
          <View role="rowheader" style={styles.name}>
            <RowName row={row} />
          </View>
          {LIMIT_COLUMNS.map((column) => (
            <View key={column} role="cell" style={{ flex: FLEX[column] }}>
              <LimitCell limits={limits} row={row} column={column} {...keys} />
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

const FLEX: Readonly<Record<LimitColumn, number>> = {
  new: 3,
  low: 2,
  high: 2,
  limit: 2,
  unit: 1.4,
  page: 3,
};

const styles = StyleSheet.create({
  cards: { gap: SPACE.m },
  asked: { alignItems: 'flex-start' },
  table: { borderWidth: STROKE.thin, borderRadius: SPACE.l, overflow: 'hidden' },
  line: { flexDirection: 'row', gap: SPACE.s, padding: SPACE.s, alignItems: 'center' },
  ruled: { borderTopWidth: STROKE.thin },
  name: { flex: 5 },
});
