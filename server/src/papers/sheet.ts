import type { ReportStrip } from '@green-tally/core/contracts/report';
import { printNumber } from '@green-tally/core/units';
import { FACE, paper, PAPERS, part, type Paper } from './paper';

const MARGIN = 46;
const INK = '#1f2622';
const QUIET = '#5b645e';
const RUST = '#8a2f14';
export const PINE = '#1f4b3a';

/** What a paper is called, and what stands at the foot of each page. */
interface SheetLook {
  readonly title: string;
  readonly size: keyof typeof PAPERS;
  readonly foot: string;
  /** pictures by id; one that is not there is left out */
  readonly photos?: ReadonlyMap<string, Uint8Array>;
}

/** Writes a paper from top to bottom, its pages numbered. */
export function sheetPaper(
  { title, size, foot, photos = new Map() }: SheetLook,
  write: (on: Sheet) => void,
): Promise<Uint8Array> {
  return paper({ title, size: PAPERS[size], margin: MARGIN }, (doc) => {
    const on = new Sheet(doc, photos);
    write(on);
    on.numberPages(foot);
  });
}

/** Money as it is printed. */
export const money = (sum: number, currency: string): string =>
  `${Math.round(sum).toLocaleString('en')} ${currency}`;

/** A picture that was put into a document. */
interface Picture {
  readonly width: number;
  readonly height: number;
}
/** The types leave out that a picture can be opened by itself. */
const opening = (doc: Paper) => doc as unknown as { openImage(data: Buffer): Picture };

/** A document that is written from top to bottom. */
export class Sheet {
  private lost = false;
  private readonly pictures = new Map<string, Picture>();
  constructor(
    readonly doc: Paper,
    private readonly photos: ReadonlyMap<string, Uint8Array>,
  ) {
    doc.font(FACE.regular).fontSize(11).fillColor(INK);
  }

  get width(): number {
    return this.doc.page.width - 2 * MARGIN;
  }

  /** What the shipped face has letters for; what it has none for is told at the end. */
  private printable(text: string): string {
    const face = (
      this.doc as unknown as { _font: { font?: { hasGlyphForCodePoint(c: number): boolean } } }
    )._font.font;
    return [...text]
      .map((letter) => {
        if (!face || letter === '\n' || face.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0))
          return letter;
        this.lost = true;
        return '?';
      })
      .join('');
  }

  /** Goes on to the next page where so much is not left. */
  room(height: number): void {
    if (this.doc.y + height > this.doc.page.height - MARGIN - 14) this.doc.addPage();
  }

  private line(
    tag: 'H1' | 'H2' | 'H3' | 'P',
    text: string,
    look: { size: number; bold?: boolean; color?: string; gap?: number },
  ): void {
    if (!text) return;
    const { doc } = this;
    doc.font(look.bold ? FACE.bold : FACE.regular).fontSize(look.size);
    const printable = this.printable(text);
    this.room(doc.heightOfString(printable, { width: this.width }));
    part(doc, tag, () => {
      doc.fillColor(look.color ?? INK).text(printable, MARGIN, doc.y, { width: this.width });
    });
    doc.y += look.gap ?? 3;
  }

  title = (text: string): void => this.line('H1', text, { size: 19, bold: true, gap: 4 });
  heading(text: string): void {
    this.room(70);
    this.doc.y += 10;
    this.line('H2', text, { size: 14, bold: true, color: PINE, gap: 5 });
  }
  name = (text: string, color = INK): void =>
    this.line('H3', text, { size: 12, bold: true, color, gap: 2 });
  body = (text: string): void => this.line('P', text, { size: 11 });
  quiet = (text: string): void => this.line('P', text, { size: 10, color: QUIET });
  loud = (text: string): void => this.line('P', text, { size: 11, bold: true, color: RUST });

  /** A strip as lines, with what it shows in words for who does not see it. */
  strip(name: string, strip: ReportStrip): void {
    this.room(40);
    const { doc } = this;
    const top = doc.y + 4;
    part(
      doc,
      'Figure',
      () => drawStrip(doc, strip, { left: MARGIN, top, width: Math.min(340, this.width) }),
      stripWords(name, strip),
    );
    doc.y = top + 40;
  }

  /** Photos beside each other; each is put into the file once. */
  pictureRow(name: string, ids: readonly string[]): void {
    const shown = ids.flatMap((id) => {
      const data = this.photos.get(id);
      return data ? [{ id, data }] : [];
    });
    if (!shown.length) return;
    const high = 104;
    this.room(high + 8);
    const top = this.doc.y + 2;
    let left = MARGIN;
    for (const { id, data } of shown) {
      // once into the file, however often it is shown
      const picture = this.pictures.get(id) ?? opening(this.doc).openImage(Buffer.from(data));
      this.pictures.set(id, picture);
      const wide = (picture.width / picture.height) * high;
      if (left + wide > MARGIN + this.width) break;
      const x = left;
      part(
        this.doc,
        'Figure',
        () => void this.doc.image(picture as never, x, top, { height: high }),
        `Photo of ${name}`,
      );
      left += wide + 8;
    }
    this.doc.y = top + high + 6;
  }

  gap(height: number): void {
    this.doc.y += height;
  }

  numberPages(foot: string): void {
    const { doc } = this;
    if (this.lost)
      this.quiet(
        'Some letters have no form in this paper’s face and stand as “?”; the link shows them all.',
      );
    const { start, count } = doc.bufferedPageRange();
    for (let i = 0; i < count; i += 1) {
      doc.switchToPage(start + i);
      part(doc, 'Artifact', () => {
        // below the margin text would begin a new page
        const { bottom } = doc.page.margins;
        doc.page.margins.bottom = 0;
        doc
          .font(FACE.regular)
          .fontSize(9)
          .fillColor(QUIET)
          .text(
            `${this.printable(foot)} · Green Tally · page ${i + 1} of ${count}`,
            MARGIN,
            doc.page.height - 32,
            {
              width: this.width,
              align: 'center',
              lineBreak: false,
            },
          );
        doc.page.margins.bottom = bottom;
      });
    }
  }
}

/** Where the stop stands on a strip, as a share of its width; and how far past it is drawn. */
const STOP = 0.84;
const FURTHEST = 1.18;

/** What a strip shows, in words. */
export function stripWords(name: string, strip: ReportStrip): string {
  if (strip.kind === 'band')
    return `${name}: ${strip.ticks.map((t) => `${t.label} ${printNumber(t.value, 1)} ${strip.unit}`).join('; ')}. Right from ${printNumber(strip.low, 1)} to ${printNumber(strip.high, 1)} ${strip.unit}.`;
  const newest = strip.ticks.filter((t) => !t.struck).at(-1);
  return `${name}: ${newest ? `${printNumber(newest.wear * 100, 0)} % of the way to its limit` : 'no reading'}${strip.forecast ? `; at harvest’s end about ${printNumber(strip.forecast.middle * 100, 0)} %` : ''}.`;
}

function drawStrip(
  doc: Paper,
  strip: ReportStrip,
  { left, top, width }: { readonly left: number; readonly top: number; readonly width: number },
): void {
  const middle = top + 12;
  const line = (
    [x1, y1, x2, y2]: readonly [number, number, number, number],
    look: { width: number; color?: string; dash?: number } = { width: 2 },
  ) => {
    doc.lineWidth(look.width).strokeColor(look.color ?? INK);
    if (look.dash) doc.dash(look.dash, { space: look.dash });
    doc.moveTo(x1, y1).lineTo(x2, y2).stroke();
    if (look.dash) doc.undash();
  };
  const word = (text: string, x: number, color = QUIET) =>
    doc
      .font(FACE.regular)
      .fontSize(9)
      .fillColor(color)
      .text(text, x - 40, top + 24, { width: 80, align: 'center', lineBreak: false });
  if (strip.kind === 'band') {
    const x = (v: number) =>
      left +
      10 +
      ((Math.max(strip.from, Math.min(strip.to, v)) - strip.from) / (strip.to - strip.from || 1)) *
        (width - 20);
    line([left + 10, middle, left + width - 10, middle], { width: 1.5 });
    doc
      .rect(x(strip.low), middle - 5, Math.max(2, x(strip.high) - x(strip.low)), 10)
      .fillOpacity(0.25)
      .fill(PINE)
      .fillOpacity(1);
    for (const t of strip.ticks) {
      const inside = t.value >= strip.low && t.value <= strip.high;
      line([x(t.value), middle - 9, x(t.value), middle + 9], {
        width: 2.5,
        color: inside ? INK : RUST,
      });
    }
    word(`${printNumber(strip.low, 1)}`, x(strip.low));
    word(`${printNumber(strip.high, 1)} ${strip.unit}`, x(strip.high));
    return;
  }
  const x = (wear: number) =>
    left + 8 + (width - 16) * STOP * Math.max(-0.02, Math.min(wear, FURTHEST));
  const stop = x(1);
  if (strip.forecast)
    doc
      .rect(
        x(strip.forecast.low),
        middle - 4,
        Math.max(2, x(strip.forecast.high) - x(strip.forecast.low)),
        8,
      )
      .fillOpacity(0.3)
      .fill(QUIET)
      .fillOpacity(1);
  line([left + 8, middle, stop, middle]);
  line([stop + 6, middle, left + width - 4, middle], { width: 2, dash: 4 });
  line([left + 8, middle - 7, left + 8, middle + 7], { width: 1.5 });
  line([stop, middle - 11, stop, middle + 11], { width: 4, color: RUST });
  const newest = strip.ticks.filter((t) => !t.struck).at(-1);
  for (const t of strip.ticks) {
    const long = t === newest ? 10 : 6;
    line([x(t.wear), middle - long, x(t.wear), middle + long], { width: t === newest ? 3 : 1.5 });
    if (t.struck) line([x(t.wear) - 3, middle + 4, x(t.wear) + 3, middle - 4], { width: 1 });
  }
  if (strip.forecast)
    line([x(strip.forecast.middle), middle - 9, x(strip.forecast.middle), middle + 9], {
      width: 2,
      color: QUIET,
      dash: 3,
    });
  word('new', left + 8);
  word('limit', stop, RUST);
}
