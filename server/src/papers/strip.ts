import { isDark, STRIP, STRIP_LENGTH } from '@green-tally/core/photo';
import { FACE, MM, paper, PAPERS, part, type Paper } from './paper';

/** The reference strip to measure from photos by, at its true size, on one sheet held across. */
export function stripPaper(of: keyof typeof PAPERS): Promise<Uint8Array> {
  const { width, height } = PAPERS[of];
  return paper(
    { title: 'Green Tally reference strip', size: { width: height, height: width } },
    (doc) => drawStrip(doc, height),
  );
}

/** What to do with it, as it stands on the sheet. */
const WORDS = [
  'Print at 100 %, without fitting to the page, on stiff white paper. Cut along the line.',
  'Measure the bar between its ends with a caliper and enter what it shows: printers are off by up to half a percent.',
  'Lay the strip flat in the plane of what is measured, level with the pin ends or the edge, close beside it.',
  'Take the photo from straight above, all of the strip and both ends in it, sharp, without glare. Engine off, key out.',
];

function drawStrip(doc: Paper, across: number): void {
  const left = (across - STRIP_LENGTH * MM) / 2;
  const top = 40 * MM;
  const at = (x: number, y: number): [number, number] => [left + x * MM, top + y * MM];
  part(doc, 'H1', () => {
    doc
      .font(FACE.bold)
      .fontSize(16)
      .text('Reference strip', left, 14 * MM);
  });
  part(
    doc,
    'Figure',
    () => {
      const unit = STRIP.side / STRIP.units;
      doc.fillColor('black');
      for (let cell = 0; cell < STRIP.cells; cell += 1)
        for (let row = 0; row < STRIP.units; row += 1)
          for (let col = 0; col < STRIP.units; col = next(cell, row, col)) {
            if (!isDark(cell, row, col)) continue;
            // one run of dark units is one box: no hairlines between them
            const wide = next(cell, row, col) - col;
            const [x, y] = at(cell * STRIP.pitch + col * unit, row * unit);
            doc.rect(x, y, wide * unit * MM, unit * MM);
          }
      doc.fill();
    },
    `A row of ${STRIP.cells} coded cells, ${STRIP.pitch} mm apart`,
  );
  part(doc, 'Artifact', () => {
    const [x, y] = at(-8, STRIP.edge);
    doc.lineWidth(0.6).strokeColor('black');
    doc
      .moveTo(x, y)
      .lineTo(x + (STRIP_LENGTH + 16) * MM, y)
      .stroke();
  });
  part(
    doc,
    'Figure',
    () => {
      const [x, y] = at(0, STRIP.edge + 14);
      doc.rect(x, y, STRIP.proof * MM, 4 * MM).fill('black');
    },
    `A bar of ${STRIP.proof} mm, to prove the print by`,
  );
  const [x, y] = at(STRIP.proof + 6, STRIP.edge + 13.5);
  part(doc, 'P', () => {
    doc
      .font(FACE.regular)
      .fontSize(11)
      .fillColor('black')
      .text(`This bar is ${STRIP.proof} mm long as drawn.`, x, y, { lineBreak: false });
  });
  doc.font(FACE.regular).fontSize(12);
  WORDS.forEach((words, i) => {
    part(doc, 'P', () => {
      doc.text(words, left, top + (STRIP.edge + 28 + i * 9) * MM, { width: STRIP_LENGTH * MM });
    });
  });
  part(doc, 'P', () => {
    doc.text('Green Tally', left, top + (STRIP.edge + 28 + WORDS.length * 9) * MM);
  });
}

/** The first unit of the next run: dark ones go together, light ones one by one. */
function next(cell: number, row: number, col: number): number {
  let to = col + 1;
  if (isDark(cell, row, col)) while (to < STRIP.units && isDark(cell, row, to)) to += 1;
  return to;
}
