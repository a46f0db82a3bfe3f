import QRCode from 'qrcode';
import { LABEL_SHEETS, type LabelSize } from '@green-tally/core/labels';
import { FACE, MM, paper, PAPERS, part, type Paper } from './paper';

/** One label: its code, and what stands beside it in plain print. */
export interface Label {
  readonly code: string;
  /** the serial, large */
  readonly name: string;
  readonly lines: readonly string[];
}

/**
 * Sheets of labels with cut marks.
 * @param skip so many of the first sheet are used already
 */
export function labelPaper(
  labels: readonly Label[],
  size: LabelSize,
  skip = 0,
): Promise<Uint8Array> {
  const sheet = LABEL_SHEETS[size];
  return paper({ title: 'Green Tally labels', size: PAPERS[sheet.paper], margin: 0 }, (doc) => {
    const each = sheet.across * sheet.down;
    const first = skip % each;
    labels.forEach((label, i) => {
      const place = (first + i) % each;
      if (place === 0 && i > 0) doc.addPage();
      const [col, row] = [place % sheet.across, Math.floor(place / sheet.across)];
      const at = {
        x: (sheet.left + col * sheet.stepX) * MM,
        y: (sheet.top + row * sheet.stepY) * MM,
      };
      drawLabel(doc, label, { ...at, width: sheet.width * MM, height: sheet.height * MM });
    });
  });
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

function drawLabel(doc: Paper, { code, name, lines }: Label, box: Box): void {
  const pad = 3 * MM;
  part(doc, 'Artifact', () => cutMarks(doc, box));
  const side = box.height - 2 * pad;
  part(
    doc,
    'Figure',
    () => drawCode(doc, code, { x: box.x + pad, y: box.y + pad, side }),
    `Code that opens ${name}: ${lines.join(', ')}`,
  );
  const left = box.x + side + 2 * pad;
  const width = box.x + box.width - pad - left;
  // as large as its longest word fits
  const large = Math.min(22, box.height / 3.2);
  doc.font(FACE.bold).fontSize(large);
  const fits = Math.min(1, width / Math.max(1, doc.widthOfString(name)));
  part(doc, 'H2', () => {
    doc
      .fillColor('black')
      .fontSize(Math.max(8, large * fits))
      .text(name, left, box.y + pad, { width, height: large * 1.3, ellipsis: true });
  });
  const small = Math.min(10, box.height / 7.5);
  doc.font(FACE.regular).fontSize(small);
  lines.forEach((line, i) => {
    part(doc, 'P', () => {
      doc.text(line, left, box.y + pad + large * 1.35 + i * small * 1.3, {
        width,
        height: small * 1.3,
        ellipsis: true,
        lineBreak: false,
      });
    });
  });
}

/** The code as one path of runs: no hairlines between its squares. */
function drawCode(
  doc: Paper,
  text: string,
  { x, y, side }: { readonly x: number; readonly y: number; readonly side: number },
): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const n = modules.size;
  const unit = side / n;
  for (let row = 0; row < n; row += 1)
    for (let col = 0; col < n; col += 1) {
      if (!modules.get(row, col)) continue;
      let to = col + 1;
      while (to < n && modules.get(row, to)) to += 1;
      doc.rect(x + col * unit, y + row * unit, (to - col) * unit, unit * 1.02);
      col = to;
    }
  doc.fill('black');
}

function cutMarks(doc: Paper, { x, y, width, height }: Box): void {
  const long = 2 * MM;
  doc.lineWidth(0.3).strokeColor('#999');
  for (const [cx, dx] of [
    [x, 1],
    [x + width, -1],
  ] as const)
    for (const [cy, dy] of [
      [y, 1],
      [y + height, -1],
    ] as const)
      doc
        .moveTo(cx + dx * long, cy)
        .lineTo(cx, cy)
        .lineTo(cx, cy + dy * long)
        .stroke();
}
