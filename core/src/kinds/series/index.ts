import type { Kind } from '../kind';
import { admitMeasured } from '../measure/admit';
import { judgeBetween, judgeMeasured, stripOf } from '../measure/judge';
import { limitWords } from '../measure/words';
import { slotWords } from '../travel/words';
import { implausibleMeasure, spoiltMeasure } from '../measure/plausible';

/** The same measure at many places, taken in one pass: row by row, corner by corner. */
export const series: Kind<'series'> = {
  name: 'Series',
  takes: ['measure', 'look', 'travel'],
  wants: (check) => limitWords(check),
  drawn: (check) => `${check.measures}: ${limitWords(check, check, 1)}${slotWords(check)}`,
  admit: admitMeasured,
  implausible: implausibleMeasure,
  spoilt: spoiltMeasure,
  judge: judgeMeasured,
  between: judgeBetween,
  strip: stripOf,
};
