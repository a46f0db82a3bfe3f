// Seeded random numbers: the same storm each time.

/** @param {number} seed */
export function randomFrom(seed) {
  let a = seed >>> 0;
  const next = () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
  return {
    next,
    /** a whole number from 0 to below `n` */
    below: (n) => Math.floor(next() * n),
    one: (list) => list[Math.floor(next() * list.length)],
    /** an id that the seed decides */
    uuid: () => {
      const hex = Array.from({ length: 32 }, () => Math.floor(next() * 16).toString(16)).join('');
      return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-7${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20)}`;
    },
  };
}

export const pause = (ms) => new Promise((done) => setTimeout(done, ms));
