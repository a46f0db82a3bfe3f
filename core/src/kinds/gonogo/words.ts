import type { FindingNumbers, GaugeNumbers, Sentences } from '../../findings';

/** What the gauge showed. */
export const gaugeWords = ({ gauge, fits }: GaugeNumbers): string =>
  `${gauge} ${fits ? 'fits' : 'does not fit'}`;

export const GAUGE_SENTENCES = {
  gaugeOut: (n) => `${gaugeWords(n)}: worn out.`,
  gaugeOff: (n) => `${gaugeWords(n)}: set it.`,
  gaugeTurn: (n) => `${gaugeWords(n)}: this edge is worn, turn it to the good one.`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

export const insideGauge = (n: GaugeNumbers): string => `${gaugeWords(n)}, as it should.`;
