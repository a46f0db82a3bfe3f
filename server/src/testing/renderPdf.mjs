/*
 * Opens a PDF as anybody's reader would: `node renderPdf.mjs file.pdf out 200` writes out-1.png and so
 * on at 200 dots an inch, and prints the text of each page as JSON.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { createCanvas } from '@napi-rs/canvas';
import { getDocument, OPS, VerbosityLevel } from 'pdfjs-dist/legacy/build/pdf.mjs';

const [file, out, dpi = '100'] = process.argv.slice(2);
const document = await getDocument({
  data: new Uint8Array(readFileSync(file)),
  verbosity: VerbosityLevel.ERRORS,
}).promise;
const { info } = await document.getMetadata();
const pages = [];
for (let n = 1; n <= document.numPages; n += 1) {
  const page = await document.getPage(n);
  const viewport = page.getViewport({ scale: Number(dpi) / 72 });
  const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
  await page.render({ canvas, canvasContext: canvas.getContext('2d'), viewport }).promise;
  writeFileSync(`${out}-${n}.png`, canvas.toBuffer('image/png'));
  const { items } = await page.getTextContent();
  const { fnArray, argsArray } = await page.getOperatorList();
  pages.push({
    // what is drawn as a picture, with its own size
    images: fnArray.flatMap((fn, i) =>
      fn === OPS.paintImageXObject ? [{ width: argsArray[i][1], height: argsArray[i][2] }] : [],
    ),
    text: items.map((i) => i.str + (i.hasEOL ? '\n' : '')).join(''),
    tagged: Boolean(await page.getStructTree()),
  });
}
process.stdout.write(JSON.stringify({ title: info.Title, pages }));
