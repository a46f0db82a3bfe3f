import type { CountCheck, ReadingValue } from '../contracts';
import { InputError } from '../units';
import type { Finding } from './precedence';

/**
 * Judges a counted set: lost or spent ones are renewed with their opposite mates, one-edged ones are turned.
 * Where each bad knife sits is not asked, so the mates are counted at their most: twice the bad ones, never more than the set.
 * @throws InputError when the counts are more than the set
 */
export function judgeCount(check: CountCheck, value: Extract<ReadingValue, { kind: 'count' }>): { findings: Finding[]; renew: number } {
  const bad = value.missing + value.damaged + value.bothEdges;
  if (bad + value.oneEdge > check.total) throw new InputError('count', bad + value.oneEdge, `no more than the ${check.total} there are`);
  const renew = Math.min(check.total, check.oppositeMates ? 2 * bad : bad);
  const numbers = { missing: value.missing, damaged: value.damaged, bothEdges: value.bothEdges, oneEdge: value.oneEdge, bad, renew, mates: renew - bad, total: check.total };
  const findings: Finding[] = [];
  if (bad > 0) findings.push({ id: 'knivesLost', numbers });
  if (value.oneEdge >= check.turnFrom) findings.push({ id: 'oneEdgeWorn', numbers });
  if (!findings.length) findings.push({ id: 'inside', numbers });
  return { findings, renew };
}
