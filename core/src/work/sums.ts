import type { Check, MachineCosts, WorkSums } from '../contracts';
import { stopOf } from '../kinds';
import type { CheckVerdict } from '../verdict';
import type { ProposedWork } from './propose';

/**
 * Both sums of some work: doing it now, and leaving it.
 * @param check what it is done on
 * @param verdict that calls for it; undefined where none does
 * @returns undefined where the branch has not said its costs
 */
export function sumsOf(
  work: Pick<ProposedWork, 'minutes' | 'cover' | 'parts'>,
  check: Check,
  verdict: CheckVerdict | undefined,
  costs: MachineCosts | null,
): WorkSums | undefined {
  if (!costs) return undefined;
  const unpriced = work.parts.filter((p) => costs.prices[p.number] === undefined);
  const parts = work.parts.reduce(
    (sum, p) => sum + (costs.prices[p.number] ?? 0) * (p.order ?? p.quantity),
    0,
  );
  const labour = ((work.minutes + (work.cover?.minutes ?? 0)) / 60) * costs.labourHour;
  const stop = stopOf(check, parts);
  const ifItGoes =
    stop.stopHours * costs.stopHour + stop.collateral + (stop.fieldMinutes / 60) * costs.labourHour;
  const chance = foreseenOf(verdict)?.chance;
  return {
    currency: costs.currency,
    now: unpriced.length ? null : parts + labour,
    sooner: foreseenOf(verdict)?.sums?.renew ?? null,
    unpriced: unpriced.map((p) => p.number),
    ifItGoes,
    chance: chance ?? null,
    left: chance === undefined ? null : chance * ifItGoes,
  };
}

/** The likeliest of what is forecast of its places. */
function foreseenOf(verdict: CheckVerdict | undefined) {
  return (verdict?.places ?? [])
    .flatMap((p) =>
      p.findings.flatMap((f) =>
        f.id === 'notWorthLeaving' ||
        f.id === 'notWorthLeavingLong' ||
        f.id === 'notWorthLeavingSet' ||
        f.id === 'reachesLimit'
          ? [f.numbers]
          : [],
      ),
    )
    .sort((a, b) => b.chance - a.chance)[0];
}
