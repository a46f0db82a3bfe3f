import { notA, plainCell, type CsvForm } from '../csv';

/** `sound`, `marked: cracks; fraying`, `damaged: bent`. */
export const CONDITION_CSV: CsvForm<'condition'> = {
  read(row) {
    const [said, grade = '', seen] =
      /^(sound|marked|damaged)(?:\s*:\s*(.+))?$/i.exec(row.cell('value')) ?? [];
    return said === undefined
      ? notA(row, 'condition', 'sound, marked: cracks; fraying or damaged: bent')
      : { kind: 'condition', grade: grade.toLowerCase(), seen: seen?.split(/\s*;\s*/) ?? [] };
  },
  write({ grade, seen, found }) {
    const all = [...seen, ...(found ? [found] : [])];
    return plainCell(`${grade}${all.length ? `: ${all.join('; ')}` : ''}`);
  },
};
