import type { ReadingValue } from '@green-tally/core/contracts';

export const travel = (left: number): ReadingValue => ({
  kind: 'travel',
  left,
  linksOut: 0,
  typed: String(left),
  unit: 'mm',
});
export const at: ReadingValue = { kind: 'mark', stands: 'at', by: 0 };
export const short = (by: number): ReadingValue => ({ kind: 'mark', stands: 'short', by });
export const knives = (
  missing: number,
  damaged: number,
  oneEdge: number,
  bothEdges: number,
): ReadingValue => ({ kind: 'count', missing, damaged, oneEdge, bothEdges });
export const RC = (serial: string) => ({ model: 'Merle 12', serial });
export const draper = (serial: string) => ({ model: 'Merle 10', serial });
export const flex = (serial: string) => ({ model: 'Tarn 7', serial });
export const rigid = (serial: string) => ({ model: 'Tarn 5', serial });
export const measured = (...values: number[]): ReadingValue => ({
  kind: 'measure',
  values,
  typed: values.map(String),
  unit: 'mm',
});
export const condition = (
  grade: 'marked' | 'damaged',
  seen: string[],
  found: string,
): ReadingValue => ({
  kind: 'condition',
  grade,
  seen,
  found,
});
export const level = (
  stands: 'low' | 'right' | 'high',
  more: { colour?: string; product?: string; toppedUp?: number } = {},
): ReadingValue => ({
  kind: 'level',
  level: stands,
  colour: more.colour ?? '',
  product: more.product ?? '',
  toppedUp: more.toppedUp ?? null,
});
export const serviced = (amount: number, product = ''): ReadingValue => ({
  kind: 'service',
  amount,
  product,
});
