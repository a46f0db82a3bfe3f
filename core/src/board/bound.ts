import { SLOTS_A_DAY, type BoardProblem } from './problem';
import { endsOfPublished, groundOf, type Ground } from './ground';

/** A linear programme: the least of costs·x under rows, 0 ≤ x ≤ most. */
export interface Programme {
  readonly costs: readonly number[];
  readonly most: readonly number[];
  readonly rows: readonly {
    readonly terms: readonly (readonly [column: number, factor: number])[];
    readonly atLeast?: number;
    readonly atMost?: number;
  }[];
  /** to be added to its least */
  readonly constant: number;
  /** its columns take whole numbers only */
  readonly whole?: boolean;
}

/** What a board cannot cost less than, by parts. Money. */
export interface Bound {
  /** no programme solved: each visit by itself */
  readonly alone: number;
  readonly lateness: Programme;
  readonly ways: Programme;
}

/**
 * Two programmes whose least together no plan of the board undercuts: lateness, where all work done by
 * some day has to fit into the time there was until then, of all and of those who can do it, and into
 * the bays; and the ways to farms, where each half day is shared with one other call at most.
 */
export function boundOf(problem: BoardProblem): Bound {
  const ground = groundOf(problem);
  return {
    alone: ground.floor.reduce((sum, f) => sum + f, 0),
    lateness: latenessOf(ground),
    ways: waysOf(ground),
  };
}

/** Columns: visit i ended by day d, for every day from the first it can end on. */
function latenessOf(ground: Ground): Programme {
  const { problem } = ground;
  const { visits, costs, slots } = problem;
  const days = Math.ceil(slots / SLOTS_A_DAY);
  const most: number[] = [];
  const cost: number[] = [];
  const rows: Programme['rows'][number][] = [];
  /** by visit and day, its column */
  const column: (number | undefined)[][] = [];
  let constant = 0;
  visits.forEach((visit, i) => {
    // one that finds no place drives nowhere, and its way is in the other programme
    const way =
      2 * (ground.out[i] ?? 0) * Math.ceil(visit.halfDays / SLOTS_A_DAY) * visit.crew * costs.km;
    const none = Math.max(0, costs.unplaced * visit.halfDays - way);
    constant += none;
    const firstEnd = earliestEnd(ground, i);
    const published = endsOfPublished(ground, i).map((end) => Math.floor(end / SLOTS_A_DAY));
    const stays = (d: number) => !visit.published || visit.pinned || published.includes(d);
    const own: (number | undefined)[] = [];
    const terms: [number, number][] = [];
    if (firstEnd !== undefined)
      for (let d = Math.floor(firstEnd / SLOTS_A_DAY); d < days; d += 1) {
        const end = Math.max(firstEnd, d * SLOTS_A_DAY);
        own[d] = cost.length;
        terms.push([cost.length, 1]);
        // against finding no place at all
        const late = (ground.lateness[i]?.[end] ?? 0) + (stays(d) ? 0 : costs.change);
        cost.push(Math.min(none, late) - none);
        most.push(1);
      }
    column.push(own);
    if (terms.length) rows.push({ terms, atMost: 1 });
  });
  for (const { members, time } of groupsOf(ground))
    for (let d = 0; d < days; d += 1) {
      const terms = members.flatMap((i) => {
        const { halfDays = 0, crew = 1 } = visits[i] ?? {};
        return (column[i] ?? []).flatMap((c, day): [number, number][] =>
          c === undefined || day > d ? [] : [[c, halfDays * crew]],
        );
      });
      const there = time(Math.min(slots, (d + 1) * SLOTS_A_DAY));
      const all = members.reduce(
        (sum, i) => sum + (visits[i]?.halfDays ?? 0) * (visits[i]?.crew ?? 1),
        0,
      );
      if (terms.length && there < all) rows.push({ terms, atMost: there });
    }
  return { costs: cost, most, rows, constant };
}

/** The first slot a visit can end with, had its crew nothing else to do. */
function earliestEnd({ problem, shifts }: Ground, i: number): number | undefined {
  const visit = problem.visits[i];
  if (!visit) return undefined;
  let first: number | undefined;
  for (const shift of shifts[i] ?? []) {
    const from = shift.at[Math.min(visit.pinned?.start ?? visit.earliest, problem.slots)] ?? 0;
    const last = shift.slots[from + visit.halfDays - 1];
    if (last !== undefined && (first === undefined || last < first)) first = last;
  }
  return first;
}

interface Group {
  readonly members: readonly number[];
  /** half days there are before a slot */
  readonly time: (before: number) => number;
}

/** Who competes for what: for everybody's time, for that of those with a skill, and for the bays. */
function groupsOf({ problem, shifts }: Ground): Group[] {
  const { visits, technicians, bays } = problem;
  const sets = new Map<string, { crew: Set<number>; members: number[] }>();
  visits.forEach((_, i) => {
    const crew = new Set((shifts[i] ?? []).flatMap((s) => s.crew));
    if (!crew.size) return;
    const key = [...crew].sort((a, b) => a - b).join();
    const known = sets.get(key);
    if (known) known.members.push(i);
    else sets.set(key, { crew, members: [i] });
  });
  const own = [...sets.values()];
  const all = { crew: new Set(technicians.map((_, k) => k)), members: [] };
  const groups = [...own, all].map(({ crew }): Group => {
    const open = technicians.flatMap((t, k) => (crew.has(k) ? [t.open] : []));
    const sums = [0];
    for (let t = 0; t < problem.slots; t += 1)
      sums.push((sums[t] ?? 0) + open.filter((o) => (o[t] ?? 0) > 0).length);
    return {
      // all whose crews are among these
      members: own.filter((o) => [...o.crew].every((k) => crew.has(k))).flatMap((o) => o.members),
      time: (before) => sums[before] ?? 0,
    };
  });
  const inBay = visits.flatMap((v, i) => (v.farm || !(shifts[i] ?? []).length ? [] : [i]));
  // two in a crew stand at one machine: a bay is taken once
  const alone = inBay.filter((i) => visits[i]?.crew === 1);
  return [...groups, { members: alone, time: (before) => bays * before }];
}

/** Columns: half a day shared by two calls; and, for a call of whole days, that it begins at noon. */
function waysOf({ problem, out, between, shifts }: Ground): Programme {
  const { visits, costs } = problem;
  const calls = visits.flatMap((v, i) => (v.farm && (shifts[i] ?? []).length ? [i] : []));
  const far = (i: number) => out[i] ?? 0;
  const cost: number[] = [];
  const most: number[] = [];
  const shares = new Map<number, [number, number][]>(calls.map((i) => [i, []]));
  let constant = 0;
  calls.forEach((i, n) => {
    const { halfDays = 1, crew = 1 } = visits[i] ?? {};
    constant += 2 * far(i) * Math.ceil(halfDays / SLOTS_A_DAY) * crew * costs.km;
    for (const j of calls.slice(n + 1)) {
      const saved = far(i) + far(j) - (between[i]?.[j] ?? 0);
      if (saved <= 1e-9 || !canMeet(shifts, i, j)) continue;
      shares.get(i)?.push([cost.length, 1]);
      shares.get(j)?.push([cost.length, 1]);
      cost.push(-saved * costs.km);
      most.push(Math.min(crew, visits[j]?.crew ?? 1) * 2);
    }
  });
  const rows = calls.map((i) => {
    const { halfDays = 1, crew = 1 } = visits[i] ?? {};
    const terms = shares.get(i) ?? [];
    if (halfDays % SLOTS_A_DAY === 1) return { terms, atMost: crew };
    const noon = cost.length;
    cost.push(2 * far(i) * costs.km * crew);
    most.push(1);
    return { terms: [...terms, [noon, -2 * crew] as const], atMost: 0 };
  });
  return { costs: cost, most, rows: rows.filter((r) => r.terms.length > 0), constant };
}

const canMeet = (shifts: Ground['shifts'], i: number, j: number): boolean => {
  const own = new Set((shifts[i] ?? []).flatMap((s) => s.crew));
  return (shifts[j] ?? []).some((s) => s.crew.some((k) => own.has(k)));
};

/** A programme as text that solvers read. @see the CPLEX LP format */
export function programmeText({ costs, most, rows, whole }: Programme): string {
  const sum = (terms: readonly (readonly [number, number])[]) =>
    terms.map(([c, f]) => `${f < 0 ? '-' : '+'} ${Math.abs(f)} x${c}`).join('\n ');
  const goal = costs.flatMap((c, i): [number, number][] => (c === 0 ? [] : [[i, c]]));
  return [
    'Minimize',
    ` obj: ${goal.length ? sum(goal) : '0 x0'}`,
    'Subject To',
    ...rows.flatMap(({ terms, atLeast, atMost }, r) => [
      ...(atMost === undefined ? [] : [` u${r}: ${sum(terms)} <= ${atMost}`]),
      ...(atLeast === undefined ? [] : [` l${r}: ${sum(terms)} >= ${atLeast}`]),
    ]),
    'Bounds',
    ...most.map((m, i) => ` 0 <= x${i} <= ${m}`),
    ...(whole ? ['General', ...most.map((_, i) => ` x${i}`)] : []),
    'End',
  ].join('\n');
}
