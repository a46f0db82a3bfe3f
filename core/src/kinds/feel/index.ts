import type { Kind } from '../kind';
import { admitTravel } from '../travel/admit';
import { FEEL_WORDS, slotWords } from '../travel/words';
import { judgeFeel } from './judge';

/** An ordered feel: stuck, just slides, slides easily, hangs. */
export const feel: Kind<'feel'> = {
  name: 'Feel',
  takes: ['feel', 'travel'],
  wants: (check) =>
    `${check.good.map((f) => FEEL_WORDS[f]).join(' or ')}${check.asksPlay ? ', no play' : ''}`,
  drawn: (check) => `slide it on the lower sprocket${slotWords(check)}`,
  admit: (check, value) => (value.kind === 'travel' ? admitTravel(check, value) : []),
  judge: judgeFeel,
};
