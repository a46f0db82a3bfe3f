/*
 * Labels: what their codes hold, and the sheets they are printed on. A code is the address of a page,
 * so that any phone's camera opens it; the app reads it by itself as well.
 */

/** What a label opens. */
export type LabelKind = 'machine' | 'walk' | 'header' | 'station' | 'card';

/** A sheet of labels as it is sold, mm: so many across and down, each so wide and high, the first so far in. */
export interface LabelSheet {
  readonly title: string;
  readonly paper: 'a4' | 'letter';
  readonly across: number;
  readonly down: number;
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly top: number;
  /** from one to the next */
  readonly stepX: number;
  readonly stepY: number;
}

/** Common sizes. */
export const LABEL_SHEETS = {
  'a4-24': {
    ...{ title: '24 on A4, 70 × 37 mm', paper: 'a4', across: 3, down: 8, width: 70, height: 37 },
    ...{ left: 0, top: 0.5, stepX: 70, stepY: 37 },
  },
  'a4-14': {
    ...{
      title: '14 on A4, 99.1 × 38.1 mm',
      paper: 'a4',
      across: 2,
      down: 7,
      width: 99.1,
      height: 38.1,
    },
    ...{ left: 4.65, top: 15.15, stepX: 101.6, stepY: 38.1 },
  },
  'a4-8': {
    ...{
      title: '8 on A4, 99.1 × 67.7 mm',
      paper: 'a4',
      across: 2,
      down: 4,
      width: 99.1,
      height: 67.7,
    },
    ...{ left: 4.65, top: 13.1, stepX: 101.6, stepY: 67.7 },
  },
  'letter-30': {
    ...{
      title: '30 on Letter, 66.7 × 25.4 mm',
      paper: 'letter',
      across: 3,
      down: 10,
      width: 66.7,
      height: 25.4,
    },
    ...{ left: 4.8, top: 12.7, stepX: 69.9, stepY: 25.4 },
  },
  'letter-10': {
    ...{
      title: '10 on Letter, 101.6 × 50.8 mm',
      paper: 'letter',
      across: 2,
      down: 5,
      width: 101.6,
      height: 50.8,
    },
    ...{ left: 4.8, top: 12.7, stepX: 104.8, stepY: 50.8 },
  },
} as const satisfies Record<string, LabelSheet>;
export type LabelSize = keyof typeof LABEL_SHEETS;
export const LABEL_SIZES = Object.keys(LABEL_SHEETS) as [LabelSize, ...LabelSize[]];

/** The address a label's code holds. @param origin of this place, "https://tally.example" */
export function labelCode(
  origin: string,
  of: { readonly kind: LabelKind; readonly id: string; readonly station?: number },
): string {
  switch (of.kind) {
    case 'machine':
    case 'header':
      return `${origin}/machine/${of.id}`;
    case 'walk':
      return `${origin}/walk/${of.id}`;
    case 'station':
      return `${origin}/walk/${of.id}?station=${of.station ?? 0}`;
    case 'card':
      return `${origin}/card/${of.id}`;
  }
}

/** What a code that was seen opens. */
export type CodeRead =
  { readonly opens: string } | { readonly serial: string } | { readonly trouble: string };

/** Pages that a label may open; nothing else of a code is followed. */
const PAGES = [
  /^\/machine\/[0-9a-f-]{36}$/,
  /^\/walk\/[0-9a-f-]{36}(\?station=\d{1,2})?$/,
  /^\/card\/[0-9a-f-]{36}~[\w-]{10,60}$/,
  /^\/r\/[0-9a-f-]{36}~[\w-]{10,60}$/,
];

/**
 * Reads a code: a page of this place, or the serial of a machine in plain letters. A code of another
 * place, or of something else, says so and is not followed.
 */
export function readCode(text: string, origin: string): CodeRead {
  const seen = text.trim();
  const address = /^https?:\/\/[^/\s]+/i.exec(seen)?.[0];
  if (address) {
    if (address.toLowerCase() !== origin.toLowerCase())
      return {
        trouble: `This code belongs to ${address.replace(/^https?:\/\//i, '')}, not to this place. It is not opened.`,
      };
    const page = seen.slice(address.length);
    return PAGES.some((p) => p.test(page))
      ? { opens: page }
      : { trouble: 'This code is none of our labels. It is not opened.' };
  }
  if (/^[\p{L}\d][\p{L}\d ./-]{0,39}$/u.test(seen)) return { serial: seen };
  return { trouble: 'This code is none of our labels.' };
}
