import type { Check, Reading, WorkItem } from '../contracts';
import type { CheckVerdict } from '../verdict';
import { minutesFor, partsOf, unitsOf, type ProposedWork } from '../work';

/** A plan that was worked out on the bench for a check. */
export interface BenchPlan {
  readonly decision: 'adjust' | 'shorten' | 'turn' | 'replace';
  /** its moves, one after the other, in words */
  readonly moves: readonly string[];
  /** how many new parts it fits; undefined: as many as the sheet says */
  readonly fits?: number;
}

/** The more of these does all that the ones before it do. */
const MORE = ['adjust', 'shorten', 'turn', 'replace'] as const;

/**
 * Why a plan does less than the check calls for, in words; empty where it does not. What was found on
 * the bench and not in the check takes nothing away from what the check says.
 * @param readings of the machine
 */
export function doesLess(
  { check, decision, places }: CheckVerdict,
  readings: readonly Reading[],
  plan: BenchPlan,
): string {
  const called = MORE.findIndex((d) => d === decision);
  if (MORE.indexOf(plan.decision) < called)
    return `The check calls for more: ${decision}. Take what was found here to it first.`;
  if (check.kind !== 'count' || plan.fits === undefined) return '';
  const last = new Set(places.flatMap((p) => p.readingIds.at(-1) ?? []));
  const spent = readings.reduce(
    (sum, { id, value }) =>
      last.has(id) && value.kind === 'count'
        ? sum + value.missing + value.damaged + value.bothEdges
        : sum,
    0,
  );
  return plan.fits < spent
    ? `The check counted ${spent} that cannot stay, and this renews ${plan.fits}. Take the count to it first.`
    : '';
}

/** What a reason may hold. */
const REASON = 1000;

/**
 * The work a verdict calls for, done by a plan of the bench: its moves stand in the reason, and it
 * takes the parts and minutes that the plan takes. How it was proposed stands beside it where that
 * is another.
 */
export function byPlan(
  proposal: ProposedWork,
  check: Check,
  plan: BenchPlan,
): { readonly work: ProposedWork; readonly proposed: WorkItem['proposed'] } {
  const { decision, fits } = plan;
  const { minutes, parts } = proposal;
  const reason = withMoves(proposal.reason, plan.moves);
  if (decision === proposal.decision && fits === undefined)
    return { work: { ...proposal, reason }, proposed: null };
  const units = fits ?? unitsOf(check, proposal.places.length);
  const work = {
    ...proposal,
    reason,
    decision,
    minutes: Math.round(minutesFor(check, decision) * units),
    // by the sheet: what jobs have taken here was of what had been proposed
    learnt: null,
    mates: decision === proposal.decision ? proposal.mates : [],
    parts: decision === 'replace' ? partsOf(check, proposal.places, units) : [],
  };
  const same = decision === proposal.decision && sameParts(work.parts, parts);
  return same
    ? { work: { ...proposal, reason }, proposed: null }
    : { work, proposed: { decision: proposal.decision, minutes, parts } };
}

const sameParts = (a: WorkItem['parts'], b: WorkItem['parts']): boolean =>
  a.length === b.length &&
  a.every((p, i) => p.number === b[i]?.number && p.quantity === b[i].quantity);

/** As many moves as there is room for; that there are more is said. */
function withMoves(reason: string, moves: readonly string[]): string {
  const begun = `${reason} Plan: `;
  for (let shown = moves.length; shown >= 0; shown -= 1) {
    const rest = moves.length - shown;
    const text = `${begun}${[...moves.slice(0, shown), ...(rest ? [`and ${rest} more on the bench`] : [])].join('; ')}.`;
    if (text.length <= REASON) return text;
  }
  return reason;
}
