import { notA, plainCell, type CsvForm } from '../csv';

/** `missing=1 damaged=0 one_edge=6 both_edges=0`; what is not named is none. */
export const COUNT_CSV: CsvForm<'count'> = {
  read(row) {
    const counts = new Map(
      [...row.cell('value').matchAll(/([a-z_]+)\s*=\s*(\d+)/gi)].map(([, name = '', count]) => [
        name.toLowerCase(),
        Number(count),
      ]),
    );
    if (counts.size === 0) return notA(row, 'count', 'missing=1 damaged=0 one_edge=6 both_edges=0');
    return {
      kind: 'count',
      missing: counts.get('missing') ?? 0,
      damaged: counts.get('damaged') ?? 0,
      oneEdge: counts.get('one_edge') ?? 0,
      bothEdges: counts.get('both_edges') ?? 0,
    };
  },
  write: (v) =>
    plainCell(
      `missing=${v.missing} damaged=${v.damaged} one_edge=${v.oneEdge} both_edges=${v.bothEdges}`,
    ),
};
