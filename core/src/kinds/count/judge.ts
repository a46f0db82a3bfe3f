import type { CountCheck, Reading, ValueOf } from '../../contracts';
import type { CountNumbers, Finding } from '../../findings';
import { InputError } from '../../units';
import { NOT_MEASURED, shown, type Seen, type Shown } from '../kind';

/** What is missing or spent of a counted set. */
export function judgeCount(check: CountCheck, { main }: Seen): Shown {
  if (main.value.kind !== 'count') return shown([NOT_MEASURED]);
  const numbers = countOf(check, main.value);
  const findings: Finding[] = [];
  const lost = numbers.bad > check.allowed;
  if (numbers.bad > 0) findings.push({ id: lost ? 'knivesLost' : 'fewMissing', numbers });
  if (check.turnFrom !== undefined && numbers.oneEdge >= check.turnFrom)
    findings.push({ id: 'oneEdgeWorn', numbers });
  return shown(
    findings.length ? findings : [{ id: 'inside', numbers: { shows: 'count', ...numbers } }],
    { renew: lost ? numbers.renew : 0 },
  );
}

/**
 * Counts a set: lost or spent ones are renewed alone, with their opposite mates, or with the whole
 * set, as the sheet asks.
 * Where each bad one sits is not asked, so the mates are counted at their most: each bad one on a
 * hanger of its own, with no other bad one opposite; never more than the set.
 * @throws InputError when the counts are more than the set
 */
export function countOf(check: CountCheck, value: ValueOf<'count'>): CountNumbers {
  const { missing, damaged, oneEdge, bothEdges } = value;
  const { total, counted, allowed, renew: school } = check;
  const bad = missing + damaged + bothEdges;
  const there = total ?? Infinity;
  if (bad + oneEdge > there)
    throw new InputError('count', bad + oneEdge, `no more than the ${there} there are`);
  const wanted = {
    each: bad,
    opposite: 2 * bad,
    hangers: 2 * check.perHanger * bad,
    set: bad > 0 ? (total ?? bad) : 0,
  }[school];
  const renew = Math.min(there, wanted);
  const edges = check.turnFrom !== undefined;
  const mates = renew - bad;
  return {
    missing,
    damaged,
    oneEdge,
    bothEdges,
    bad,
    renew,
    mates,
    total,
    counted,
    allowed,
    school,
    edges,
  };
}

/** Lost or spent ones stay so until they are renewed, and a worn edge until it is turned. */
export function spoiltCount(check: CountCheck, { value }: Reading): Finding | undefined {
  if (value.kind !== 'count') return undefined;
  const numbers = countOf(check, value);
  if (numbers.bad > check.allowed) return { id: 'knivesLost', numbers };
  return check.turnFrom !== undefined && numbers.oneEdge >= check.turnFrom
    ? { id: 'oneEdgeWorn', numbers }
    : undefined;
}
