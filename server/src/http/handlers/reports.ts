import { labelsOf } from '../../labels/labels';
import { makePaper } from '../../papers/make';
import { databaseStore } from '../../photos/store';
import { answerReport, sharedPaper, sharedPhoto, sharedReport } from '../../reports/opened';
import { paperName, printed } from '../../reports/printed';
import {
  reportLinks,
  reportNow,
  revokeReport,
  seasonOf,
  shareReport,
  type Reports,
} from '../../reports/reports';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** Reports to owners, their links, and what owners answer. */
export function reportHandlers({ db, clock, photos, mail, sessionSecret, readers }: Setting) {
  const store = photos ?? databaseStore(db.sequelize);
  const make = readers?.paper ?? makePaper;
  const reports = (): Reports => ({
    db,
    store,
    mail,
    make,
    today: clock.today(),
    now: clock.now(),
  });
  return {
    'GET /labels.pdf': async ({ query, person, req }) => {
      const origin = `${req.protocol}://${req.get('host') ?? ''}`;
      const cards = { db, store, secret: sessionSecret };
      const labels = await labelsOf(cards, { ...query, machine: query.machine, origin }, person);
      return {
        bytes: await make({ paper: 'labels', labels, size: query.size, skip: query.skip }),
        filename: `labels-${query.kind}.pdf`,
      };
    },
    'GET /season': ({ query, person }) => seasonOf(reports(), query.customer, person),
    'GET /season.pdf': async ({ query, person }) => {
      const season = await seasonOf(reports(), query.customer, person);
      return {
        bytes: await make({ paper: 'season', season, size: query.paper }),
        filename: `season-${season.today}.pdf`,
      };
    },
    'GET /machines/{id}/report': ({ params, query, person }) =>
      reportNow(reports(), { id: params.id, walk: query.walk }, person),
    'GET /machines/{id}/report.pdf': async ({ params, query, person }) => {
      const report = await reportNow(reports(), { id: params.id, walk: query.walk }, person);
      return { bytes: await printed(reports(), report, query.paper), filename: paperName(report) };
    },
    'GET /machines/{id}/report-links': async ({ params, person }) => ({
      links: await reportLinks(params.id, person),
    }),
    'POST /machines/{id}/report-links': ({ params, body, person, req }) =>
      shareReport(reports(), params.id, {
        person,
        asked: body,
        origin: req.get('origin') ?? `${req.protocol}://${req.get('host') ?? ''}`,
      }),
    'DELETE /report-links/{id}': ({ params, person }) => revokeReport(reports(), params.id, person),
    'GET /report/{key}': ({ params, res }) => {
      res.set('referrer-policy', 'no-referrer');
      return sharedReport(reports(), params.key);
    },
    'GET /report/{key}/report.pdf': ({ params, query }) =>
      sharedPaper(reports(), params.key, query.paper),
    'GET /report/{key}/photos/{id}': async ({ params, query }) => ({
      bytes: await sharedPhoto(reports(), params.key, { id: params.id, size: query.size }),
    }),
    'POST /report/{key}/answers': ({ params, body }) => answerReport(reports(), params.key, body),
  } satisfies Partial<Handlers>;
}
