import { announcePhoto, dropPhoto, photoShown, photoToSee, takePart } from '../../photos/photos';
import { databaseStore } from '../../photos/store';
import { UNCHANGED, type Handlers } from '../mount';
import type { Setting } from '../setting';

/** Photos, in parts both small and resumable. */
export function photoHandlers({ db, clock, photos }: Setting) {
  const store = photos ?? databaseStore(db.sequelize);
  return {
    'PUT /photos/{id}': ({ params, body, person }) =>
      announcePhoto(db, { ...body, id: params.id }, person),
    'POST /photos/{id}/parts': ({ params, query, body, person }) =>
      takePart(db, store, { id: params.id, from: query.from, data: body, person }),
    'GET /photos/{id}': async ({ params, query, person, unchanged }) => {
      // what it shows never changes; whether one may see it does
      const photo = await photoToSee(params.id, person);
      if (unchanged(`"${photo.id}-${query.size}"`)) return UNCHANGED;
      return { bytes: await photoShown(store, photo, query.size) };
    },
    'DELETE /photos/{id}': ({ params, person }) =>
      dropPhoto(db, store, { id: params.id, person, now: clock.now() }),
  } satisfies Partial<Handlers>;
}
