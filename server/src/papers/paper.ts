import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

/** A sheet of paper, points (1/72 inch): as wide and as high as it is held. */
export interface PaperSize {
  readonly width: number;
  readonly height: number;
}

/** Points of a millimetre. */
export const MM = 72 / 25.4;

/** What printers hold, upright. */
export const PAPERS = {
  a4: { width: 210 * MM, height: 297 * MM },
  letter: { width: 215.9 * MM, height: 279.4 * MM },
} as const satisfies Record<string, PaperSize>;

/** The shipped face, in both weights. */
export const FACE = { regular: 'regular', bold: 'bold' } as const;

/** A document that is being written; its units are points, from the upper left. */
export type Paper = InstanceType<typeof PDFDocument>;

const fontAt = createRequire(`${process.cwd()}/package.json`);
const FONTS = '@expo-google-fonts/atkinson-hyperlegible-next';

/**
 * Writes a PDF: tagged, with its title and the shipped face in it.
 * @param write draws on the first page, and adds what follows
 */
export function paper(
  { title, size, margin = 40 }: { title: string; size: PaperSize; margin?: number },
  write: (doc: Paper) => void,
): Promise<Uint8Array> {
  const doc = new PDFDocument({
    size: [size.width, size.height],
    margin,
    pdfVersion: '1.7',
    // the types know of archives only
    subset: 'PDF/UA' as 'PDF/A-1',
    tagged: true,
    lang: 'en',
    displayTitle: true,
    bufferPages: true,
    font: fontAt.resolve(`${FONTS}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`),
    info: { Title: title, Producer: 'Green Tally', Creator: 'Green Tally' },
  });
  doc.registerFont(
    FACE.regular,
    fontAt.resolve(`${FONTS}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`),
  );
  doc.registerFont(
    FACE.bold,
    fontAt.resolve(`${FONTS}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`),
  );
  const written = new Promise<Uint8Array>((resolve, reject) => {
    const parts: Uint8Array[] = [];
    doc.on('data', (part: Uint8Array) => parts.push(part));
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(parts))));
    doc.on('error', reject);
  });
  write(doc);
  doc.end();
  return written;
}

/** What stands in a document's tree of parts. */
export type Part = 'H1' | 'H2' | 'H3' | 'P' | 'Figure' | 'Artifact';

/** Draws a part of a document under its tag; a figure says in words what it shows. */
export function part(doc: Paper, tag: Part, draw: () => void, alt?: string): void {
  if (tag === 'Artifact') {
    // page numbers and rules: nobody has them read out
    doc.markContent('Artifact', { type: 'Layout' });
    draw();
    doc.endMarkedContent();
    return;
  }
  doc.addStructure(doc.struct(tag, alt ? { alt } : {}, draw));
}
