/** A standard chain and its pitch, mm. */
export interface StandardChain {
  readonly name: string;
  readonly standard: 'ISO 606' | 'ISO 1275' | 'ISO 487';
  readonly pitch: number;
}

const chains = (
  standard: StandardChain['standard'],
  pitches: Readonly<Record<string, number>>,
): StandardChain[] => Object.entries(pitches).map(([name, pitch]) => ({ name, standard, pitch }));

/**
 * Pitches to offer: roller chains (ISO 606), double-pitch conveyor chains (ISO 1275), steel
 * agricultural chains (ISO 487).
 */
export const STANDARD_CHAINS: readonly StandardChain[] = [
  ...chains('ISO 606', {
    '08A': 12.7,
    '10A': 15.875,
    '12A': 19.05,
    '16A': 25.4,
    '20A': 31.75,
    '24A': 38.1,
  }),
  ...chains('ISO 1275', { '208A': 25.4, '210A': 31.75, '212A': 38.1, '216A': 50.8 }),
  ...chains('ISO 487', {
    S32: 29.21,
    S42: 34.93,
    S45: 41.4,
    S52: 38.1,
    S55: 41.4,
    S62: 41.91,
    S77: 58.34,
    S88: 66.27,
    C550: 41.4,
    C620: 42.01,
  }),
];

/**
 * Standard chains whose pitch is nearest to a measured one, nearest first: a worn chain measures a
 * little long, never short.
 * @param measured pitch, mm
 * @example likelyChains(41.9)[0]?.name // "S62"
 */
export function likelyChains(measured: number, most = 3): StandardChain[] {
  const grown = (chain: StandardChain) => measured / chain.pitch - 1;
  return STANDARD_CHAINS.filter((c) => grown(c) > -0.005 && grown(c) < 0.04)
    .sort((a, b) => Math.abs(grown(a)) - Math.abs(grown(b)))
    .slice(0, most);
}
