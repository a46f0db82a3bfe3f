import { positive, zeroOrMore } from '../units';

/**
 * Tension in a slack strand from its sag, N.
 * @param weight of the chain per length, N/m
 * @param span free length, m
 * @param sag at mid-span, m
 * @see parabola approximation of the catenary, w·s²/(8 f)
 * @example slackTension(25, 0.8, 0.016) // 125
 */
export function slackTension(weight: number, span: number, sag: number): number {
  return (positive('weight', weight) * positive('span', span) ** 2) / (8 * positive('sag', sag));
}

/** Sag at mid-span that a slack tension gives, m: the inverse of {@link slackTension}. */
export function sagAt(weight: number, span: number, tension: number): number {
  return (
    (positive('weight', weight) * positive('span', span) ** 2) / (8 * positive('tension', tension))
  );
}

/**
 * Extra length a sagging strand holds over a straight one, in the unit of its arguments.
 * @see 8 f²/(3 s)
 * @example extraLength(800, 16) // 0.853 (mm)
 */
export function extraLength(span: number, sag: number): number {
  return (8 * zeroOrMore('sag', sag) ** 2) / (3 * positive('span', span));
}

/**
 * Total mid-span movement a chain should have when no spec says, in the unit of the span.
 * Shop rule: 4 % of the span for level drives, 2 % for steep ones. The maker's manual overrides
 * through the spec.
 */
export function usualMovement(span: number, drive: 'level' | 'steep'): number {
  return positive('span', span) * (drive === 'level' ? 0.04 : 0.02);
}
