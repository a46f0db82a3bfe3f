import type { Decision } from '../contracts';
import type { Finding } from './finding';

/**
 * What a reading can show, and what it leads to. Written top down: the first finding present
 * decides; the rest are told as well.
 * The order follows the trade: what is broken is broken however it was measured; then a void
 * reading proves nothing; then wear
 * limits; then doubt; then tension; then what is only to be watched.
 */
export const PRECEDENCE = [
  ['damaged', 'replace', 'cracked, frayed or bent: not worth leaving'],
  [
    'knivesLost',
    'replace',
    'missing, bent or worn on both edges, with the mates the sheet asks for',
  ],
  ['positionNotConfirmed', 'remeasure', 'the machine did not stand as the check wants'],
  [
    'implausible',
    'remeasure',
    'better than new, or further gone than can be: it was kept, it proves nothing',
  ],
  ['twoSay', 'remeasure', 'two people read it in one walk, and they do not say the same'],
  ['skipped', 'remeasure', 'nobody measured it'],
  ['notMeasured', 'remeasure', 'the travel left alone was read'],
  ['looksFineOnly', 'remeasure', 'a look alone never passes it'],
  ['scatter', 'remeasure', 'the repeats differ more than the tool explains'],
  ['pastLimit', 'replace', 'proven at or past the wear limit'],
  [
    'limitReached',
    'replace',
    'the limit lies inside the uncertainty and nothing better can be had',
  ],
  ['limitWasReached', 'replace', 'at its limit before, and nothing renewed on record since'],
  ['gaugeOut', 'replace', 'the profile gauge says worn'],
  ['bandReplace', 'replace', 'outside its band, and nothing on it can be set'],
  ['tensionerFaulty', 'replace', 'a tensioner that sets itself stands off its mark'],
  ['fluidBad', 'replace', 'a colour that tells of water, heat or metal'],
  ['shrunk', 'remeasure', 'less worn than before without a new part'],
  ['notWorthLeaving', 'replace', 'inside now, and cheaper to renew than to leave through harvest'],
  ['limitInDoubt', 'remeasure', 'the limit lies inside the uncertainty'],
  ['stretchedOut', 'replace', 'travel used up and elongation at its limit, or no link count fits'],
  ['notSettled', 'remeasure', 'adjusted but not run and looked at again'],
  ['travelMissing', 'remeasure', 'tension without the travel left proves nothing'],
  ['falseTension', 'shorten', 'the indicator reads right but the adjuster is at its end'],
  ['travelGone', 'shorten', 'loose, and adjusting would use up the travel kept in reserve'],
  [
    'notWorthLeavingLong',
    'shorten',
    'travel left now, and cheaper to take links out than to run out of it in harvest',
  ],
  ['loose', 'adjust', 'short of tension, travel left'],
  ['overTight', 'adjust', 'past tension'],
  ['play', 'adjust', 'up-and-down play where there must be none'],
  ['sidesDiffer', 'adjust', 'left and right are adjusted unequally'],
  ['placesDiffer', 'adjust', 'places that must agree differ by more than the sheet allows'],
  ['bandAdjust', 'adjust', 'outside its band, and it can be set'],
  [
    'notWorthLeavingSet',
    'adjust',
    'inside its band now, and cheaper to set again than to leave through harvest',
  ],
  ['gaugeOff', 'adjust', 'the profile gauge says it is set wrong'],
  ['putRight', 'adjust', 'loose, packed, rubbing or bent: put right where it is'],
  ['otherProduct', 'adjust', 'filled or greased with another product than the book says'],
  ['otherFluid', 'adjust', 'another oil or fluid is in it than the book says'],
  ['tooMuch', 'adjust', 'more grease or oil than the book allows'],
  ['tooLittle', 'adjust', 'less grease or oil than the book asks for'],
  ['levelLow', 'adjust', 'level low'],
  ['levelHigh', 'adjust', 'level high'],
  ['settingDiffers', 'adjust', 'set for another crop or header'],
  ['serviceDue', 'adjust', 'a service has fallen due'],
  ['bandTurn', 'turn', 'outside its band, with a good edge to turn to'],
  ['gaugeTurn', 'turn', 'the profile gauge says worn, with a good edge to turn to'],
  ['edgeSpent', 'turn', 'an edge is spent, the other one good'],
  ['oneEdgeWorn', 'turn', 'one edge worn, the other still sharp'],
  ['bandInDoubt', 'remeasure', 'the edge of the band lies inside the uncertainty'],
  ['noLimit', 'due', 'what it is judged by is not entered yet'],
  ['fittedUnread', 'due', 'a new part was fitted and has not been read'],
  ['recheckDue', 'due', 'watched, and the hour to look again has come'],
  ['lapsed', 'due', 'what was read before no longer counts: read it again'],
  ['notRead', 'due', 'a place of it has not been read'],
  ['reachesLimit', 'watch', 'inside now, forecast to reach the limit before harvest ends'],
  ['travelLow', 'watch', 'in tension, with less travel than the reserve'],
  ['serviceInSeason', 'watch', 'a service falls due before harvest ends'],
  ['marked', 'watch', 'marked, not yet damaged'],
  ['fewMissing', 'watch', 'missing or damaged, no more than may wait'],
  ['settingNotGiven', 'watch', 'the sheet says nothing for this crop'],
  ['earlyRecheck', 'watch', 'a new part stretches and settles in its first hours'],
  ['inside', 'holds', 'inside its limits through this harvest'],
] as const satisfies readonly (readonly [string, Decision, string])[];

export type FindingId = (typeof PRECEDENCE)[number][0];

const RANK = new Map<FindingId, number>(PRECEDENCE.map(([id], i) => [id, i]));
const DECISION = new Map<FindingId, Decision>(PRECEDENCE.map(([id, decision]) => [id, decision]));

/**
 * The decision that findings lead to, and the findings in order of weight. Nothing found proves
 * nothing: remeasure.
 */
export function decide(findings: readonly Finding[]): {
  decision: Decision;
  findings: readonly Finding[];
} {
  const sorted =
    findings.length > 1 ? [...findings].sort((a, b) => rankOf(a.id) - rankOf(b.id)) : findings;
  const first = sorted[0];
  return { decision: first ? decisionOf(first.id) : 'remeasure', findings: sorted };
}

/** Place of a finding in the order of weight, 0 the weightiest. */
export const rankOf = (id: FindingId): number => RANK.get(id) ?? PRECEDENCE.length;

/** What a finding leads to when it is the weightiest. */
export function decisionOf(id: FindingId): Decision {
  return DECISION.get(id) ?? 'remeasure';
}

/** From loudest to quietest, for a check or a machine with several decisions. */
export const LOUDNESS: readonly Decision[] = [
  'replace',
  'shorten',
  'adjust',
  'turn',
  'remeasure',
  'due',
  'watch',
  'holds',
];

/** The loudest of some decisions. None prove nothing: remeasure. */
export function loudest(decisions: readonly Decision[]): Decision {
  return LOUDNESS.find((d) => decisions.includes(d)) ?? 'remeasure';
}

/** Whether a decision calls for work before harvest; what is due is for the walk. */
export function needsHand(decision: Decision): boolean {
  return decision !== 'holds' && decision !== 'watch' && decision !== 'due';
}
