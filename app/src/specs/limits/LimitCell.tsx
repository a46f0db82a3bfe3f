import { StyleSheet, View, type TextInput } from 'react-native';
import type { LimitColumn, LimitRow } from '@green-tally/core/figures';
import { TARGET } from '../../ui';
import { GridCell } from '../grid/GridCell';
import type { Limits } from './useLimits';

interface LimitCellProps {
  readonly limits: Limits;
  readonly row: LimitRow;
  readonly column: LimitColumn;
  /** said above it on a phone; in a table its column says it */
  readonly labelled?: boolean;
  readonly onBlock: (row: LimitRow, column: LimitColumn, text: string) => boolean;
  /** to the same column so many rows on; whether there is one */
  readonly onStep: (row: LimitRow, column: LimitColumn, by: number) => boolean;
  readonly register: (row: LimitRow, column: LimitColumn, input: TextInput | null) => void;
}

/** One figure of a sheet. */
export function LimitCell({ limits, row, column, labelled = false, ...keys }: LimitCellProps) {
  const asked = row.asks[column];
  if (asked === undefined) return labelled ? null : <View style={styles.none} />;
  const place = row.place ? `, ${row.place}` : '';
  return (
    <GridCell
      name={`${row.component}, ${row.measures}${place}: ${asked}`}
      asked={asked}
      labelled={labelled}
      value={limits.cell(row, column)}
      onChange={(text) => limits.type(row, column, text)}
      trouble={limits.troubleOf(row, column)}
      maxLength={column === 'new' && row.part === 'options' ? 600 : 120}
      onStep={(by) => keys.onStep(row, column, by)}
      onBlock={(text) => keys.onBlock(row, column, text)}
      register={(input) => keys.register(row, column, input)}
    />
  );
}

const styles = StyleSheet.create({ none: { minHeight: TARGET.desk } });
