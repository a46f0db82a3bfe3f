import type { Kind } from '../kind';
import { admitMeasured } from './admit';
import { judgeBetween, judgeMeasured, stripOf } from './judge';
import { limitWords } from './words';
import { slotWords } from '../travel/words';
import { implausibleMeasure, spoiltMeasure } from './plausible';

/** A length, force, frequency, speed, voltage, torque, angle or pressure at one place or a few. */
export const measure: Kind<'measure'> = {
  name: 'Measure',
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
