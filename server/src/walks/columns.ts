/** Columns of the open readings file, in the order written. Those starred must be there. */
export const COLUMNS = [
  'id',
  'machine*',
  'check*',
  'place*',
  'quantity*',
  'value*',
  'unit',
  'taken_at*',
  'hours*',
  'state',
  'by',
  'position_confirmed',
  'renewed',
  'repaired',
  'crop',
  'header',
  'settled',
  'links_out',
  'strikes',
  'walk',
  'tool',
  'note',
] as const;

/** Columns that must be there. */
export const REQUIRED = COLUMNS.filter((c) => c.endsWith('*')).map((c) => c.slice(0, -1));

/** Their names as the first line of the file has them. */
export const COLUMN_NAMES = COLUMNS.map((c) => c.replace('*', ''));
