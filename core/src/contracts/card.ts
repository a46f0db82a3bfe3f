import { z } from 'zod';
import { Day, Id, LongText, Moment, ShortText, Slug } from './common';

/** A link that opens one machine's operator's card, and nothing else; no account is needed. */
export const CardLink = z.object({
  id: Id,
  machineId: Id,
  key: z.string().describe('what the link ends with: whoever has it may open the card'),
  madeBy: ShortText,
  madeAt: Moment,
  revokedAt: Moment.nullable(),
});
export type CardLink = z.infer<typeof CardLink>;

/** No card asks for more. */
export const MOST_CARD_ITEMS = 10;

/** One thing to look at on the card. */
export const CardItem = z.object({
  checkId: Slug,
  component: ShortText,
  stationName: ShortText,
  asks: ShortText.describe('what is looked for'),
  how: LongText,
  safety: z.array(ShortText),
});
export type CardItem = z.infer<typeof CardItem>;

/** What a card shows whoever opens it: the machine and today's few checks; no customer, no verdicts. */
export const OperatorCard = z.object({
  machine: z.object({
    id: Id,
    serial: ShortText,
    model: ShortText,
    hours: z.number(),
    crop: ShortText,
  }),
  today: Day,
  items: z.array(CardItem).max(MOST_CARD_ITEMS),
});
export type OperatorCard = z.infer<typeof OperatorCard>;

const Answer = z.object({
  checkId: Slug,
  is: z.enum(['fine', 'notFine', 'notLooked']),
  said: z.string().trim().max(300).default(''),
});

const said = {
  id: Id,
  at: Moment,
  name: ShortText.describe('who says it, as they give it'),
  hours: z.number().finite().nonnegative().max(100_000).nullable(),
  noticed: LongText.default(''),
  answers: z.array(Answer).max(MOST_CARD_ITEMS),
};

/** What an operator sends: never a reading, always what somebody says. */
export const OperatorNote = z
  .object({
    ...said,
    photo: z.base64().max(600_000).nullable().default(null).describe('a JPEG, base64'),
  })
  .refine(
    (n) =>
      n.noticed.trim() !== '' ||
      n.hours !== null ||
      n.photo !== null ||
      n.answers.some((a) => a.is !== 'notLooked'),
    { path: ['noticed'], message: 'hours, something noticed, a photo or an answer' },
  );
export type OperatorNote = z.infer<typeof OperatorNote>;

/** What an operator said, as it lies among a machine's facts. */
export const OperatorSaid = z.object({
  ...said,
  machineId: Id,
  cardId: Id,
  photo: z.boolean(),
});
export type OperatorSaid = z.infer<typeof OperatorSaid>;
