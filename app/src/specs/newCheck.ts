import { Check, type SpecSheet } from '@green-tally/core/contracts';
import { atEndOfStation, freeId } from './sheetChanges';
import { slugOf } from './slug';

/** What only a kind has, at its plainest: enough to be valid, to be changed at once. */
const PLAINEST: Readonly<Record<Check['kind'], object>> = {
  measure: {
    method: 'clearance',
    limit: { type: 'band', low: 1, high: 2 },
    tool: { name: 'Caliper', resolution: 0.1 },
  },
  series: {
    method: 'clearance',
    limit: { type: 'band', low: 1, high: 2 },
    outOfFamily: 1,
    places: ['left', 'right'],
    tool: { name: 'Caliper', resolution: 0.1 },
  },
  mark: { method: 'tip-to-tip', gauge: { length: 40, past: 2 }, maxSideDifference: 3 },
  feel: { method: 'elevator-feel', good: ['justSlides', 'slidesEasily'] },
  gonogo: { method: 'gonogo', gauge: 'Wear gauge', good: 'doesNotFit' },
  count: { method: 'look', counted: 'bolts', total: 4, renew: 'each' },
  condition: { method: 'look', looksFor: ['cracked', 'loose'] },
  level: { method: 'level-eye', eye: 'sight glass', product: 'as the book says' },
  setting: { method: 'setting', options: ['low', 'high'], expected: [{ option: 'low' }] },
  service: { method: 'grease', asks: 'strokes', amount: 2, product: 'Grease NLGI 2' },
};

/**
 * A new check for a sheet, plain but valid, after the last one of its station.
 * @param component what it is called; its id is made from it, and kept different from all others
 * @returns the sheet with it, and its id
 */
export function withNewCheck(
  sheet: SpecSheet,
  kind: Check['kind'],
  station: { readonly station: number; readonly stationName: string },
  component: string,
): { sheet: SpecSheet; id: string } {
  const id = freeId(sheet, slugOf(component, 'check'));
  const check = Check.parse({
    id,
    station: station.station,
    stationName: station.stationName,
    component: component.trim(),
    measures: 'what is read',
    kind,
    on: sheet.machine,
    places: ['here'],
    position:
      sheet.checks.find((c) => c.station === station.station)?.position ??
      sheet.positions[0]?.name ??
      'Header down in working position',
    how: '',
    why: '',
    tool: { name: 'By eye and glove', resolution: 1 },
    labour: { measure: 3 },
    labourPer: 'check',
    ifLeft: 'Say what happens if it is left.',
    safety: ['Engine stopped, key out and on you, isolator off, all motion run down.'],
    source: 'Say book and page.',
    ...PLAINEST[kind],
  });
  return { id, sheet: { ...sheet, checks: atEndOfStation(sheet.checks, check) } };
}
