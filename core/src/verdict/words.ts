import type { Check, Decision, Feel, MeasuredCheck } from '../contracts';
import { printAs, printHours, printNumber, type Writing } from '../units';
import type { Finding, FindingId } from './precedence';
import { wearLimitsOf } from './wear';

/**
 * What a measured check wants, in a few words: "new 38 mm · limit 35 mm", "0.4 mm to 1.2 mm".
 * @param writing another unit to write it in than the check's own
 */
export function limitWords(check: MeasuredCheck, writing: Writing = check, decimals = 2): string {
  const limits = wearLimitsOf(check);
  if (limits)
    return `new ${printAs(limits.nominal, writing, decimals)} · limit ${printAs(limits.limit, writing, decimals)}${limits.limitPercent === undefined ? '' : ` (${printNumber(limits.limitPercent, 2)} %)`}`;
  if (check.limit.type !== 'band') return '';
  const { low, high, nominal } = check.limit;
  const at = (value: number) => printAs(value, writing, decimals);
  const range =
    low === undefined
      ? `at most ${at(high ?? 0)}`
      : high === undefined
        ? `at least ${at(low)}`
        : `${at(low)} to ${at(high)}`;
  return nominal === undefined ? range : `${range}, best ${at(nominal)}`;
}

/** Decision words, as a technician says them. */
export const DECISION_WORDS: Readonly<Record<Decision, string>> = {
  holds: 'Holds',
  watch: 'Watch',
  adjust: 'Adjust',
  shorten: 'Shorten',
  turn: 'Turn',
  replace: 'Replace',
  remeasure: 'Remeasure',
};

export const FEEL_WORDS: Readonly<Record<Feel, string>> = {
  stuck: 'stuck',
  justSlides: 'just slides',
  slidesEasily: 'slides easily',
  hangs: 'hangs loose',
};

type Numbers = Finding['numbers'];

/** A finding in one plain sentence with its numbers and units. */
export function sentence(check: Check, finding: Finding): string {
  const writing: Writing =
    check.kind === 'measure' || check.kind === 'series' ? check : MILLIMETRES;
  const n = (key: string): number => Number(finding.numbers[key] ?? 0);
  const text = (key: string): string => String(finding.numbers[key] ?? '');
  const mm = (key: string, decimals = 1): string => printAs(n(key), writing, decimals);
  const percent = (key: string): string => `${printNumber(n(key), 2)} %`;
  const hours = (key: string): string =>
    Number.isFinite(n(key)) ? printHours(n(key)) : 'more than 20,000 h';
  const said = SENTENCES[finding.id]({
    check,
    numbers: finding.numbers,
    n,
    text,
    mm,
    percent,
    hours,
  });
  return said.charAt(0).toUpperCase() + said.slice(1);
}

const MILLIMETRES: Writing = { quantity: 'length', unit: 'mm', style: 'mm' };

interface Speech {
  readonly check: Check;
  readonly numbers: Numbers;
  readonly n: (key: string) => number;
  readonly text: (key: string) => string;
  readonly mm: (key: string, decimals?: number) => string;
  readonly percent: (key: string) => string;
  readonly hours: (key: string) => string;
}

const reading = ({ numbers, percent, mm }: Speech): string =>
  'percent' in numbers ? `${percent('percent')} elongation (${mm('value')})` : mm('value', 2);
const limit = ({ numbers, percent, mm }: Speech): string =>
  'limitPercent' in numbers
    ? `the limit of ${percent('limitPercent')} (${mm('limit')})`
    : `the limit of ${mm('limit', 2)}`;

const SENTENCES: Readonly<Record<FindingId, (s: Speech) => string>> = {
  damaged: (s) =>
    `Damage seen${s.text('found') ? `: ${s.text('found')}` : ''}. A damaged one is renewed whatever it measures.`,
  knivesLost: (s) => {
    const seen = [
      [s.n('missing'), 'missing'],
      [s.n('damaged'), 'bent or cracked'],
      [s.n('bothEdges'), 'worn on both edges'],
    ]
      .filter(([count]) => Number(count) > 0)
      .map(([count, what]) => `${count} ${what}`);
    if (s.text('school') === 'set')
      return `${seen.join(', ')} of ${s.n('total')} ${s.text('counted')}: renew the whole set.`;
    return `${seen.join(', ')} of ${s.n('total')}: renew ${s.n('renew')}${s.n('mates') ? `, the ${s.n('mates')} opposite ${s.n('mates') === 1 ? 'mate' : 'mates'} among them, so that the rotor stays balanced` : ''}.`;
  },
  positionNotConfirmed: (s) =>
    `Not confirmed: ${s.text('position').toLowerCase()}. A reading in another position is void.`,
  skipped: (s) => `Not measured: ${s.text('why')}.`,
  notMeasured: (s) => `Only the travel left was read: take the ${s.check.measures} too.`,
  looksFineOnly: (s) =>
    `It looks fine, but it narrows without looking worn: measure its ${s.check.measures}.`,
  scatter: (s) =>
    `The ${s.n('count')} repeats differ by ${s.mm('spread', 2)}, more than the tool explains: take them again.`,
  pastLimit: (s) =>
    `${reading(s)} is at or past ${limit(s)}, proven beyond ±${s.mm('expanded', 2)}.`,
  limitReached: (s) =>
    `${reading(s)} lies within ±${s.mm('expanded', 2)} of ${limit(s)} after ${s.n('count')} repeats: it counts as reached.`,
  gaugeOut: (s) => `${gauge(s)}: worn out.`,
  gaugeOff: (s) => `${gauge(s)}: set it.`,
  gaugeTurn: (s) => `${gauge(s)}: this edge is worn, turn it to the good one.`,
  bandReplace: (s) => `${band(s)} It cannot be set: renew it.`,
  bandAdjust: (s) => `${band(s)} Set it.`,
  bandTurn: (s) => `${band(s)} Turn it to its good edge.`,
  bandInDoubt: (s) =>
    `${s.mm('value', 2)} is within ±${s.mm('expanded', 2)} of the ${s.text('edge')} ${s.mm('limit', 2)}. Take ${Math.max(1, 3 - s.n('count'))} more repeats or use a finer tool.`,
  tensionerFaulty: (s) =>
    `${s.text('stands') === 'short' ? 'Short of' : 'Past'} its mark, and this tensioner sets itself: do not adjust it, find the leak or the tired spring.`,
  fluidBad: (s) => `${s.text('product')} is ${s.text('colour')}: change it and find out why.`,
  limitInDoubt: (s) =>
    `${reading(s)} is within ±${s.mm('expanded', 2)} of ${limit(s)}. Take ${3 - s.n('count')} more repeats${'pitchesNeeded' in s.numbers && s.n('pitchesNeeded') > s.n('pitches') ? ` or measure over ${s.n('pitchesNeeded')} pitches` : ' or use a finer tool'}.`,
  shrunk: (s) =>
    `Less worn than before: ${printNumber(s.n('wear') * 100, 0)} % of the way to the limit against ${printNumber(s.n('before') * 100, 0)} % at ${s.hours('beforeHours')}. Measure again, or record the new part.`,
  stretchedOut: (s) =>
    `${s.mm('left', 0)} of ${s.mm('total', 0)} travel is left at ${s.percent('percent')} elongation, limit ${s.percent('limitPercent')}: taking links out no longer helps.`,
  notSettled: () =>
    'Adjusted, but not yet run and looked at again: a manual adjuster moves after the first run.',
  travelMissing: () => 'Tension is only good if travel is left: give the travel left.',
  falseTension: (s) =>
    `False tension: the indicator reads right, but ${s.mm('left', 0)} of the ${s.mm('total', 0)} travel is left, so the chain is slack.${shortenHint(s)}`,
  travelGone: (s) =>
    `Loose with ${s.mm('left', 0)} of travel left, ${s.mm('reserve', 0)} wanted in reserve.${shortenHint(s)}`,
  travelEndsInSeason: (s) =>
    `${s.mm('left', 0)} of travel is left and this harvest's stretch will eat about ${s.mm('eatenInSeason', 0)}.${shortenHint(s)}`,
  loose: (s) => {
    const how =
      s.numbers.feel !== undefined
        ? `Chain ${FEEL_WORDS[s.text('feel') as Feel] ?? s.text('feel')}: too loose`
        : `${s.n('by') > 0 ? `${s.mm('by')} short` : 'Short'} of its mark`;
    return s.n('left') >= 0 ? `${how}, ${s.mm('left', 0)} of travel left: tighten it.` : `${how}.`;
  },
  overTight: (s) =>
    s.numbers.feel !== undefined
      ? `Chain ${FEEL_WORDS[s.text('feel') as Feel] ?? s.text('feel')}: too tight. That shortens its life and ruins the bearing.`
      : `${s.mm('by')} past its mark, ${s.mm('past')} allowed: too tight. That shortens its life and lifts the conveyor off its stops.`,
  play: () => 'The chain has up-and-down play on the sprocket: take it out.',
  placesDiffer: (s) =>
    `${s.text('a')} ${s.mm('atA', 2)} and ${s.text('b')} ${s.mm('atB', 2)} differ by ${s.mm('difference', 2)}, ${s.mm('allowed', 2)} allowed. Level them.`,
  putRight: (s) => `${seen(s)}. Put it right.`,
  otherProduct: (s) => `${s.text('used')} was used, the book says ${s.text('product')}: change it.`,
  tooMuch: (s) =>
    `${amount(s, 'amount')} given, never more than ${amount(s, 'most')}: wipe off and run it out.`,
  tooLittle: (s) => `${amount(s, 'amount')} given, ${amount(s, 'wanted')} wanted.`,
  levelLow: (s) =>
    `Low at the ${s.text('eye')}: top up with ${s.text('product')}, and look for the leak.`,
  levelHigh: (s) =>
    `High at the ${s.text('eye')}: draw off, and find out what came in or in which position it was filled.`,
  settingDiffers: (s) =>
    `Set to ${s.text('option')}; ${s.text('crop')} wants ${s.text('wanted')}${s.text('because') ? `: ${s.text('because')}` : ''}.`,
  serviceDue: (s) =>
    `Due: last done at ${s.hours('doneHours')}${s.n('every') > 0 ? `, every ${s.hours('every')}` : ''}${s.n('days') > 0 ? ` or ${s.n('days')} days` : ''}. ${s.n('wanted') > 0 ? `${amount(s, 'wanted')} of ${s.text('product')}` : s.text('product')}.`,
  edgeSpent: (s) => `${seen(s)}. This edge is spent, turn it to the good one.`,
  sidesDiffer: (s) =>
    `${s.text('a')} and ${s.text('b')} differ by ${s.mm('difference')} of ${s.text('what') === 'travel' ? 'travel' : 'tension'}, ${s.mm('allowed')} allowed: the chain climbs. Adjust both.`,
  oneEdgeWorn: (s) =>
    `${s.n('oneEdge')} of ${s.n('total')} worn on one edge: turn them, the other edge is good.`,
  reachesLimit: (s) =>
    `${chance(s.n('chance'))} chance to reach the limit before harvest ends (${s.hours('season')} to go). Look again at ${s.hours('lookAgain')}.`,
  serviceInSeason: (s) =>
    `Falls due at ${s.hours('lookAgain')}, before harvest ends: ${s.n('wanted') > 0 ? `${amount(s, 'wanted')} of ${s.text('product')}` : s.text('product')}.`,
  marked: (s) => `${seen(s)}. Not yet damaged: look again.`,
  fewMissing: (s) =>
    `${s.n('bad')} of ${s.n('total')} ${s.text('counted')} missing or damaged, ${s.n('allowed')} may wait.`,
  settingNotGiven: (s) =>
    `Set to ${s.text('option')}; the sheet says nothing for ${s.text('crop')}. See the maker's manual.`,
  earlyRecheck: (s) =>
    `New: it stretches and settles first. Look again at ${s.hours('lookAgain')}.`,
  travelLow: (s) =>
    `In tension with ${s.mm('left', 0)} of travel left, ${s.mm('reserve', 0)} wanted in reserve. This harvest needs about ${s.mm('eatenInSeason', 0)}.`,
  inside: (s) => INSIDE[s.check.kind](s),
};

/** What holds, said by the kind of its check. */
const INSIDE: Readonly<Record<Check['kind'], (s: Speech) => string>> = {
  measure: (s) => insideMeasured(s),
  series: (s) => insideMeasured(s),
  mark: (s) =>
    s.n('total') > 0
      ? `At its mark with ${s.mm('left', 0)} of ${s.mm('total', 0)} travel left.`
      : 'At its mark.',
  feel: (s) =>
    `Chain ${FEEL_WORDS[s.text('feel') as Feel] ?? s.text('feel')}, as it should${s.n('total') > 0 ? `, with ${s.mm('left', 0)} of ${s.mm('total', 0)} travel left` : ''}.`,
  gonogo: (s) => `${gauge(s)}, as it should.`,
  count: (s) =>
    `All ${s.n('total')} there${s.n('edges') ? `, ${s.n('oneEdge')} worn on one edge` : ''}.`,
  condition: () => 'Sound.',
  level: (s) => `Right at the ${s.text('eye')}${s.text('colour') ? `, ${s.text('colour')}` : ''}.`,
  setting: (s) => `Set to ${s.text('option')}, as ${s.text('crop')} wants.`,
  service: (s) =>
    s.n('amount') > 0
      ? `Done: ${amount(s, 'amount')} of ${s.text('product')}.`
      : `Done: ${s.text('product')}.`,
};

function insideMeasured(s: Speech): string {
  if (!('value' in s.numbers))
    return `In order, ${s.mm('left', 0)} of ${s.mm('total', 0)} travel left.`;
  if (!('wear' in s.numbers)) return `${s.mm('value', 2)}, inside ${bandWords(s)}.`;
  return `${reading(s)}, ${printNumber(s.n('wear') * 100, 0)} % of the way to ${limit(s)}.`;
}

const bandWords = (s: Speech): string =>
  'low' in s.numbers && 'high' in s.numbers
    ? `${s.mm('low', 2)} to ${s.mm('high', 2)}`
    : 'low' in s.numbers
      ? `its lowest, ${s.mm('low', 2)}`
      : `its highest, ${s.mm('high', 2)}`;
const band = (s: Speech): string => `${s.mm('value', 2)} is ${s.text('side')} ${bandWords(s)}.`;
const gauge = (s: Speech): string => `${s.text('gauge')} ${s.n('fits') ? 'fits' : 'does not fit'}`;
const seen = (s: Speech): string =>
  s.text('found') ? `Seen: ${s.text('found')}` : `It is ${s.text('grade') || 'marked'}`;
const amount = (s: Speech, key: string): string =>
  s.text('asks') === 'litres'
    ? `${printNumber(s.n(key), 1)} l`
    : `${printNumber(s.n(key), 0)} ${s.n(key) === 1 ? 'stroke' : 'strokes'}`;

const chance = (p: number): string =>
  p > 0.99 ? 'More than 99 %' : `${printNumber(p * 100, 0)} %`;

function shortenHint(s: Speech): string {
  const links = s.n('linksOut');
  if (links < 1) return '';
  const what =
    links === 1 ? 'one half link' : links === 2 ? 'one whole link' : `${links} half links`;
  return ` Take out ${what}${s.n('offset') ? ' (odd count: needs an offset link, or one removed)' : ''}, then ${s.mm('after', 0)} of travel.`;
}

/** The head sentence of a decision: the weightiest finding. Nothing found: nothing said. */
export function headSentence(check: Check, findings: readonly Finding[]): string {
  const first = findings[0];
  return first ? sentence(check, first) : '';
}
