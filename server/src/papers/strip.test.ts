import sharp from 'sharp';
import { greyOf, seeStrip, STRIP, toMm, toPx } from '@green-tally/core/photo';
import { readPdf } from '../testing/readPdf';
import { stripPaper } from './strip';

const DPI = 150;

test.each(['a4', 'letter'] as const)(
  'the strip on %s, printed: every cell is read, at its true size',
  async (of) => {
    const { pages, pictures, title } = readPdf(await stripPaper(of), DPI);
    expect(title).toBe('Green Tally reference strip');
    expect(pages).toHaveLength(1);
    expect(pages[0]?.tagged).toBe(true);
    expect(pages[0]?.text).toMatch(/This bar is 100 mm long as drawn/);
    const { data, info } = await sharp(pictures[0])
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const seen = seeStrip(greyOf(data, info.width, info.height));
    if (!seen.found) throw new Error(seen.why);
    expect(seen.cells).toBe(STRIP.cells);
    // an inch of the page is 25.4 mm of the strip, at its middle and across the whole
    const [y] = [info.height / 2];
    const from = toMm(seen.plane, [200, y]) ?? [NaN, NaN];
    const to = toMm(seen.plane, [200 + 6 * DPI, y]) ?? [NaN, NaN];
    expect(to[0] - from[0]).toBeCloseTo(6 * 25.4, 0);
    // the bar: dark from its left end to its right one, in the strip's own mm
    const barY = STRIP.edge + 16;
    const [, top] = toPx(seen.plane, [STRIP.proof / 2, barY]);
    const rows = [...Array(21).keys()].map((i) => Math.round(top) - 10 + i);
    const dark = [...Array(info.width).keys()].flatMap((x) => {
      for (const row of rows) {
        const mm = toMm(seen.plane, [x, row]);
        if (mm && mm[0] < STRIP.proof + 4 && Math.abs(mm[1] - barY) < 0.15)
          return (data[(row * info.width + x) * 4] ?? 255) < 128 ? [mm[0]] : [];
      }
      return [];
    });
    expect(Math.max(...dark) - Math.min(...dark)).toBeGreaterThan(STRIP.proof - 0.4);
    expect(Math.max(...dark) - Math.min(...dark)).toBeLessThan(STRIP.proof + 0.4);
  },
);
