import type { Check, JobTime, Part, WorkItem } from '../contracts';
import { needsHand } from '../findings';
import { atPlace } from '../kinds';
import { headSentence, worstPlace, type CheckVerdict } from '../verdict';
import { JOBS_ENOUGH, jobKey } from './jobTimes';
import { matesOf } from './mates';
import { partLines, type Fitted } from './parts';

/** Work that is called for, before anyone accepts it. Minutes without the covers. */
export interface ProposedWork extends Pick<
  WorkItem,
  | 'checkId'
  | 'from'
  | 'task'
  | 'decision'
  | 'places'
  | 'reason'
  | 'minutes'
  | 'cover'
  | 'parts'
  | 'mates'
  | 'learnt'
> {
  /** what is answered, put off or left by it: a new reading, or the next time, asks anew */
  readonly subjects: string[];
}

/** What bears on a proposal beside its own verdict. */
export interface Beside {
  /**
   * verdicts of the same machine: mates worn past their pairing threshold bring their parts and
   * their labour along
   */
  readonly others?: readonly CheckVerdict[];
  /** mates that other work of the machine renews already */
  readonly renewed?: ReadonlySet<string>;
  /** how long jobs of each kind have taken, by {@link jobKey} */
  readonly times?: Readonly<Record<string, JobTime>>;
}

/** What a verdict's work is of, place by place. */
export const subjectOf = (checkId: string, readingIds: readonly string[]): string =>
  `${checkId}|${readingIds.at(-1) ?? ''}`;

/**
 * The work a verdict leads to: the check's loudest decision at every place that shares it, its
 * labour and parts, and those of the mates that are renewed with it.
 * @returns undefined when nothing needs a hand
 */
export function proposeWork(
  verdict: CheckVerdict,
  { others = [], renewed, times }: Beside = {},
): ProposedWork | undefined {
  const { check, decision } = verdict;
  if (decision === 'holds' || decision === 'due' || !needsHand(decision)) return undefined;
  const places = verdict.places.filter((p) => p.decision === decision);
  const first = worstPlace(verdict);
  if (!first || !places.length) return undefined;
  const units =
    check.kind === 'count' && decision === 'replace'
      ? (first.renew ?? 0)
      : unitsOf(check, places.length);
  // a mate that is to be replaced anyway brings its own parts
  const mates = matesOf(verdict, others).filter(
    (m) =>
      !renewed?.has(m.check.id) &&
      others.find((o) => o.check.id === m.check.id)?.decision !== 'replace',
  );
  return {
    checkId: check.id,
    from: 'verdict',
    task: null,
    decision,
    places: places.map((p) => p.place),
    reason: [
      headSentence(check, first.findings),
      ...mates.map((m) => `With it ${m.check.component.toLowerCase()}: ${m.why}`),
    ].join(' '),
    ...labourOf(check, decision, { units, mates, times }),
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
              partsAt(m.check, m.check.places, unitsOf(m.check, m.check.places.length)),
            ),
          ])
        : [],
    mates: mates.map((m) => m.check.id),
    subjects: places.map((p) => subjectOf(check.id, p.readingIds)),
  };
}

/** How many times the labour of a check is done at so many of its places. */
export const unitsOf = (check: Check, places: number): number =>
  check.labourPer === 'check' ? 1 : places;

/**
 * Work on what is only watched, because a person wants it done before harvest all the same.
 * @param why the person's reason; it goes before what the forecast says
 * @returns undefined when nothing of the check is watched for reaching its limit
 */
export function proposeAnyway(
  verdict: CheckVerdict,
  why: string,
  times?: Beside['times'],
): ProposedWork | undefined {
  const { check } = verdict;
  const watched = verdict.places.filter((p) => p.findings[0]?.id === 'reachesLimit');
  const [first] = watched;
  const finding = first?.findings[0];
  if (!first || finding?.id !== 'reachesLimit') return undefined;
  const decision = DONE_ABOUT[finding.numbers.what];
  const places = watched.map((p) => p.place);
  const units = unitsOf(check, places.length);
  return {
    checkId: check.id,
    from: 'verdict',
    task: null,
    decision,
    places,
    reason: `${why.trim()} (${headSentence(check, first.findings)})`,
    ...labourOf(check, decision, { units, mates: [], times }),
    cover: check.labour.cover ?? null,
    parts: decision === 'replace' ? partsOf(check, places, units) : [],
    mates: [],
    subjects: watched.map((p) => subjectOf(check.id, p.readingIds)),
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

/** Lines of the parts of some places, for so many units of work. */
export const partsOf = (check: Check, places: readonly string[], units: number) =>
  partLines(partsAt(check, places, units));

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

interface LabourFor {
  readonly units: number;
  readonly mates: readonly { readonly check: Check }[];
  readonly times: Beside['times'];
}

/**
 * Minutes of some work with its mates', covers apart: as the sheet says, or as such jobs have taken
 * here where there were enough of them.
 */
function labourOf(
  check: Check,
  decision: WorkItem['decision'],
  { units, mates, times }: LabourFor,
): Pick<ProposedWork, 'minutes' | 'learnt'> {
  const own = check.labour.cover?.name;
  const alongside = mates.reduce((sum, { check: mate }) => {
    const { cover, replace } = mate.labour;
    const opened = cover && cover.name !== own ? cover.minutes : 0;
    return sum + replace * unitsOf(mate, mate.places.length) + opened;
  }, 0);
  const sheet = minutesFor(check, decision) * units;
  const time = times?.[jobKey(check, decision)];
  const learnt = time && time.jobs >= JOBS_ENOUGH ? time : undefined;
  return {
    minutes: Math.round(sheet * (learnt?.ratio ?? 1)) + alongside,
    learnt: learnt ? { sheet: sheet + alongside, jobs: learnt.jobs } : null,
  };
}

/** Minutes of one unit of some work by the sheet. */
export function minutesFor(check: Check, decision: WorkItem['decision']): number {
  return decision === 'remeasure' || decision === 'watch' || decision === 'due'
    ? check.labour.measure
    : check.labour[decision];
}
