import { rankOf } from '../findings';
import type { CheckVerdict, PlaceVerdict } from './judge';

/**
 * The place of a check that speaks for it: of those that share its decision the one with the
 * weightiest finding, then the furthest worn. What is past its limit is told before what might get
 * there.
 */
export function worstPlace({ decision, places }: CheckVerdict): PlaceVerdict | undefined {
  const same = places.filter((p) => p.decision === decision);
  // a check is due for a place that was never read: its loudest read one stands for it
  return [...(same.length ? same : places)].sort(
    (a, b) => weightOf(a) - weightOf(b) || (b.wear ?? 0) - (a.wear ?? 0),
  )[0];
}

const weightOf = ({ findings }: PlaceVerdict): number => {
  const [first] = findings;
  return first ? rankOf(first.id) : Infinity;
};
