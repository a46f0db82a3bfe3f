/** Seeded random numbers (mulberry32), so that the demo is the same each time. */
export interface Random {
  /** 0 up to 1 */
  next(): number;
  /** normal, mean 0, standard deviation 1 (sum of twelve, good to ±6) */
  normal(): number;
}

// taken out once: looking up a global for every number costs more than the number
const { imul } = Math;

/** Dice that fall the same way for the same seed. @param seed any whole number */
export function random(seed: number): Random {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = imul(t ^ (t >>> 15), t | 1);
    t ^= t + imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = (): number => {
    let sum = -6;
    for (let i = 0; i < 12; i += 1) sum += next();
    return sum;
  };
  return { next, normal };
}
