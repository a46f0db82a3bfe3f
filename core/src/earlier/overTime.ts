import type { Check, Day, Reading } from '../contracts';
import { byPlace, isMain, live, roundOf } from '../history';
import { saidOf } from './said';

/** Separator hours of a machine on a day. */
export interface HoursOn {
  readonly day: Day;
  readonly hours: number;
}

/** Something that was put right: how it was found, and how it was left. */
export interface PutRight {
  readonly day: Day;
  readonly hours: number;
  readonly checkId: string;
  readonly component: string;
  readonly place: string;
  /** undefined: it was not read before */
  readonly found: string | undefined;
  readonly left: string;
  readonly renewed: boolean;
  readonly by: string;
}

/** A part's life at one place: fitted, and as long as it was in. */
export interface PartLife {
  readonly checkId: string;
  readonly component: string;
  readonly place: string;
  readonly from: HoursOn;
  /** undefined: it is in still */
  readonly to: HoursOn | undefined;
}

/** What a machine's readings tell over the years. */
export interface OverTime {
  /** one a day, rising */
  readonly hours: readonly HoursOn[];
  /** newest first */
  readonly putRight: readonly PutRight[];
  /** newest first */
  readonly lives: readonly PartLife[];
}

const dayOf = ({ takenAt }: Pick<Reading, 'takenAt'>): Day => takenAt.slice(0, 10);

/** What a machine's readings tell over the years; struck ones tell nothing. */
export function overTime(checks: readonly Check[], readings: readonly Reading[]): OverTime {
  const all = [...live(readings)].sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1));
  const byDay = new Map<Day, number>();
  for (const r of all) byDay.set(dayOf(r), Math.max(r.hours, byDay.get(dayOf(r)) ?? 0));
  const perPlace = checks.flatMap((check) =>
    [...byPlace(all.filter((r) => r.checkId === check.id && isMain(r)))].map(([place, own]) => ({
      check,
      place,
      own,
    })),
  );
  const newest = <T extends { readonly day: Day }>(a: T, b: T) => b.day.localeCompare(a.day);
  return {
    hours: [...byDay].map(([day, hours]) => ({ day, hours })),
    putRight: perPlace.flatMap(putRightAt).sort(newest),
    lives: perPlace.flatMap(livesAt).sort((a, b) => b.from.day.localeCompare(a.from.day)),
  };
}

interface AtPlace {
  readonly check: Check;
  readonly place: string;
  readonly own: readonly Reading[];
}

function putRightAt({ check, place, own }: AtPlace): PutRight[] {
  const { id: checkId, component } = check;
  return own.flatMap((left, i): PutRight[] => {
    if (left.state !== 'asLeft') return [];
    const found = own
      .slice(0, i)
      .findLast((r) => r.state === 'asFound' && roundOf(r) === roundOf(left));
    return [
      {
        ...{ day: dayOf(left), hours: left.hours, checkId, component, place, by: left.by },
        found: found && saidOf(check, found),
        left: saidOf(check, left),
        renewed: left.renewed,
      },
    ];
  });
}

function livesAt({ check, place, own }: AtPlace): PartLife[] {
  const { id: checkId, component } = check;
  const begun = own.filter((r) => r.renewed);
  return begun.map((r, i) => {
    const next = begun[i + 1];
    return {
      ...{ checkId, component, place, from: { day: dayOf(r), hours: r.hours } },
      to: next && { day: dayOf(next), hours: next.hours },
    };
  });
}
