/*
 * The reference strip: a row of square cells, each with a code of its own, and a bar of 100 mm to
 * prove the print by. Everything in millimetres; x along the row from the left edge of the first
 * cell, y down from the upper edge of the cells.
 */

/** A point: x to the right, y down. */
export type Point = readonly [x: number, y: number];

/** A cell is so many units wide: a dark rim of one, and the code inside. */
const UNITS = 6;
const CODE = UNITS - 2;
/** Two cells differ in so many of their sixteen bits, however either is turned. */
const APART = 6;

export const STRIP = {
  cells: 13,
  /** from one cell to the next, mm */
  pitch: 20,
  /** of a cell, mm */
  side: 16,
  /** of the bar that is measured with a caliper, mm */
  proof: 100,
  /** the edge that is cut along and serves as a straight edge lies so far below the cells, mm */
  edge: 20,
  units: UNITS,
} as const;

/** From the first cell's left edge to the last one's right, mm. */
export const STRIP_LENGTH = STRIP.cells * STRIP.pitch - (STRIP.pitch - STRIP.side);

/** A code of sixteen bits a quarter turned clockwise; the first bit is the upper left one. */
export function turned(code: number): number {
  let result = 0;
  for (let row = 0; row < CODE; row += 1)
    for (let col = 0; col < CODE; col += 1)
      if (bitOf(code, row, col)) result |= 1 << (col * CODE + (CODE - 1 - row));
  return result;
}

const bitOf = (code: number, row: number, col: number): boolean =>
  Boolean((code >> (row * CODE + col)) & 1);

/** How many bits differ. */
export function bitsApart(a: number, b: number): number {
  let left = a ^ b;
  let count = 0;
  for (; left; left &= left - 1) count += 1;
  return count;
}

const allTurns = (code: number): readonly number[] => {
  const once = turned(code);
  const twice = turned(once);
  return [code, once, twice, turned(twice)];
};

/** The codes of the cells, left to right: the first that are far enough from each other and from themselves turned. */
export const CODES: readonly number[] = (() => {
  const found: number[] = [];
  const taken: number[] = [];
  for (let code = 0x1111; found.length < STRIP.cells && code < 0x10000; code += 1) {
    const turns = allTurns(code);
    const alone = turns.slice(1).every((t) => bitsApart(t, code) >= APART);
    if (!alone || taken.some((t) => bitsApart(t, code) < APART)) continue;
    found.push(code);
    taken.push(...turns);
  }
  return found;
})();

/** The corners of a cell: upper left, upper right, lower right, lower left. */
export const cellCorners = (cell: number): readonly Point[] => {
  const left = cell * STRIP.pitch;
  const right = left + STRIP.side;
  return [
    [left, 0],
    [right, 0],
    [right, STRIP.side],
    [left, STRIP.side],
  ];
};

/** The dark squares of a cell besides its rim: rows of units from the upper left. */
export function isDark(cell: number, row: number, col: number): boolean {
  if (row === 0 || col === 0 || row === UNITS - 1 || col === UNITS - 1) return true;
  return bitOf(CODES[cell] ?? 0, row - 1, col - 1);
}

/**
 * Which cell a code is, and by how many quarter turns it was seen turned.
 * @param seen sixteen bits as they were read from the upper left corner of what was found
 * @returns undefined where more than one bit would have to be wrong
 */
export function cellOfCode(
  seen: number,
): { readonly cell: number; readonly turns: number } | undefined {
  let code = seen;
  for (let turns = 0; turns < 4; turns += 1) {
    const cell = CODES.findIndex((c) => bitsApart(c, code) <= 1);
    if (cell >= 0) return { cell, turns };
    code = turned(code);
  }
  return undefined;
}
