import { FORMATS } from '../../archive/formats';
import { bringIn } from '../../archive/read';
import { withSent } from '../../archive/upload';
import { writeArchive } from '../../archive/write';
import { databaseStore } from '../../photos/store';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** What goes out and comes in as a whole, and the formats of all files. */
export const archiveHandlers = ({ db, clock, photos = databaseStore(db.sequelize) }: Setting) =>
  ({
    'GET /archive.zip': ({ person }) => ({
      stream: writeArchive({ db, photos, by: person.name, now: clock.now() }),
      filename: `green-tally-${clock.today()}.zip`,
    }),
    'POST /archive': ({ req, query, person }) =>
      withSent(req, (file) => bringIn(file, { db, photos, person, look: query.look === 'yes' })),
    'GET /formats': () => ({ formats: [...FORMATS] }),
  }) satisfies Partial<Handlers>;
