import type { BandLimit, MeasuredCheck } from '../../contracts';
import type {
  BandNumbers,
  FindingNumbers,
  InsideNumbers,
  MeasuredNumbers,
  NotWorthLeavingNumbers,
  RateSource,
  Sentences,
  Speech,
  WearNumbers,
} from '../../findings';
import { chanceWords, meterHours, percent } from '../../findings';
import { printAmount, printAs, printNumber, type Writing } from '../../units';
import { wearLimitsOf, type WearLimits } from './wear';

/**
 * What a measured check wants, in a few words: "new 38 mm · limit 35 mm", "0.4 mm to 1.2 mm".
 * @param writing another unit to write it in than the check's own
 */
export function limitWords(check: MeasuredCheck, writing: Writing = check, decimals = 2): string {
  const at = (value: number) => printAs(value, writing, decimals);
  const limits = wearLimitsOf(check);
  if (limits) return wearWords(limits, at);
  return check.limit.type === 'band' ? bandLimitWords(check.limit, at) : 'no limit yet';
}

function wearWords({ nominal, limit, limitPercent }: WearLimits, at: Write): string {
  const share = limitPercent === undefined ? '' : ` (${printNumber(limitPercent, 2)} %)`;
  return `new ${at(nominal)} · limit ${at(limit)}${share}`;
}

function bandLimitWords({ low, high, nominal }: BandLimit, at: Write): string {
  const best = nominal === undefined ? '' : `, best ${at(nominal)}`;
  if (low === undefined) return `at most ${at(high ?? 0)}${best}`;
  return high === undefined ? `at least ${at(low)}${best}` : `${at(low)} to ${at(high)}${best}`;
}

type Write = (value: number) => string;

const chainPercent = (value: number): string => `${printNumber(value, 2)} %`;

const reading = ({ chain, value }: WearNumbers, say: Speech): string =>
  chain ? `${chainPercent(chain.percent)} elongation (${say.value(value)})` : say.value(value, 2);

const limit = ({ chain, limit: at }: WearNumbers, say: Speech): string =>
  chain
    ? `the limit of ${chainPercent(chain.limitPercent)} (${say.value(at)})`
    : `the limit of ${say.value(at, 2)}`;

const band = ({ low, high }: BandNumbers, say: Speech): string => {
  if (low !== undefined && high !== undefined)
    return `${say.value(low, 2)} to ${say.value(high, 2)}`;
  return low === undefined
    ? `its highest, ${say.value(high ?? 0, 2)}`
    : `its lowest, ${say.value(low, 2)}`;
};

const outside = (n: FindingNumbers['bandAdjust'], say: Speech): string =>
  `${say.value(n.value, 2)} is ${n.side} ${band(n, say)}.`;

const within = ({ value, expanded }: MeasuredNumbers, say: Speech): string =>
  `${say.value(value, 2)} is within ±${say.value(expanded, 2)}`;

const settle = ({ count, chain }: WearNumbers): string => {
  const how =
    chain && chain.pitchesNeeded > chain.pitches
      ? `measure over ${chain.pitchesNeeded} pitches`
      : 'use a finer tool';
  return `Take ${Math.max(1, 3 - count)} more repeats or ${how}.`;
};

export const MEASURE_SENTENCES = {
  scatter: (n, say) =>
    `The ${n.count} repeats differ by ${say.value(n.spread, 2)}, more than the tool explains: take them again.`,
  pastLimit: (n, say) =>
    `${reading(n, say)} is at or past ${limit(n, say)}, proven beyond ±${say.value(n.expanded, 2)}.`,
  limitReached: (n, say) =>
    `${reading(n, say)} lies within ±${say.value(n.expanded, 2)} of ${limit(n, say)} after ${n.count} repeats: it counts as reached.`,
  limitInDoubt: (n, say) =>
    `${reading(n, say)} is within ±${say.value(n.expanded, 2)} of ${limit(n, say)}. ${settle(n)}`,
  limitWasReached: (n, say) =>
    `${reading(n, say)} was at or past ${limit(n, say)} on ${n.on}, at ${meterHours(n.atHours)}, and nothing renewed is on record since. Renew it, record the new part, or strike that reading.`,
  shrunk: (n) =>
    `Less worn than before: ${percent(n.wear)} of the way to the limit against ${percent(n.before)} at ${meterHours(n.beforeHours)}. Measure again, or record the new part.`,
  bandReplace: (n, say) => `${outside(n, say)} It cannot be set: renew it.`,
  bandAdjust: (n, say) => `${outside(n, say)} Set it.`,
  bandTurn: (n, say) => `${outside(n, say)} Turn it to its good edge.`,
  bandInDoubt: (n, say) =>
    `${within(n, say)} of the ${n.edge} ${say.value(n.limit, 2)}. Take ${Math.max(1, 3 - n.count)} more repeats or use a finer tool.`,
  placesDiffer: (n, say) =>
    `${n.a} ${say.value(n.atA, 2)} and ${n.b} ${say.value(n.atB, 2)} differ by ${say.value(n.difference, 2)}, ${say.value(n.allowed, 2)} allowed. Level them.`,
  notWorthLeaving: (n) => notWorthLeaving(n),
  notWorthLeavingLong: (n) => notWorthLeaving(n),
  notWorthLeavingSet: (n) => notWorthLeaving(n),
  recheckDue: (n) =>
    `It was to be looked at again by now: last read at ${meterHours(n.atHours)} on ${n.on}.`,
  reachesLimit: (n) =>
    `${chance(n.chance)} chance to ${REACHES[n.what]} before harvest ends (${meterHours(n.season)} to go). Look again at ${meterHours(n.lookAgain)}.${rateWords(n.rate)}${ageWords(n.age)}`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

const REACHES = {
  limit: 'reach the limit',
  travel: 'use up its travel',
  band: 'leave its band',
} as const satisfies Record<NotWorthLeavingNumbers['what'], string>;
/** What is done about each. */
const DOING = { limit: 'renewing', travel: 'taking links out', band: 'setting it' } as const;
const DONE = { limit: 'renewed', travel: 'shortened', band: 'set' } as const;

const notWorthLeaving = (n: NotWorthLeavingNumbers): string =>
  `${chance(n.chance)} chance to ${REACHES[n.what]} before harvest ends, most likely at ${meterHours(n.expectedAt)}. ${sumWords(n)}${rateWords(n.rate)}${ageWords(n.age)}`;

const sumWords = ({ sums, noSums, shopRule, what }: NotWorthLeavingNumbers): string =>
  sums
    ? `Leaving it costs about ${printAmount(sums.leave)} ${sums.currency}, ${DOING[what]} now instead of later ${printAmount(sums.renew)}: worth it from ${chanceWords(Math.min(1, sums.breakEven))} on.`
    : `${noSumsWords(noSums)}: from ${percent(shopRule)} on it is ${DONE[what]}.`;

/** Why there are no sums. */
export const noSumsWords = (noSums: NotWorthLeavingNumbers['noSums']): string =>
  noSums?.lacks === 'prices'
    ? `No price is known of ${noSums.parts.join(' and ')}`
    : 'No costs are known';

/** Whose rate it was reckoned by; that of the sheet is what one expects. */
export const rateWords = (rate: RateSource | undefined): string =>
  rate && rate.of !== 'sheet'
    ? ` Reckoned by ${rate.lives} lives seen ${rate.of === 'branch' ? 'at this branch' : 'at all branches'}.`
    : '';

const ageWords = (age: FindingNumbers['reachesLimit']['age']): string =>
  age ? ` When it was fitted is not on record: ${agedBetween(age.from, age.to)}.` : '';

function agedBetween(from: number, to: number): string {
  const [first, last] = [meterHours(from), meterHours(to)];
  if (first !== last) return `taken as between ${first} and ${last}`;
  return Math.round(from) === 0
    ? 'taken as there since the machine was new'
    : `taken as at ${first}`;
}

const chance = (p: number): string => capital(chanceWords(p));
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What holds, where wear is measured. */
export const insideWear = (n: Extract<InsideNumbers, { shows: 'wear' }>, say: Speech): string =>
  `${reading(n, say)}, ${percent(n.wear)} of the way to ${limit(n, say)}.`;

/** What holds, where a band is measured. */
export const insideBand = (n: Extract<InsideNumbers, { shows: 'band' }>, say: Speech): string =>
  `${say.value(n.value, 2)}, inside ${band(n, say)}.`;
