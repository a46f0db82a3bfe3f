import type { CountNumbers, FindingNumbers, Sentences } from '../../findings';

function lostWords(n: CountNumbers): string {
  const seen = [
    n.missing > 0 ? `${n.missing} missing` : '',
    n.damaged > 0 ? `${n.damaged} bent or cracked` : '',
    n.bothEdges > 0 ? `${n.bothEdges} worn on both edges` : '',
  ]
    .filter(Boolean)
    .join(', ');
  if (n.school === 'set') return `${seen} of ${n.total} ${n.counted}: renew the whole set.`;
  return `${seen} of ${n.total}: renew ${n.renew}${matesWords(n.mates)}.`;
}

const matesWords = (mates: number): string =>
  mates === 0
    ? ''
    : `, the ${mates} opposite ${mates === 1 ? 'mate' : 'mates'} among them, so that the rotor stays balanced`;

export const COUNT_SENTENCES = {
  knivesLost: lostWords,
  fewMissing: (n) =>
    `${n.bad} of ${n.total} ${n.counted} missing or damaged, ${n.allowed} may wait.`,
  oneEdgeWorn: (n) =>
    `${n.oneEdge} of ${n.total} worn on one edge: turn them, the other edge is good.`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

export const insideCount = (n: CountNumbers): string =>
  `All ${n.total} there${n.edges ? `, ${n.oneEdge} worn on one edge` : ''}.`;
