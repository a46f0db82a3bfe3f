import { StyleSheet, View } from 'react-native';
import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { Go, Heading, Quiet, SPACE, STROKE, Strong, TARGET, usePalette } from '../../ui';
import type { FormField } from '../form';
import { GridCell } from '../grid/GridCell';
import { useCells } from '../grid/useCells';
import { readBlock } from '../limits/table';
import { checkPath } from '../words';
import { ofManyLines, type Column } from './columns';
import type { SheetTable } from './useSheetTable';

interface SheetGridProps {
  readonly sheet: SpecSheet;
  readonly table: SheetTable;
  readonly checks: readonly Check[];
  readonly columns: readonly Column[];
  readonly onTyped: (check: Check) => void;
}

/** Checks as the rows of a table that is written by keyboard. */
export function SheetGrid({ sheet, table, checks, columns, onTyped }: SheetGridProps) {
  const palette = usePalette();
  const cells = useCells();
  // the component names the row, unless it is written in it
  const named = columns[0]?.path !== 'component';
  const entry = (check: Check, column: Column, field: FormField) => {
    const text = table.text(check, field);
    if (ofManyLines(text))
      return (
        <Go
          to={checkPath(sheet.model, check.id, undefined)}
          label={`${check.component}, ${column.head}: several lines, in its form`}
        >
          <Quiet>several lines, in its form ›</Quiet>
        </Go>
      );
    return (
      <GridCell
        name={`${check.component}, ${check.measures}: ${column.head}`}
        asked={field.optional ? '' : column.head}
        value={text}
        onChange={(written) => {
          onTyped(check);
          table.type(check, field, written);
        }}
        trouble={table.troubleOf(check, field)}
        maxLength={field.as === 'long' ? 4000 : 120}
        onStep={(by) =>
          cells.step(
            checks.filter((c) => table.field(c, column)).map((c) => c.id),
            check.id,
            column.path,
            by,
          )
        }
        onBlock={(pasted) =>
          table.paste(
            {
              checks: checks.slice(checks.indexOf(check)),
              columns: columns.slice(columns.indexOf(column)),
            },
            readBlock(pasted),
          ) > 0
        }
        register={(input) => cells.register(check.id, column.path, input)}
      />
    );
  };
  return (
    <View
      role="table"
      aria-label={`Checks of ${sheet.model}`}
      style={[styles.table, { borderColor: palette.line, backgroundColor: palette.card }]}
    >
      <View role="row" style={[styles.line, { backgroundColor: palette.tray }]}>
        {named ? (
          <View role="columnheader" style={styles.name}>
            <Heading>Check</Heading>
          </View>
        ) : null}
        {columns.map((c) => (
          <View key={c.path} role="columnheader" style={[styles.cell, { flex: c.flex }]}>
            <Heading>{c.head}</Heading>
          </View>
        ))}
      </View>
      {checks.map((check) => (
        <View
          key={check.id}
          role="row"
          testID={`row ${check.id}`}
          style={[styles.line, styles.ruled, { borderTopColor: palette.line }]}
        >
          {named ? (
            <View role="rowheader" style={styles.name}>
              <Strong>{check.component}</Strong>
              <Quiet>{check.measures}</Quiet>
            </View>
          ) : null}
          {columns.map((column) => {
            const field = table.field(check, column);
            return (
              <View key={column.path} role="cell" style={[styles.cell, { flex: column.flex }]}>
                {field ? entry(check, column, field) : <View style={styles.none} />}
              </View>
            );
          })}
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  table: { borderWidth: STROKE.thin, borderRadius: SPACE.l, overflow: 'hidden' },
  line: { flexDirection: 'row', gap: SPACE.s, padding: SPACE.s, alignItems: 'flex-start' },
  ruled: { borderTopWidth: STROKE.thin },
  name: { flex: 4, minWidth: 0 },
  cell: { minWidth: 0 },
  none: { minHeight: TARGET.desk },
});
