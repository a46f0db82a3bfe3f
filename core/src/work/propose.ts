import type { Check, Part, WorkItem } from '../contracts';
import { needsHand } from '../findings';
import { atPlace } from '../kinds';
import { headSentence, worstPlace, type CheckVerdict } from '../verdict';
import { zeroOrMore } from '../units';
import { matesOf } from './mates';
import { partLines, type Fitted } from './parts';

/** Work a check's verdict calls for, before anyone accepts it. Minutes without the covers. */
export type ProposedWork = Pick<
  WorkItem,
  'checkId' | 'decision' | 'places' | 'reason' | 'minutes' | 'cover' | 'parts'
>;

/**
 * The work a verdict leads to: the check's loudest decision at every place that shares it, its
 * labour and parts.
 * @param others verdicts of the same machine: mates worn past their pairing threshold bring their
 *   parts along
 * @returns undefined when nothing needs a hand
 */
export function proposeWork(
  verdict: CheckVerdict,
  others: readonly CheckVerdict[] = [],
): ProposedWork | undefined {
  const { check, decision } = verdict;
  if (decision === 'holds' || decision === 'due' || !needsHand(decision)) return undefined;
  const places = verdict.places.filter((p) => p.decision === decision);
  const first = worstPlace(verdict);
  if (!first || !places.length) return undefined;
  const units =
    check.kind === 'count' && decision === 'replace'
      ? (first.renew ?? 0)
      : check.labourPer === 'check'
        ? 1
        : places.length;
  // a mate that is to be replaced anyway brings its own parts
  const mates = matesOf(verdict, others).filter(
    (m) => others.find((o) => o.check.id === m.check.id)?.decision !== 'replace',
  );
  return {
    checkId: check.id,
    decision,
    places: places.map((p) => p.place),
    reason: [
      headSentence(check, first.findings),
      ...mates.map((m) => `With it ${m.check.component.toLowerCase()}: ${m.why}`),
    ].join(' '),
    minutes: minutesFor(check, decision) * units,
    cover: check.labour.cover ?? null,
    parts:
      decision === 'replace'
        ? partLines([
            ...partsAt(
              check,
              places.map((p) => p.place),
              units,
            ),
            ...mates.flatMap((m) =>
              partsAt(
                m.check,
                m.check.places,
                m.check.labourPer === 'check' ? 1 : m.check.places.length,
              ),
            ),
          ])
        : [],
  };
}

/**
 * Work on what is only watched, because a person wants it done before harvest all the same.
 * @param why the person's reason; it goes before what the forecast says
 * @returns undefined when nothing of the check is watched for reaching its limit
 */
export function proposeAnyway(verdict: CheckVerdict, why: string): ProposedWork | undefined {
  const { check } = verdict;
  const watched = verdict.places.filter((p) => p.findings[0]?.id === 'reachesLimit');
  const [first] = watched;
  const finding = first?.findings[0];
  if (!first || finding?.id !== 'reachesLimit') return undefined;
  const decision = DONE_ABOUT[finding.numbers.what];
  const places = watched.map((p) => p.place);
  const units = check.labourPer === 'check' ? 1 : places.length;
  return {
    checkId: check.id,
    decision,
    places,
    reason: `${why.trim()} (${headSentence(check, first.findings)})`,
    minutes: minutesFor(check, decision) * units,
    cover: check.labour.cover ?? null,
    parts: decision === 'replace' ? partLines(partsAt(check, places, units)) : [],
  };
}

const DONE_ABOUT = { limit: 'replace', travel: 'shorten', band: 'adjust' } as const;

/**
 * Parts of some places. Where a place has parts of its own each place brings its own; else so many
 * as there are units of work.
 */
function partsAt(check: Check, places: readonly string[], units: number): readonly Fitted[] {
  const own = places.some((p) => check.perPlace?.[p]?.parts);
  return own
    ? places.flatMap((p) => atPlace(check, p).parts).map((part) => ({ part, quantity: part.each }))
    : check.parts.map((part) => ({
        part,
        quantity: part.each * units,
        whole: wholeOf(check, part),
      }));
}

/** All of a check renewed at once; nothing where it is not entered how many there are. */
function wholeOf(check: Check, { each }: Part): Fitted['whole'] {
  const units =
    check.kind === 'count'
      ? check.places.reduce((sum, p) => sum + (atPlace(check, p).total ?? NaN), 0)
      : check.labourPer === 'check'
        ? 1
        : check.places.length;
  return Number.isNaN(units)
    ? undefined
    : { quantity: each * units, minutes: check.labour.replace * units };
}

function minutesFor(check: Check, decision: WorkItem['decision']): number {
  return decision === 'remeasure' || decision === 'watch'
    ? check.labour.measure
    : check.labour[decision];
}

/**
 * Labour hours of several work items done in one visit: each cover is opened once.
 * @returns h, to the quarter hour, rounded up; 0 for no work
 */
export function labourHours(items: readonly Pick<ProposedWork, 'minutes' | 'cover'>[]): number {
  const covers = new Map(
    items.flatMap((i) => (i.cover ? [[i.cover.name, i.cover.minutes] as const] : [])),
  );
  items.forEach((item, i) => {
    zeroOrMore(`items.${i}.minutes`, item.minutes);
    if (item.cover) zeroOrMore(`items.${i}.cover.minutes`, item.cover.minutes);
  });
  const minutes =
    items.reduce((sum, i) => sum + i.minutes, 0) +
    [...covers.values()].reduce((sum, m) => sum + m, 0);
  return Math.ceil(minutes / 15) / 4;
}
