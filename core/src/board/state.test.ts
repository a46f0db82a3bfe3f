import { random } from '../random';
import { groundOf } from './ground';
import { planBoard } from './improve';
import { bestPlace } from './insert';
import { SLOTS_A_DAY } from './problem';
import { sampleBoard } from './sample';
import { BoardState } from './state';

/** Who works on what in each half day of a technician, from the placings alone. */
function busyOf(state: BoardState, k: number): Map<number, number> {
  const busy = new Map<number, number>();
  state.placed.forEach((there, i) => {
    if (!there?.shift.crew.includes(k)) return;
    const { halfDays = 1 } = state.ground.problem.visits[i] ?? {};
    for (let j = there.from; j < there.from + halfDays; j += 1)
      busy.set(there.shift.slots[j] ?? -1, i);
  });
  return busy;
}

const isCall = (state: BoardState, i: number | undefined): boolean =>
  i !== undefined && state.ground.problem.visits[i]?.farm !== undefined;

/** The least a visit costs anywhere on the board as it stands. */
function leastAnywhere(state: BoardState, i: number): number {
  let least = Infinity;
  for (const shift of state.ground.shifts[i] ?? [])
    for (let from = 0; from < shift.slots.length; from += 1)
      if (state.isFree(i, shift, from)) least = Math.min(least, state.costAt(i, shift, from));
  return least;
}

describe('a board that is filled and emptied by chance', () => {
  test.each(Array.from({ length: 12 }, (_, n) => n + 1))(
    'finds the cheapest place there is, knows what lies free beside calls, and who shares a day (%i)',
    (seed) => {
      const plain = sampleBoard({ visits: 30, technicians: 4, days: 31, seed, load: 0.9 });
      // every other one with a plan that was published
      const { plan } = planBoard(plain, { seed, gone: (n) => n / 5 });
      const problem = {
        ...plain,
        visits: plain.visits.map((v, i) => {
          const published = seed % 2 ? plan[i] : undefined;
          return published ? { ...v, published } : v;
        }),
      };
      const state = new BoardState(groundOf(problem));
      const dice = random(seed);
      let shared = 0;
      for (let n = 0; n < 300; n += 1) {
        const i = Math.floor(dice.next() * problem.visits.length);
        const best = state.placed[i] ? undefined : bestPlace(state, i, false).best;
        if (!state.placed[i])
          expect(best?.cost ?? Infinity).toBeCloseTo(leastAnywhere(state, i), 6);
        if (best) state.put(i, best.shift, best.from, best.cost);
        else state.take(i);
        if (n % 10) continue;
        problem.technicians.forEach((_, k) => {
          const busy = busyOf(state, k);
          const beside: number[] = [];
          for (let t = 0; t + 1 < problem.slots; t += SLOTS_A_DAY) {
            if (!busy.has(t) && isCall(state, busy.get(t + 1))) beside.push(t);
            if (!busy.has(t + 1) && isCall(state, busy.get(t))) beside.push(t + 1);
          }
          expect([...state.besideCalls(k)].sort((a, b) => a - b)).toEqual(beside);
        });
        state.placed.forEach((there, v) => {
          const mates = new Set<number>();
          if (there)
            for (const slot of state.spanOf(v, there))
              for (const k of there.shift.crew) {
                const other = busyOf(state, k).get(slot % SLOTS_A_DAY ? slot - 1 : slot + 1);
                if (other !== undefined && other !== v) mates.add(other);
              }
          expect(new Set(state.matesOf(v))).toEqual(mates);
          shared += mates.size;
        });
      }
      expect(shared).toBeGreaterThan(0);
    },
  );
});
