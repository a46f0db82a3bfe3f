import { takeUpOf, type Check, type Feel } from '../../contracts';
import type {
  FindingNumbers,
  InsideNumbers,
  Sentences,
  Speech,
  TensionNumbers,
  TravelNumbers,
} from '../../findings';
import { printNumber } from '../../units';

export const FEEL_WORDS: Readonly<Record<Feel, string>> = {
  stuck: 'stuck',
  justSlides: 'just slides',
  slidesEasily: 'slides easily',
  hangs: 'hangs loose',
};

/** The slot of a check's adjuster, for its drawing. */
export function slotWords(check: Check): string {
  const takeUp = takeUpOf(check);
  return takeUp ? `; slot ${takeUp.total} mm long` : '';
}

const leftOf = (n: TravelNumbers, say: Speech): string =>
  `${say.value(n.left, 0)} of the ${say.value(n.total, 0)} travel`;

const chainPercent = (value: number): string => `${printNumber(value, 2)} %`;

function shortenHint({ shorten }: TravelNumbers, say: Speech): string {
  if (!shorten) return '';
  const offset = shorten.offsetLink ? ' (odd count: needs an offset link, or one removed)' : '';
  return ` Take out ${linksWords(shorten.linksOut)}${offset}, then ${say.value(shorten.travelLeft, 0)} of travel.`;
}

const linksWords = (links: number): string =>
  ['', 'one half link', 'one whole link'][links] ?? `${links} half links`;

function looseWords({ tension, left }: FindingNumbers['loose'], say: Speech): string {
  const how = 'feel' in tension ? `${feelWords(tension)}: too loose` : shortWords(tension, say);
  return left === undefined
    ? `${how}: tighten it.`
    : `${how}, ${say.value(left, 0)} of travel left: tighten it.`;
}

const feelWords = ({ feel }: { readonly feel: Feel }): string => `Chain ${FEEL_WORDS[feel]}`;

const shortWords = ({ by }: { readonly by: number }, say: Speech): string =>
  by > 0 ? `${say.value(by)} short of its mark` : 'Short of its mark';

export const TRAVEL_SENTENCES = {
  tensionerFaulty: (n) =>
    `${'stands' in n && n.stands === 'short' ? 'Short of' : 'Past'} its mark, and this tensioner sets itself: do not adjust it, find the leak or the tired spring.`,
  stretchedOut: (n, say) =>
    `${leftOf(n, say)} is left at ${chainPercent(n.percent)} elongation, limit ${chainPercent(n.limitPercent)}: taking links out no longer helps.`,
  notSettled: () =>
    'Adjusted, but not yet run and looked at again: a manual adjuster moves after the first run.',
  travelMissing: () => 'Tension is only good if travel is left: give the travel left.',
  falseTension: (n, say) =>
    `False tension: the indicator reads right, but ${leftOf(n, say)} is left, so the chain is slack.${shortenHint(n, say)}`,
  travelGone: (n, say) =>
    `Loose with ${say.value(n.left, 0)} of travel left, ${say.value(n.reserve, 0)} wanted in reserve.${shortenHint(n, say)}`,
  loose: looseWords,
  overTight: (n, say) =>
    'feel' in n
      ? `${feelWords(n)}: too tight. That shortens its life and ruins the bearing.`
      : `${say.value(n.by)} past its mark, ${say.value(n.past)} allowed: too tight. That shortens its life and lifts the conveyor off its stops.`,
  play: () => 'The chain has up-and-down play on the sprocket: take it out.',
  sidesDiffer: (n, say) =>
    `${n.a} and ${n.b} differ by ${say.value(n.difference)} of ${n.what === 'travel' ? 'travel' : 'tension'}, ${say.value(n.allowed)} allowed: the chain climbs. Adjust both.`,
  travelLow: (n, say) =>
    `In tension with ${say.value(n.left, 0)} of travel left, ${say.value(n.reserve, 0)} wanted in reserve. This harvest needs about ${say.value(n.eatenInSeason, 0)}.`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

/** What holds, where tension is read, with the travel left where there is an adjuster. */
export function insideTension(
  { tension, travel }: Extract<InsideNumbers, { shows: 'tension' }>,
  say: Speech,
): string {
  const left = travel
    ? ` with ${say.value(travel.left, 0)} of ${say.value(travel.total, 0)} travel left`
    : '';
  return 'feel' in tension
    ? `${feelWords(tension)}, as it should${left ? `,${left}` : ''}.`
    : `${standWords(tension)}${left}.`;
}

/** "At its mark" is only said where it stands there; a little short or past is told as such. */
function standWords({ by, stands }: Exclude<TensionNumbers, { feel: Feel }>): string {
  if (by === 0 || stands === 'at') return 'At its mark';
  return `${printNumber(by, 1)} mm ${stands === 'short' ? 'short of' : 'past'} its mark (allowed)`;
}

/** What holds, where only the travel left tells. */
export const insideTravel = (
  { travel }: Extract<InsideNumbers, { shows: 'travel' }>,
  say: Speech,
): string => `In order, ${leftOf(travel, say)} left.`;
