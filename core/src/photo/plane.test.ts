import fc from 'fast-check';
import { inverse, normal, solve, varianceAlong } from './algebra';
import { byteOf, riseIn } from './image';
import { edgesTurned, lengthOf } from './measure';
import { fitPlane, scaleAt, toMm, toPx, type Plane, type Seen } from './plane';
import type { Snapped } from './snap';
import {
  bitsApart,
  cellCorners,
  cellOfCode,
  CODES,
  isDark,
  STRIP,
  STRIP_LENGTH,
  turned,
  type Point,
} from './strip';

const SIZE: Point = [2000, 1500];
/** A camera over the strip: so many px a mm, turned, tilted along x and y, and bent by its lens. */
interface Camera {
  readonly perMm: number;
  readonly turn: number;
  readonly tilt: readonly [number, number];
}
/** Where a place of the plane is seen; the middle of the strip in the middle of the picture. */
const seenBy =
  ({ perMm, turn, tilt }: Camera) =>
  ([x, y]: Point): Point => {
    const [dx, dy] = [x - STRIP_LENGTH / 2, y - STRIP.side / 2];
    const w = 1 + tilt[0] * dx + tilt[1] * dy;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    return [
      (SIZE[0] - 1) / 2 + (perMm * (c * dx - s * dy)) / w,
      (SIZE[1] - 1) / 2 + (perMm * (s * dx + c * dy)) / w,
    ];
  };
const cells = Array.from({ length: STRIP.cells }, (_, i) => i);
const cornersBy = (camera: Camera, of = cells): Seen[] =>
  of.flatMap((cell) => cellCorners(cell).map((mm) => ({ mm, px: seenBy(camera)(mm) })));
const fitted = (corners: readonly Seen[]): Plane => {
  const plane = fitPlane(corners, SIZE);
  if (!plane) throw new Error('no plane');
  return plane;
};
const LEVEL: Camera = { perMm: 6, turn: 0, tilt: [0, 0] };
const cameras = fc.record({
  perMm: fc.double({ min: 3, max: 7, noNaN: true }),
  turn: fc.double({ min: -3, max: 3, noNaN: true }),
  tilt: fc.tuple(
    fc.double({ min: -0.0012, max: 0.0012, noNaN: true }),
    fc.double({ min: -0.0012, max: 0.0012, noNaN: true }),
  ),
});
const onStrip: fc.Arbitrary<Point> = fc.tuple(
  fc.double({ min: 0, max: STRIP_LENGTH, noNaN: true }),
  fc.double({ min: -40, max: 40, noNaN: true }),
);

describe('equations', () => {
  test('are solved, whichever row leads', () => {
    expect(
      solve(
        [
          [0, 2],
          [4, 0],
        ],
        [6, 8],
      ),
    ).toEqual([2, 3]);
    expect(
      solve(
        [
          [2, 1, -1],
          [-3, -1, 2],
          [-2, 1, 2],
        ],
        [8, -11, -3],
      )?.map((v) => Math.round(1e9 * v) / 1e9),
    ).toEqual([2, 3, -1]);
  });
  test('that do not decide it have no answer', () => {
    expect(
      solve(
        [
          [1, 2],
          [2, 4],
        ],
        [3, 6],
      ),
    ).toBeUndefined();
    expect(
      solve(
        [
          [0, 0],
          [0, 0],
        ],
        [0, 0],
      ),
    ).toBeUndefined();
    expect(
      inverse([
        [1, 2],
        [2, 4],
      ]),
    ).toBeUndefined();
  });
  test('an inverse undoes what its matrix does', () => {
    const entry = fc.double({ min: -9, max: 9, noNaN: true });
    const row = fc.array(entry, { minLength: 4, maxLength: 4 });
    fc.assert(
      fc.property(fc.array(row, { minLength: 4, maxLength: 4 }), row, (a, x) => {
        // no row may nearly be the sum of others
        const firm = a.map((r, i) => r.map((v, j) => (i === j ? v + 40 : v)));
        const b = firm.map((r) => r.reduce((sum, v, j) => sum + v * (x[j] ?? 0), 0));
        const back = inverse(firm)?.map((r) => r.reduce((sum, v, j) => sum + v * (b[j] ?? 0), 0));
        back?.forEach((v, i) => expect(v).toBeCloseTo(x[i] ?? NaN, 8));
        expect(back).toHaveLength(4);
      }),
      { numRuns: 60 },
    );
  });
  test('least squares: slopes by themselves and by what is left', () => {
    const { a, b } = normal(
      [
        [1, 0],
        [1, 1],
        [1, 2],
      ],
      [1, 3, 5],
    );
    expect(a).toEqual([
      [3, 3],
      [3, 5],
    ]);
    expect(b).toEqual([9, 13]);
    // a line through 1, 3, 5
    expect(solve(a, b)).toEqual([1, 2]);
  });
  test('what two independent figures leave open adds up by squares', () => {
    expect(
      varianceAlong(
        [
          [4, 0],
          [0, 9],
        ],
        [1, 1],
      ),
    ).toBe(13);
    expect(
      varianceAlong(
        [
          [4, -6],
          [-6, 9],
        ],
        [3, 2],
      ),
    ).toBe(0);
  });
});

describe('the strip', () => {
  test('its cells bear codes that no quarter turn and no single wrong bit confuses', () => {
    expect(CODES).toHaveLength(STRIP.cells);
    CODES.forEach((code, cell) => {
      let seen = code;
      for (let turns = 0; turns < 4; turns += 1) {
        expect(cellOfCode(seen)).toEqual({ cell, turns: (4 - turns) % 4 });
        for (let bit = 0; bit < 16; bit += 1)
          expect(cellOfCode(seen ^ (1 << bit))).toEqual({ cell, turns: (4 - turns) % 4 });
        seen = turned(seen);
      }
      expect(seen).toBe(code);
    });
  });
  test('two cells are six bits apart, so two wrong ones are no cell', () => {
    for (const a of CODES)
      for (const b of CODES) if (a !== b) expect(bitsApart(a, b)).toBeGreaterThanOrEqual(6);
    expect(cellOfCode((CODES[3] ?? 0) ^ 0b11)).toBeUndefined();
    expect(cellOfCode(0)).toBeUndefined();
    expect(cellOfCode(0xffff)).toBeUndefined();
  });
  test('each cell is dark all round', () => {
    for (const cell of cells)
      for (let i = 0; i < STRIP.units; i += 1)
        for (const [row, col] of [
          [0, i],
          [STRIP.units - 1, i],
          [i, 0],
          [i, STRIP.units - 1],
        ])
          expect(isDark(cell, row ?? 0, col ?? 0)).toBe(true);
  });
});

describe('how its plane lies', () => {
  test('straight from above: six pixels are a millimetre, anywhere', () => {
    const plane = fitted(cornersBy(LEVEL));
    for (const mm of [
      [0, 0],
      [100, 30],
      [256, -20],
    ] as const) {
      expect(scaleAt(plane, mm)).toBeCloseTo(6, 3);
      const there = toPx(plane, mm);
      seenBy(LEVEL)(mm).forEach((v, i) => expect(there[i]).toBeCloseTo(v, 2));
    }
    expect(plane.used).toBe(4 * STRIP.cells);
    expect(plane.stray).toBeLessThan(0.06);
  });
  test('from any side: there and back again, and where the camera saw it', () => {
    fc.assert(
      fc.property(cameras, onStrip, (camera, mm) => {
        const plane = fitted(cornersBy(camera));
        const px = toPx(plane, mm);
        const back = toMm(plane, px);
        seenBy(camera)(mm).forEach((v, i) => expect(px[i]).toBeCloseTo(v, 1));
        back?.forEach((v, i) => expect(v).toBeCloseTo(mm[i] ?? NaN, 4));
        expect(back).toHaveLength(2);
      }),
      { numRuns: 60 },
    );
  });
  test('one corner that was read wrongly is left out, and does not bend the rest', () => {
    const corners = cornersBy({ perMm: 6, turn: 0.2, tilt: [0.0004, -0.0002] });
    const spoilt = corners.map((c, i): Seen =>
      i === 17 ? { ...c, px: [c.px[0] + 9, c.px[1] - 4] } : c,
    );
    const plane = fitted(spoilt);
    expect(plane.used).toBe(corners.length - 1);
    for (const { mm, px } of corners)
      toPx(plane, mm).forEach((v, i) => expect(v).toBeCloseTo(px[i] ?? NaN, 1));
  });
  test('too few corners, or all of one line, decide nothing', () => {
    expect(fitPlane(cornersBy(LEVEL, [0]), SIZE)).toBeUndefined();
    const upper = cells.map((cell): Seen => {
      const mm: Point = [cell * STRIP.pitch, 0];
      return { mm, px: seenBy(LEVEL)(mm) };
    });
    expect(fitPlane(upper, SIZE)).toBeUndefined();
    expect(fitPlane([], SIZE)).toBeUndefined();
  });
  test('beyond the horizon there is no place', () => {
    const plane = fitted(cornersBy({ perMm: 6, turn: 0, tilt: [0, 0.0012] }));
    // what lies 1 / 0.0012 mm nearer than the strip is behind the camera
    const above = toMm(plane, [SIZE[0] / 2, SIZE[1] / 2 + 6 / 0.0012 + 500]);
    expect(above).toBeUndefined();
  });
});

describe('a length between two taps', () => {
  const tap = (px: Point, change: Partial<Snapped> = {}): Snapped => ({
    ...{ px, stray: 0.3, found: true },
    ...change,
  });
  const at = (camera: Camera, ...mm: readonly Point[]) => mm.map((p) => tap(seenBy(camera)(p)));
  const level = { proof: 100, nearer: 0 };

  test('is what lies between them on the plane, from any side, within its uncertainty', () => {
    fc.assert(
      fc.property(cameras, onStrip, onStrip, (camera, a, b) => {
        const found = lengthOf(fitted(cornersBy(camera)), at(camera, a, b), 'between', level);
        const truly = Math.hypot(a[0] - b[0], a[1] - b[1]);
        expect(Math.abs((found?.length ?? NaN) - truly)).toBeLessThan(
          Math.max(0.02, found?.uncertainty ?? 0),
        );
      }),
      { numRuns: 60 },
    );
  });
  test('a print that is 1 % too large makes lengths 1 % longer; one not measured is trusted less', () => {
    const plane = fitted(cornersBy(LEVEL));
    const taps = at(LEVEL, [20, 5], [220, 5]);
    const by = (taken: Parameters<typeof lengthOf>[3]) => lengthOf(plane, taps, 'between', taken);
    expect(by(level)?.length).toBeCloseTo(200, 2);
    expect(by({ ...level, proof: 101 })?.length).toBeCloseTo(202, 2);
    expect(by({ nearer: 0 })?.of.print).toBeGreaterThan(5 * (by(level)?.of.print ?? NaN));
  });
  test('what stands nearer looks longer than it is; what nobody said counts as two millimetres', () => {
    const plane = fitted(cornersBy(LEVEL));
    const taps = at(LEVEL, [20, 5], [220, 5]);
    const by = (nearer: number | undefined) =>
      lengthOf(plane, taps, 'between', { proof: 100, nearer });
    const distance = by(0)?.distance ?? NaN;
    expect(by(10)?.length).toBeCloseTo(200 * (1 - 10 / distance), 2);
    expect(by(-10)?.length).toBeCloseTo(200 * (1 + 10 / distance), 2);
    expect(by(undefined)?.of.off).toBeCloseTo((200 * 2) / distance, 2);
    expect(by(undefined)?.uncertainty).toBeGreaterThan(by(0)?.uncertainty ?? NaN);
  });
  test('to the strip it is straight down to its lower edge', () => {
    const plane = fitted(cornersBy(LEVEL));
    const found = lengthOf(plane, at(LEVEL, [100, STRIP.edge + 35]), 'toStrip', level);
    expect(found?.length).toBeCloseTo(35, 2);
  });
  test('a tap that is worse known makes the length worse known', () => {
    const plane = fitted(cornersBy(LEVEL));
    const by = (stray: number) =>
      lengthOf(
        plane,
        at(LEVEL, [20, 5], [220, 5]).map((t) => ({ ...t, stray })),
        'between',
        level,
      )?.of.picture ?? NaN;
    expect(by(3)).toBeGreaterThan(2 * by(0.3));
    // 3 px at both ends, 6 px a mm, k = 2
    expect(by(3)).toBeGreaterThan(2 * Math.SQRT2 * (3 / 6) * 0.99);
  });
  test('edges that are not parallel say by how many degrees', () => {
    const along = (degrees: number): Point => [
      Math.cos((degrees * Math.PI) / 180),
      Math.sin((degrees * Math.PI) / 180),
    ];
    const turnedBy = (a: number, b: number) =>
      edgesTurned([tap([0, 0], { along: along(a) }), tap([9, 9], { along: along(b) })]);
    expect(turnedBy(10, 10)).toBeCloseTo(0);
    expect(turnedBy(10, 13)).toBeCloseTo(3);
    expect(turnedBy(10, 190)).toBeCloseTo(0);
    expect(edgesTurned([tap([0, 0]), tap([9, 9])])).toBe(0);
  });
});

describe('light', () => {
  test('an edge is found between its pixels, as where half of the rise is done', () => {
    expect(riseIn([0, 0, 0, 1, 1, 1])?.at).toBeCloseTo(2.5);
    expect(riseIn([0, 0, 0.25, 1, 1])).toEqual({ at: 0.25 * 1.5 + 0.75 * 2.5, rise: 1 });
    expect(riseIn([1, 1, 0.5, 0])).toBeUndefined();
    expect(riseIn([0.4, 0.4, 0.4])).toBeUndefined();
  });
  test('linear light and bytes: black, white, and a fifth of the light is a middling grey', () => {
    expect([byteOf(0), byteOf(1), byteOf(7), byteOf(-1)]).toEqual([0, 255, 255, 0]);
    expect(byteOf(0.2140411)).toBeCloseTo(127.5, -1);
  });
});
