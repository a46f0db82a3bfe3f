import type { Check, Decision, ValueOf } from '../contracts';
import {
  meterHours,
  speechOf,
  type Finding,
  type FindingId,
  type InsideNumbers,
  type Sentences,
  type Speech,
  type ToEnter,
} from '../findings';
import { intervalWords } from '../intervals';
import { CONDITION_SENTENCES, insideCondition } from '../kinds/condition/words';
import { COUNT_SENTENCES, insideCount } from '../kinds/count/words';
import { GAUGE_SENTENCES, insideGauge } from '../kinds/gonogo/words';
import { insideLevel, LEVEL_SENTENCES } from '../kinds/level/words';
import { insideBand, insideWear, MEASURE_SENTENCES } from '../kinds/measure/words';
import { insideService, serviceAmount, SERVICE_SENTENCES } from '../kinds/service/words';
import { insideSetting, SETTING_SENTENCES } from '../kinds/setting/words';
import { insideTension, insideTravel, TRAVEL_SENTENCES } from '../kinds/travel/words';
import type { CheckVerdict } from './judge';
import { worstPlace } from './worst';

/** Decision words, as a technician says them. */
export const DECISION_WORDS: Readonly<Record<Decision, string>> = {
  holds: 'Holds',
  watch: 'Watch',
  adjust: 'Adjust',
  shorten: 'Shorten',
  turn: 'Turn',
  replace: 'Replace',
  remeasure: 'Remeasure',
  due: 'Due',
};

/** What holds, said by what was looked at. */
const INSIDE: {
  readonly [S in InsideNumbers['shows']]: (
    numbers: Extract<InsideNumbers, { shows: S }>,
    say: Speech,
  ) => string;
} = {
  wear: insideWear,
  band: insideBand,
  tension: insideTension,
  travel: insideTravel,
  gauge: insideGauge,
  count: insideCount,
  condition: insideCondition,
  level: insideLevel,
  setting: insideSetting,
  service: insideService,
};

const insideWords = <S extends InsideNumbers['shows']>(
  numbers: Extract<InsideNumbers, { shows: S }> & { shows: S },
  say: Speech,
): string => INSIDE[numbers.shows](numbers, say);

/** What is still to be entered, in a few words. */
export const TO_ENTER_WORDS: Readonly<Record<ToEnter, string>> = {
  limit: 'limit',
  takeUp: 'travel of its adjuster',
  amount: 'amount',
  total: 'number of them',
  options: 'setting for any crop',
};

/** A sentence for every finding: those of the kinds, and those that any reading may earn. */
const SENTENCES: Sentences<FindingId> = {
  ...CONDITION_SENTENCES,
  ...COUNT_SENTENCES,
  ...GAUGE_SENTENCES,
  ...LEVEL_SENTENCES,
  ...MEASURE_SENTENCES,
  ...SERVICE_SENTENCES,
  ...SETTING_SENTENCES,
  ...TRAVEL_SENTENCES,
  positionNotConfirmed: ({ position }) =>
    `Not confirmed: ${position.toLowerCase()}. A reading in another position is void.`,
  twoSay: ({ by, other }) =>
    `${by} and ${other} read it differently in this walk: strike the one that is wrong, or read it again together.`,
  implausible: ({ value, edge, side }, say) =>
    `${said(value, say)} cannot well be: ${side === 'betterThanNew' ? `better than new, ${said(edge, say)} at best` : `beyond ${said(edge, say)}`}. Measure again, and look at unit, digits and pitches counted.`,
  noLimit: ({ wants }) =>
    wants.length === 1 && wants[0] === 'limit'
      ? 'No limit yet: enter it from the maker’s manual.'
      : `No ${wants.map((w) => TO_ENTER_WORDS[w]).join(' and no ')} yet: enter it from the maker’s manual.`,
  skipped: ({ why }) => `Not measured: ${why}.`,
  notMeasured: ({ travelOnly }, { check }) =>
    travelOnly
      ? `Only the travel left was read: take the ${check.measures} too.`
      : `${check.measures} was not read: take it.`,
  looksFineOnly: (_, { check }) =>
    `It looks fine, but it narrows without looking worn: measure its ${check.measures}.`,
  earlyRecheck: ({ lookAgain }) =>
    `New: it stretches and settles first. Look again at ${meterHours(lookAgain)}.`,
  fittedUnread: ({ atHours, fittedBy }) =>
    `A new part was fitted at ${meterHours(atHours)}${FITTED_BY[fittedBy]} and has not been read since: read it.`,
  lapsed: ({ on, atHours, interval, dueAt, early }) =>
    `Read on ${on} at ${meterHours(atHours)}; ${early ? 'the first look after it was new' : intervalWords(interval)}${dueAt === null ? '' : `: due since ${meterHours(dueAt)}`}. Read it again.`,
  notRead: ({ places }) => `Not read yet: ${places.join(', ')}.`,
  inside: insideWords,
};

const FITTED_BY: Readonly<Record<ValueOf<'renewal'>['fittedBy'], string>> = {
  shop: ' by us',
  owner: ' by the owner',
  unknown: '',
};

const said = (value: number, say: Speech): string =>
  say.check.kind === 'service' ? serviceAmount(say.check.asks, value) : say.value(value, 2);

/** A finding in one plain sentence with its numbers and units. */
export function sentence(check: Check, finding: Finding): string {
  const said = sentenceOf(finding, speechOf(check));
  return said.charAt(0).toUpperCase() + said.slice(1);
}

const sentenceOf = <I extends FindingId>(finding: Finding<I> & { id: I }, say: Speech): string =>
  SENTENCES[finding.id](finding.numbers, say);

/** The head sentence of a decision: the weightiest finding. Nothing found: nothing said. */
export function headSentence(check: Check, findings: readonly Finding[]): string {
  const first = findings[0];
  return first ? sentence(check, first) : '';
}

/** The findings that a check's decision comes from: its loudest place, or that places are unread. */
export function decidingFindings(verdict: CheckVerdict): readonly Finding[] {
  const worst = worstPlace(verdict);
  if (worst?.decision === verdict.decision) return worst.findings;
  return verdict.lacks ? [verdict.lacks] : [];
}

/** The head sentence of a whole check. */
export const verdictSentence = (verdict: CheckVerdict): string =>
  headSentence(verdict.check, decidingFindings(verdict));
