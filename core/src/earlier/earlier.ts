import type { Check, Day, Reading } from '../contracts';
import { inForce, inTime, live, roundOf } from '../history';
import { speechOf } from '../findings';
import { countsFrom } from '../intervals';
import { saidOf } from './said';

/** What an earlier round of a check said, for who reads it again. */
export interface Earlier {
  /** of this season, or of the one before */
  readonly when: 'last' | 'yearAgo';
  readonly on: Day;
  readonly hours: number;
  readonly by: string;
  /** in few words; place by place where places differ */
  readonly said: readonly string[];
}

/** Places that are told one by one. */
const MOST_TOLD = 4;

/**
 * How a check stood before: in its newest round before this one, and in the newest of the seasons
 * before. What was put right is told as it was left.
 * @param readings of this machine; those of other checks and of this walk are passed over
 * @param seasonStart first day of the harvest to come
 */
export function earlierOf(
  check: Check,
  readings: readonly Reading[],
  { walkId, seasonStart }: { readonly walkId: string; readonly seasonStart: Day },
): readonly Earlier[] {
  const own = inTime(live(readings).filter((r) => r.checkId === check.id && r.walkId !== walkId));
  const from = countsFrom(seasonStart);
  const last = own.at(-1);
  const before = own.findLast((r) => r.takenAt < from);
  return [
    ...(last && last.takenAt >= from ? [tell(check, own, last, 'last' as const)] : []),
    ...(before ? [tell(check, own, before, 'yearAgo' as const)] : []),
  ];
}

function tell(
  check: Check,
  own: readonly Reading[],
  newest: Reading,
  when: Earlier['when'],
): Earlier {
  const round = own.filter((r) => roundOf(r) === roundOf(newest));
  return {
    when,
    on: newest.takenAt.slice(0, 10),
    hours: newest.hours,
    by: newest.by,
    said: saidInRound(check, round),
  };
}

function saidInRound(check: Check, round: readonly Reading[]): readonly string[] {
  const places = check.places.flatMap((place) => {
    const there = inForce(round.filter((r) => r.place === place));
    const said = [...new Map(there.map((r) => [r.value.kind, r])).values()];
    return said.length
      ? [{ place, words: said.map((r) => saidOf(check, r)).join(', '), said }]
      : [];
  });
  const [first] = places;
  if (!first) return round.slice(-1).map((r) => saidOf(check, r));
  if (places.every((p) => p.words === first.words)) return [first.words];
  if (places.length <= MOST_TOLD) return places.map((p) => `${p.place}: ${p.words}`);
  return spread(
    check,
    places.flatMap((p) => p.said),
  );
}

/** Many places: from the least to the most measured, or what was said how often. */
function spread(check: Check, said: readonly Reading[]): readonly string[] {
  const values = said.flatMap(({ value }) => (value.kind === 'measure' ? value.values : []));
  const say = speechOf(check);
  const measured = values.length
    ? [`${say.value(Math.min(...values), 2)} to ${say.value(Math.max(...values), 2)}`]
    : [];
  const others = new Map<string, number>();
  for (const r of said)
    if (r.value.kind !== 'measure' && r.value.kind !== 'travel')
      others.set(saidOf(check, r), (others.get(saidOf(check, r)) ?? 0) + 1);
  return [...measured, ...[...others].map(([words, n]) => `${n} × ${words}`)];
}
