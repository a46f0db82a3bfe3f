import type { Feel } from '../../contracts';
import { notA, plainCell, type CsvForm } from '../csv';

const WRITTEN: Readonly<Record<Feel, string>> = {
  stuck: 'stuck',
  justSlides: 'just slides',
  slidesEasily: 'slides easily',
  hangs: 'hangs',
};

const READ: ReadonlyMap<string, string> = new Map([
  ...Object.entries(WRITTEN).map(([feel, text]) => [text, feel] as const),
  ['hangs loose', 'hangs'],
]);

/** `stuck`, `just slides`, `slides easily`, `hangs`; `, with play` or `, no play` after it. */
export const FEEL_CSV: CsvForm<'feel'> = {
  read(row) {
    const [, said = '', play] =
      /^(.+?)(?:,? (with|no) play)?$/i.exec(row.cell('value').trim()) ?? [];
    const feel = READ.get(said.toLowerCase());
    if (!feel) return notA(row, 'feel', 'stuck, just slides, slides easily or hangs');
    return { kind: 'feel', feel, ...(play ? { play: play.toLowerCase() === 'with' } : {}) };
  },
  write({ feel, play }) {
    if (play === undefined) return plainCell(WRITTEN[feel]);
    return plainCell(`${WRITTEN[feel]}${play ? ', with play' : ', no play'}`);
  },
};
