import {
  fare,
  groundOf,
  planBoard,
  planExactly,
  sampleBoard,
  USUAL_CV,
  type BoardProblem,
  type Placed,
} from '@green-tally/core/board';
import { boundNow } from '../board/solve';

/*
 * How good plans are, and how soon: `npm run planning`. Gaps against a proven bound for boards of
 * three sizes, against the best there is for 200 small ones, and how long draws of luck take.
 */
const SIZES = [
  { visits: 40, technicians: 6, days: 60 },
  { visits: 120, technicians: 10, days: 90 },
  { visits: 400, technicians: 20, days: 120 },
];
const SECONDS = [1, 5, 10];
const SEEDS = [1, 2, 3];
const BOUND_SECONDS = 120;

const say = (line: string): void => void process.stdout.write(`${line}\n`);
const percent = (share: number): string => `${(100 * share).toFixed(2)} %`;

async function gaps(): Promise<void> {
  say('\ngap to a proven bound, after so many seconds; first: the plan begun from');
  for (const size of SIZES)
    for (const seed of SEEDS) {
      const problem = sampleBoard({ ...size, seed });
      const { bound, solved } = await boundNow(problem, BOUND_SECONDS);
      const at = await planFor(problem, seed);
      const gap = (cost: number) => percent((cost - bound) / Math.max(1e-9, cost));
      say(
        [
          `${size.visits} × ${size.technicians} × ${size.days}, seed ${seed}`,
          `first ${gap(at.first)}`,
          ...at.costs.map((cost, i) => `${SECONDS[i]} s ${gap(cost)}`),
          `bound ${bound.toFixed(0)}${solved ? '' : ' (each visit by itself)'}`,
          `${at.steps} steps, the ground laid in ${at.ground.toFixed(0)} ms`,
        ].join('; '),
      );
    }
}

function planFor(problem: BoardProblem, seed: number) {
  const laid = performance.now();
  groundOf(problem);
  const ground = performance.now() - laid;
  const began = performance.now();
  const last = SECONDS.at(-1) ?? 1;
  const costs = SECONDS.map(() => Infinity);
  const { first, steps } = planBoard(problem, {
    seed,
    gone: () => (performance.now() - began) / 1000 / last,
    onBetter: (_, cost) => {
      const now = (performance.now() - began) / 1000;
      SECONDS.forEach((s, i) => {
        if (now <= s) costs[i] = cost;
      });
    },
  });
  // what was found early stands later too
  const best = costs.map((_, i) => Math.min(...costs.slice(0, i + 1)));
  return { first, costs: best, steps, ground };
}

function small(): void {
  const COUNT = 200;
  let sum = 0;
  let worst = 0;
  let better = 0;
  let seen = 0;
  for (let seed = 1; seed <= COUNT; seed += 1) {
    const problem = sampleBoard({ visits: 5, technicians: 2, days: 7, seed, load: 0.9 });
    const best = planExactly(problem);
    if (!best) continue;
    const found = planBoard(problem, { seed, gone: (n) => n / 600 });
    const gap = (found.cost - best.cost) / Math.max(1, best.cost);
    if (found.cost < best.cost - 1e-6) better += 1;
    sum += gap;
    worst = Math.max(worst, gap);
    seen += 1;
  }
  say(
    `\n${seen} small boards against the best there is: ${percent(sum / seen)} over it on average, ${percent(worst)} at most, ${better} better`,
  );
}

function luck(): void {
  const size = { visits: 120, technicians: 10, days: 90, seed: 1 };
  const problem = sampleBoard(size);
  const { plan } = planBoard(problem, { seed: 1, gone: (n) => n / 50 });
  const began = performance.now();
  const fared = fare(problem, plan, {
    ripe: [{ earliest: 60, likely: 80, latest: 110 }],
    visits: problem.visits.map(() => ({ crop: 0 })),
    cv: USUAL_CV,
    draws: 2000,
    seed: 1,
  });
  const ready = [...fared.ready.values()].filter((p) => p >= 0.95).length;
  say(
    `\n2,000 draws of 120 visits: ${((performance.now() - began) / 1000).toFixed(2)} s; ${ready} of ${fared.ready.size} ready with at least 95 %`,
  );
}

/** A planner drags one visit elsewhere: how soon the rest stands again, and what moves. */
function drags(): void {
  for (const size of SIZES) {
    const problem = sampleBoard({ ...size, seed: 1 });
    const { plan } = planBoard(problem, { seed: 1, gone: (n) => n / 2000 });
    const published = {
      ...problem,
      visits: problem.visits.map((v, i) => {
        const there = plan[i];
        return there ? { ...v, published: there } : v;
      }),
    };
    const i = plan.findIndex((p) => p?.crew.length === 1);
    const was = plan[i];
    if (!was) continue;
    const moved = {
      ...published,
      visits: published.visits.map((v, j) =>
        j === i ? { ...v, pinned: { ...was, start: latestOf(published, was) } } : v,
      ),
    };
    const began = performance.now();
    let first = 0;
    const after = planBoard(moved, {
      seed: 1,
      gone: () => (performance.now() - began) / A_SECOND_MS,
      onBetter: () => (first ||= performance.now() - began),
    });
    const others = after.plan.filter(
      (p, j) => j !== i && JSON.stringify(p) !== JSON.stringify(plan[j]),
    ).length;
    say(
      `${size.visits} × ${size.technicians} × ${size.days}: the rest stands again after ${first.toFixed(0)} ms, the best within 1 s moves ${others} others`,
    );
  }
}

const A_SECOND_MS = 1000;

/** Two working days later, as a planner drags it. */
function latestOf(problem: BoardProblem, { crew, start }: Placed): number {
  const open = problem.technicians[crew[0] ?? 0]?.open ?? [];
  const later = open.findIndex((o, t) => t >= start + 4 && o === 1);
  return later < 0 ? start : later;
}

luck();
say('\na visit is dragged two days later');
drags();
small();
await gaps();
