import { photoAccuracy } from '../../bench/photos';
import { lookBy, photograph, type Look } from '.';
import { random } from '../random';
import { inverse, solve } from '../photo/algebra';
import { findCells } from '../photo/cells';
import { byteOf, greyOf, lightAt, riseIn, shrunk } from '../photo/image';
import { fitPlane, toMm, toPx, type Seen } from '../photo/plane';
import { bitsApart, cellCorners, cellOfCode, CODES, STRIP, turned } from '../photo/strip';
import { edgesTurned, greyOf as grey, lengthOf, seeStrip, snap } from '../photo';

const LOOK: Look = {
  ...lookBy(random(1), [900, 600], false),
  tilt: 20,
  turn: 4,
  lens: 0.03,
  blur: 0.8,
  noise: 0.004,
};
const CHAIN = { kind: 'chain', pitch: 25.4, pitches: 10, width: 0 } as const;
const taken = photograph(CHAIN, LOOK, 3);
const seen = grey(taken.rgba, taken.width, taken.height);
const strip = seeStrip(seen);
const plane = (() => {
  if (!strip.found) throw new Error(strip.why);
  return strip.plane;
})();

describe('the strip', () => {
  test('thirteen codes, each far from every other and from itself, however they are turned', () => {
    expect(CODES).toHaveLength(STRIP.cells);
    for (const [i, code] of CODES.entries()) {
      let t = code;
      for (let turns = 0; turns < 4; turns += 1) {
        expect(cellOfCode(t)).toEqual({ cell: i, turns: (4 - turns) % 4 });
        for (const other of CODES.slice(i + 1))
          expect(bitsApart(t, other)).toBeGreaterThanOrEqual(6);
        t = turned(t);
      }
      expect(t).toBe(code);
    }
  });

  test('one wrong bit is borne, three are no cell', () => {
    const [code = 0] = CODES;
    for (let bit = 0; bit < 16; bit += 1) expect(cellOfCode(code ^ (1 << bit))?.cell).toBe(0);
    expect(cellOfCode(code ^ 0b111)).toBeUndefined();
  });
});

describe('a picture', () => {
  test('bytes are light by the sRGB curve, there and back', () => {
    expect(greyOf([188, 188, 188, 255], 1, 1).data[0]).toBeCloseTo(0.5, 2);
    for (let byte = 0; byte < 256; byte += 5)
      expect(byteOf(greyOf([byte, byte, byte, 255], 1, 1).data[0] ?? -1)).toBe(byte);
  });

  test('smaller by three is the mean of nine; between pixels it is the straight line', () => {
    const data = Float32Array.from({ length: 36 }, (_, i) => i);
    const small = shrunk({ width: 6, height: 6, data }, 3);
    expect([...small.data]).toEqual([7, 10, 25, 28]);
    expect(lightAt({ width: 6, height: 6, data }, 1.5, 2.25)).toBeCloseTo(1.5 + 6 * 2.25, 9);
  });

  test('an edge is where it rises, and a second rise beyond it does not move it', () => {
    const edge = Array.from({ length: 21 }, (_, i) => 1 / (1 + Math.exp(-(i - 8.3))));
    expect(riseIn(edge)?.at).toBeCloseTo(8.3, 1);
    expect(riseIn([...edge, 0.9, 0.9, 1.1, 1.1])?.at).toBeCloseTo(8.3, 1);
    expect(riseIn([1, 0.8, 0.5])).toBeUndefined();
  });

  test('equations that decide nothing are told', () => {
    expect(
      solve(
        [
          [1, 2],
          [2, 4],
        ],
        [1, 2],
      ),
    ).toBeUndefined();
    expect(
      inverse([
        [0, 1],
        [2, 0],
      ]),
    ).toEqual([
      [0, 0.5],
      [1, 0],
    ]);
  });
});

describe('how the plane lies', () => {
  test('the corners of all cells to a tenth of a pixel', () => {
    const cells = findCells(seen);
    expect(cells).toHaveLength(STRIP.cells);
    const off = cells.flatMap(({ cell, corners }) =>
      cellCorners(cell).map((mm, i) => {
        const [x, y] = toPx(taken.plane, mm);
        const [u, v] = corners[i] ?? [NaN, NaN];
        return Math.hypot(u - x, v - y);
      }),
    );
    expect(off.reduce((a, b) => a + b, 0) / off.length).toBeLessThan(0.1);
  });

  test('there and back; beyond the horizon there is nothing', () => {
    for (const px of [
      [100, 90],
      [450, 300],
      [800, 520],
    ] as const) {
      const mm = toMm(plane, px);
      const [x, y] = mm ? toPx(plane, mm) : [NaN, NaN];
      expect(x).toBeCloseTo(px[0], 6);
      expect(y).toBeCloseTo(px[1], 6);
    }
    const steep = { ...plane, params: plane.params.map((v, i) => (i === 6 ? 3 : i === 8 ? 0 : v)) };
    expect(toMm(steep, [1e7, 0])).toBeUndefined();
  });

  test('a corner that lies is left out, and too few corners decide nothing', () => {
    const corners: Seen[] = Array.from({ length: 13 }, (_, i) => cellCorners(i))
      .flat()
      .map((mm) => ({ mm, px: toPx(taken.plane, mm) }));
    const lying = corners.map((c, i) =>
      i === 7 ? { ...c, px: [c.px[0] + 9, c.px[1]] as const } : c,
    );
    const fitted = fitPlane(lying, [900, 600]);
    expect(fitted?.used).toBeLessThan(corners.length);
    expect(fitted?.used).toBeGreaterThan(corners.length - 4);
    expect(fitted?.params[8]).toBeCloseTo(0.03, 2);
    expect(fitPlane(corners.slice(0, 4), [900, 600])).toBeUndefined();
  });

  test('no strip, a small picture, a strip that is mostly covered: in words', () => {
    const blank = { width: 640, height: 480, data: new Float32Array(640 * 480).fill(0.4) };
    expect(seeStrip(blank)).toMatchObject({ found: false, why: expect.stringMatching(/No strip/) });
    expect(seeStrip({ width: 90, height: 60, data: new Float32Array(5400) })).toMatchObject({
      found: false,
      why: expect.stringMatching(/too small/),
    });
    const covered = { ...seen, data: seen.data.slice() };
    const [edge] = toPx(taken.plane, [3 * STRIP.pitch - 2, 0]);
    for (let i = 0; i < covered.data.length; i += 1) if (i % 900 > edge) covered.data[i] = 0.4;
    expect(seeStrip(covered)).toMatchObject({
      found: false,
      why: expect.stringMatching(/Only 3 of/),
    });
  });
});

describe('what is tapped', () => {
  const about = { mark: 'pin', perPx: 0.5 } as const;
  /** The length between two taps, which is there. */
  const between = (taps: Parameters<typeof lengthOf>[1], said: Parameters<typeof lengthOf>[3]) => {
    const length = lengthOf(plane, taps, 'between', said);
    if (!length) throw new Error('beyond the horizon');
    return length;
  };
  test('a tap beside a pin moves onto its middle; one where nothing is stays and is worth less', () => {
    const [x, y] = taken.ends[0];
    const pin = snap(seen, plane, [x + 2, y - 2], about);
    expect(pin.found).toBe(true);
    expect(Math.hypot(pin.px[0] - x, pin.px[1] - y)).toBeLessThan(0.4);
    const nowhere = snap(seen, plane, [30, 20], about);
    expect(nowhere).toMatchObject({ found: false, px: [30, 20] });
    expect(nowhere.stray).toBeGreaterThan(3 * pin.stray);
  });

  test('the length between the pins, with U; nearer to the camera it is less, and less sure', () => {
    const taps = taken.ends.map((end) => snap(seen, plane, end, about));
    const level = between(taps, { proof: 100, nearer: 0 });
    expect(Math.abs(level.length - 254)).toBeLessThan(level.uncertainty);
    const nearer = between(taps, { proof: 100, nearer: 4 });
    expect(nearer.length).toBeCloseTo(level.length * (1 - 4 / nearer.distance), 9);
    expect(nearer.of.off).toBeGreaterThan(level.of.off);
    expect(between(taps, { nearer: 0 }).of.print).toBeCloseTo(0.005 * 254, 2);
    expect(between(taps, { proof: 101, nearer: 0 }).length).toBeCloseTo(1.01 * level.length, 6);
  });

  test('how it stands is not said: that is no level, for farther off a chain looks less worn', () => {
    const taps = taken.ends.map((end) => snap(seen, plane, end, about));
    const level = between(taps, { proof: 100, nearer: 0 });
    const unsaid = between(taps, { proof: 100 });
    expect(unsaid.length).toBeCloseTo(level.length, 9);
    expect(unsaid.uncertainty).toBeGreaterThan(level.uncertainty + (254 * 1.5) / level.distance);
  });

  test('from the strip’s lower edge down to a tap', () => {
    const px = toPx(taken.plane, [120, STRIP.edge + 31]);
    const tap = { px, stray: 0.3, found: true };
    expect(lengthOf(plane, [tap], 'toStrip', { proof: 100 })?.length).toBeCloseTo(31, 1);
  });

  test('between edges it is straight across, also where the taps are not opposite each other', () => {
    const belt = photograph({ kind: 'belt', pitch: 0, pitches: 0, width: 32 }, LOOK, 4);
    const picture = grey(belt.rgba, belt.width, belt.height);
    const found = seeStrip(picture);
    if (!found.found) throw new Error(found.why);
    const [[ax, ay], [bx, by]] = belt.ends;
    const taps = [
      [ax - 40, ay - 1],
      [bx + 40, by + 1],
    ].map((t) => snap(picture, found.plane, t as [number, number], { mark: 'edge', perPx: 0.5 }));
    expect(edgesTurned(taps)).toBeLessThan(1);
    const width = lengthOf(found.plane, taps, 'edges', { proof: 100 });
    expect(Math.abs((width?.length ?? 0) - 32)).toBeLessThan(width?.uncertainty ?? 0);
  });
});

test('photos by the dice: the truth lies within ± U, and U is worth having', () => {
  const table = photoAccuracy(11, { cases: 5, width: 1000 });
  expect(table.measured).toBeGreaterThanOrEqual(4);
  expect(table.inside).toBeGreaterThanOrEqual(table.measured - 1);
  const good = photoAccuracy(12, { cases: 1, width: 1500, good: true });
  expect(good.inside).toBe(1);
  expect(good.uncertainty.most95).toBeLessThan(0.0015);
});
