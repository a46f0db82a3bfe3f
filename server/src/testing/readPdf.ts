import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';

const Opened = z.object({
  title: z.string(),
  pages: z.array(
    z.object({
      text: z.string(),
      tagged: z.boolean(),
      images: z.array(z.object({ width: z.int(), height: z.int() })),
    }),
  ),
});

/** A PDF as a reader shows it: its title, the text of each page, and each page as a PNG. */
export type OpenedPdf = z.infer<typeof Opened> & { readonly pictures: readonly Buffer[] };

/** Opens a PDF with a reader that is not ours. */
export function readPdf(bytes: Uint8Array, dpi = 100): OpenedPdf {
  const folder = mkdtempSync(join(tmpdir(), 'green-tally-pdf-'));
  try {
    const file = join(folder, 'paper.pdf');
    writeFileSync(file, bytes);
    const script = join(process.cwd(), 'src/testing/renderPdf.mjs');
    const opened = Opened.parse(
      JSON.parse(
        execFileSync(process.execPath, [script, file, join(folder, 'page'), String(dpi)], {
          encoding: 'utf8',
          maxBuffer: 50_000_000,
        }),
      ),
    );
    return {
      ...opened,
      pictures: opened.pages.map((_, i) => readFileSync(join(folder, `page-${i + 1}.png`))),
    };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
