import type { CountCheck, ReadingValue } from '../contracts';
import { InputError } from '../units';
import type { Finding } from './precedence';

/**
 * Judges a counted set: lost or spent ones are renewed alone, with their opposite mates, or with the whole set, as the sheet asks; one-edged ones are turned.
 * Where each bad knife sits is not asked, so the mates are counted at their most: twice the bad ones, never more than the set.
 * @throws InputError when the counts are more than the set
 */
export function judgeCount(
  check: CountCheck,
  value: Extract<ReadingValue, { kind: 'count' }>,
): { findings: Finding[]; renew: number } {
  const bad = value.missing + value.damaged + value.bothEdges;
  if (bad + value.oneEdge > check.total)
    throw new InputError('count', bad + value.oneEdge, `no more than the ${check.total} there are`);
  const wanted = { each: bad, opposite: 2 * bad, set: bad > 0 ? check.total : 0 }[check.renew];
  const renew = Math.min(check.total, wanted);
  const numbers = {
    missing: value.missing,
    damaged: value.damaged,
    bothEdges: value.bothEdges,
    oneEdge: value.oneEdge,
    bad,
    renew,
    mates: renew - bad,
    total: check.total,
    counted: check.counted,
    school: check.renew,
    edges: check.turnFrom === undefined ? 0 : 1,
    allowed: check.allowed,
  };
  const findings: Finding[] = [];
  if (bad > 0) findings.push({ id: bad > check.allowed ? 'knivesLost' : 'fewMissing', numbers });
  if (check.turnFrom !== undefined && value.oneEdge >= check.turnFrom)
    findings.push({ id: 'oneEdgeWorn', numbers });
  if (!findings.length) findings.push({ id: 'inside', numbers });
  return { findings, renew: bad > check.allowed ? renew : 0 };
}
