import { notA, plainCell, type CsvForm } from '../csv';

/** `sound`, `marked: cracks; fraying`, `damaged: bent // by a stone`: after // in one's own words. */
export const CONDITION_CSV: CsvForm<'condition'> = {
  read(row) {
    const [told = '', ...own] = row.cell('value').split(/\s*\/\/\s*/);
    const [said, grade = '', seen] =
      /^(sound|marked|damaged)(?:\s*:\s*(.+))?$/i.exec(told.trim()) ?? [];
    return said === undefined
      ? notA(
          row,
          'condition',
          'sound, marked: cracks; fraying or damaged: bent // in your own words',
        )
      : {
          kind: 'condition',
          grade: grade.toLowerCase(),
          seen: seen?.split(/\s*;\s*/) ?? [],
          found: own.join(' // '),
        };
  },
  write({ grade, seen, found }) {
    const told = `${grade}${seen.length ? `: ${seen.join('; ')}` : ''}`;
    return plainCell(found ? `${told} // ${found}` : told);
  },
};
