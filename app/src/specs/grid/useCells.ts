import { useRef } from 'react';
import type { TextInput } from 'react-native';

/** The inputs of a table, by row and column, to go from one to the next. */
export interface Cells {
  readonly register: (row: string, column: string, input: TextInput | null) => void;
  /**
   * To the same column of the row so many rows on.
   * @param rows keys of the rows that have this column, in their order
   * @returns whether there is one
   */
  readonly step: (rows: readonly string[], row: string, column: string, by: number) => boolean;
}

export function useCells(): Cells {
  const inputs = useRef(new Map<string, TextInput>());
  const keyOf = (row: string, column: string) => `${row}|${column}`;
  return {
    register: (row, column, input) => {
      if (input) inputs.current.set(keyOf(row, column), input);
      else inputs.current.delete(keyOf(row, column));
    },
    step: (rows, row, column, by) => {
      const next = rows[rows.indexOf(row) + by];
      const input = next === undefined ? undefined : inputs.current.get(keyOf(next, column));
      input?.focus();
      return input !== undefined;
    },
  };
}
