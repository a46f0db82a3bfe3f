import { z } from 'zod';

/**
 * A number typed into a form: decimal comma or point; an empty field is no number. `wanted` is said
 * when it is none.
 */
export const formNumber = (wanted: string, least: 'positive' | 'zeroOrMore' = 'positive') =>
  z.preprocess(
    (typed) =>
      typeof typed === 'string'
        ? typed.trim() === ''
          ? undefined
          : Number(typed.trim().replace(',', '.'))
        : typed,
    least === 'positive' ? z.number(wanted).positive(wanted) : z.number(wanted).nonnegative(wanted),
  );
