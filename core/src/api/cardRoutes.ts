import { z } from 'zod';
import { CardLink, OperatorCard, OperatorNote, OperatorSaid } from '../contracts';
import { ById } from './params';
import type { Route } from './route';

const ByKey = z.object({ key: z.string().min(1).max(120) });

/** Routes about operators: their cards, and what they say. */
export const CARD_ROUTES = {
  'GET /machines/{id}/cards': {
    summary: 'Links to the machine’s operator’s card',
    door: 'look',
    of: 'machine',
    params: ById,
    answer: z.object({ cards: z.array(CardLink) }),
  },
  'POST /machines/{id}/cards': {
    summary: 'Make a link to the machine’s operator’s card',
    door: 'takeReadings',
    of: 'machine',
    params: ById,
    status: 201,
    answer: CardLink,
  },
  'DELETE /cards/{id}': {
    summary: 'Take a link back: it opens nothing any more',
    door: 'takeReadings',
    of: 'card',
    params: ById,
    answer: CardLink,
  },
  'GET /card/{key}': {
    summary: 'The operator’s card of one machine, for whoever has its link',
    door: 'anyone',
    of: 'card',
    params: ByKey,
    answer: OperatorCard,
  },
  'POST /card/{key}': {
    summary: 'What an operator says; sent twice it is there once',
    door: 'anyone',
    of: 'card',
    params: ByKey,
    body: OperatorNote,
    status: 201,
    answer: OperatorSaid,
  },
  'GET /said/{id}/photo': {
    summary: 'The photo that came with what an operator said',
    door: 'look',
    of: 'photo',
    params: ById,
    answer: 'image/jpeg',
  },
} as const satisfies Readonly<Record<string, Route>>;
