import { announcePhoto, dropPhoto, photoShown, takePart } from '../../photos/photos';
import { databaseStore } from '../../photos/store';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** A year: what a photo shows never changes. */
const FOR_EVER = 'private, max-age=31536000, immutable';

/** Photos, in parts both small and resumable. */
export function photoHandlers({ db, clock, photos }: Setting) {
  const store = photos ?? databaseStore(db.sequelize);
  return {
    'PUT /photos/{id}': ({ params, body, person }) =>
      announcePhoto(db, { ...body, id: params.id }, person),
    'POST /photos/{id}/parts': ({ params, query, body, person }) =>
      takePart(db, store, { id: params.id, from: query.from, data: body, person }),
    'GET /photos/{id}': async ({ params, query, person, res }) => {
      const bytes = await photoShown(store, params.id, query.size, person);
      res.set('cache-control', FOR_EVER);
      return { bytes };
    },
    'DELETE /photos/{id}': ({ params, person }) =>
      dropPhoto(db, store, { id: params.id, person, now: clock.now() }),
  } satisfies Partial<Handlers>;
}
