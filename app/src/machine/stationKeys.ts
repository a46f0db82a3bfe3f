/** Units of the drawing: the machine stands between a row of keys above it and one below. */
export const WIDTH = 360;
export const HEIGHT = 272;
export const RADIUS_OF_KEY = 17;
/** Keys in a full row; each has so much of the width to itself, so that no two targets meet. */
const IN_ROW = 7;
export const KEY_SHARE = 1 / IN_ROW;

type Point = readonly [x: number, y: number];

/** Where a station lies on the drawing, and the row its key stands in. */
const LIES: Readonly<Record<number, { readonly at: Point; readonly above: boolean }>> = {
  1: { at: [16, 190], above: false },
  2: { at: [40, 178], above: false },
  3: { at: [66, 170], above: false },
  4: { at: [100, 158], above: false },
  5: { at: [134, 122], above: true },
  6: { at: [180, 138], above: true },
  7: { at: [222, 172], above: false },
  8: { at: [200, 104], above: true },
  9: { at: [240, 126], above: true },
  10: { at: [266, 138], above: true },
  11: { at: [284, 104], above: true },
  12: { at: [324, 158], above: false },
  13: { at: [140, 84], above: true },
  14: { at: [130, 188], above: false },
};

export interface StationKey {
  readonly number: number;
  /** where it lies on the machine, drawing units */
  readonly at: Point;
  /** the middle of its key, drawing units */
  readonly key: Point;
  /** left edge of its target, share of the width */
  readonly left: number;
  readonly above: boolean;
}

/**
 * The keys of some stations: in two rows, from left to right as they lie, spread over the width.
 */
export function keysOf(stations: readonly number[]): readonly StationKey[] {
  const known = stations.flatMap((number) => {
    const lies = LIES[number];
    return lies ? [{ number, ...lies }] : [];
  });
  return [true, false].flatMap((above) => {
    const row = known.filter((s) => s.above === above).sort((a, b) => a.at[0] - b.at[0]);
    const free = Math.max(0, IN_ROW - row.length) / 2;
    return row.map((station, i) => {
      const left = (free + i) / IN_ROW;
      const x = (left + KEY_SHARE / 2) * WIDTH;
      const y = above ? RADIUS_OF_KEY + 5 : HEIGHT - RADIUS_OF_KEY - 5;
      return { ...station, key: [x, y] as const, left };
    });
  });
}
