import { cardFor, hear, listCards, makeCard, revokeCard, saidPhoto } from '../../cards/cards';
import { databaseStore } from '../../photos/store';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** The operator's card and its links. */
export function cardHandlers({ db, clock, photos, sessionSecret }: Setting) {
  const cards = { db, secret: sessionSecret, store: photos ?? databaseStore(db.sequelize) };
  return {
    'GET /machines/{id}/cards': async ({ params, person }) => ({
      cards: await listCards(cards, params.id, person),
    }),
    'POST /machines/{id}/cards': ({ params, person }) =>
      makeCard(cards, params.id, { person, now: clock.now() }),
    'DELETE /cards/{id}': ({ params, person }) =>
      revokeCard(cards, params.id, { person, now: clock.now() }),
    'GET /card/{key}': ({ params, res }) => {
      res.set('referrer-policy', 'no-referrer');
      return cardFor(cards, params.key, clock.today());
    },
    'POST /card/{key}': ({ params, body }) =>
      hear(cards, params.key, { note: body, now: clock.now() }),
    'GET /said/{id}/photo': async ({ params, person }) => ({
      bytes: await saidPhoto(cards, params.id, person),
    }),
  } satisfies Partial<Handlers>;
}
