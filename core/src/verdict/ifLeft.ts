import { printHours } from '../units';
import type { MachineFacts } from '../kinds';
import type { PlaceVerdict } from './judge';
import { chanceWords, needsHand } from '../findings';

/**
 * What happens if a place is left as it is: the chance, and the hours until then, by the same
 * forecast that judged it.
 */
export interface IfLeft {
  readonly id:
    'alreadyPast' | 'reachesInSeason' | 'lastsSeason' | 'travelEnds' | 'travelLasts' | 'unknown';
  /** chance of reaching the limit before harvest ends, 0 to 1 */
  readonly chance?: number;
  /** hours from now until the limit or the travel's end, likeliest */
  readonly hours?: number;
  /** of this harvest, h */
  readonly season: number;
}

/** The numbers of leaving it, from the verdict's own forecast or take-up plan. */
export function ifLeft(place: PlaceVerdict, facts: Pick<MachineFacts, 'seasonHours'>): IfLeft {
  const season = facts.seasonHours;
  const { forecast, wear, plan } = place;
  if (wear !== undefined && wear >= 1) return { id: 'alreadyPast', season };
  const now = plan?.choices.find((c) => c.action === 'adjust');
  if (forecast && !(now && now.hoursLeft < forecast.hours50))
    return {
      id: forecast.chance >= 0.5 ? 'reachesInSeason' : 'lastsSeason',
      chance: forecast.chance,
      hours: forecast.hours50,
      season,
    };
  if (now)
    return {
      id: now.hoursLeft <= season ? 'travelEnds' : 'travelLasts',
      hours: now.hoursLeft,
      season,
    };
  return { id: 'unknown', season };
}

/**
 * Leaving it, in one sentence with its numbers; empty when nothing can be reckoned or nothing needs
 * a hand.
 */
export function ifLeftSentence(
  place: PlaceVerdict,
  facts: Pick<MachineFacts, 'seasonHours'>,
): string {
  if (!needsHand(place.decision)) return '';
  const left = ifLeft(place, facts);
  const season = `this harvest's ${printHours(left.season)}`;
  const after =
    left.hours === undefined || !Number.isFinite(left.hours) ? '' : printHours(left.hours);
  const chance = chanceWords(left.chance ?? 0);
  switch (left.id) {
    case 'alreadyPast':
      return `It would go into ${season} past its limit.`;
    case 'reachesInSeason':
    case 'lastsSeason':
      return `Chance of reaching the limit within ${season}: ${chance}${after ? `, most likely after ${after}` : ''}.`;
    case 'travelEnds':
      return `Its travel would run out after about ${after || '0 h'} of ${season}.`;
    case 'travelLasts':
      return `Its travel lasts ${season}.`;
    case 'unknown':
      return '';
  }
}
