import type { CountNumbers, FindingNumbers, Sentences } from '../../findings';

function lostWords(n: CountNumbers): string {
  const seen = [
    n.missing > 0 ? `${n.missing} missing` : '',
    n.damaged > 0 ? `${n.damaged} bent or cracked` : '',
    n.bothEdges > 0 ? `${n.bothEdges} worn on both edges` : '',
  ]
    .filter(Boolean)
    .join(', ');
  const seenOf = `${seen}${ofTotal(n)}`;
  if (n.school === 'set') return `${seenOf} ${n.counted}: renew the whole set.`;
  if (n.school === 'hangers')
    return `${seenOf}: renew ${n.renew}, with all that hang beside and opposite, so that the rotor stays balanced.`;
  return `${seenOf}: renew ${n.renew}${matesWords(n.mates)}.`;
}

const matesWords = (mates: number): string =>
  mates === 0
    ? ''
    : `, the ${mates} opposite ${mates === 1 ? 'mate' : 'mates'} among them, so that the rotor stays balanced`;

const ofTotal = ({ total }: CountNumbers): string => (total === undefined ? '' : ` of ${total}`);

export const COUNT_SENTENCES = {
  knivesLost: lostWords,
  fewMissing: (n) =>
    `${n.bad}${ofTotal(n)} ${n.counted} missing or damaged, ${n.allowed} may wait.`,
  oneEdgeWorn: (n) =>
    `${n.oneEdge}${ofTotal(n)} worn on one edge: turn them, the other edge is good.`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

export const insideCount = (n: CountNumbers): string =>
  `All${n.total === undefined ? '' : ` ${n.total}`} there${n.edges ? `, ${n.oneEdge} worn on one edge` : ''}.`;
