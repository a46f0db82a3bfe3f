import type { MarkCheck } from '../../contracts';
import { printNumber } from '../../units';
import type { Kind } from '../kind';
import { admitTravel } from '../travel/admit';
import { sidesFinding } from '../travel/tension';
import { slotWords } from '../travel/words';
import { judgeMark } from './judge';

/** Where an indicator stands against its mark: short of it, at it, past it. */
export const mark: Kind<'mark'> = {
  name: 'Mark',
  takes: ['mark', 'travel'],
  wants: (check) =>
    check.setsItself ? 'looked at, never adjusted' : `at its mark${past(check)}${slot(check)}`,
  drawn: (check) =>
    `${check.words.at}, up to ${check.gauge.past} mm past is fine${slotWords(check)}`,
  admit: (check, value) => (value.kind === 'travel' ? admitTravel(check, value) : []),
  judge: judgeMark,
  between: sidesFinding,
};

const past = ({ gauge }: MarkCheck): string =>
  gauge.past > 0 ? `, to ${printNumber(gauge.past, 1)} mm past` : '';
const slot = ({ takeUp }: MarkCheck): string =>
  takeUp ? `, slot ${printNumber(takeUp.total, 0)} mm` : '';
