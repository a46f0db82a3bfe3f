import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { handlersFor } from './handlers';
import { health } from './health';
import { limitCalls, limitTokens, limitTries } from './limits';
import { logRequests } from './log';
import { mountRoutes } from './mount';
import { answerProblem, noSuchRoute } from './problem';
import { ownOrigin, sessions } from './session';
import type { Setting } from './setting';

/** The whole HTTP face: the API under /api, the web app elsewhere. Holds no state of its own. */
export function createApp(setting: Setting): Express {
  const app = express();
  // whoever asks is whom the connection comes from, unless a proxy before it was named
  app.set('trust proxy', setting.proxy ?? false);
  app.disable('x-powered-by');
  if (setting.metrics) app.use(setting.metrics.watch);
  app.use(logRequests(setting.logLevel, setting.logInto));
  app.use(health({ db: setting.db, metrics: setting.metrics, token: setting.metricsToken }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'", 'data:'],
          workerSrc: ["'self'", 'blob:'],
          connectSrc: ["'self'", ...(setting.gauge ? [setting.gauge] : [])],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
    }),
  );
  app.use(compression());
  const api = express.Router();
  // what is told is told to who asked, now: nothing of it is kept on a shared phone
  api.use((_req, res, next) => {
    res.set('cache-control', 'private, no-store');
    next();
  });
  api.use(sessions(setting.db, setting.sessionSecret), ownOrigin);
  api.use(limitTokens(setting.db));
  const triesLimit = limitTries(setting.db);
  api.use(
    mountRoutes(handlersFor(setting), {
      db: setting.db,
      now: setting.clock.now,
      gates: {
        'POST /session': triesLimit,
        'POST /setup': triesLimit,
        'GET /card/{key}': triesLimit,
        'POST /card/{key}': limitCalls(setting.db),
        'GET /report/{key}': triesLimit,
        'GET /report/{key}/report.pdf': limitCalls(setting.db),
        'GET /report/{key}/photos/{id}': triesLimit,
        'POST /report/{key}/answers': limitCalls(setting.db),
      },
      checkAnswers: setting.checkAnswers ?? false,
    }),
    noSuchRoute,
  );
  app.use('/api', api);
  if (setting.appDir) serveApp(app, setting.appDir);
  app.use(answerProblem);
  return app;
}

function serveApp(app: Express, appDir: string): void {
  app.use('/_expo', express.static(join(appDir, '_expo'), { immutable: true, maxAge: '365d' }));
  app.use('/assets', express.static(join(appDir, 'assets'), { immutable: true, maxAge: '365d' }));
  app.use(express.static(appDir, { index: false, maxAge: 0 }));
  app.get('/{*place}', (req, res, next) => {
    const index = join(appDir, 'index.html');
    if (/\.[a-z0-9]+$/i.test(req.path) || !existsSync(index)) return next();
    res.set('cache-control', 'no-cache').sendFile(index);
  });
  app.use((_req, res) => void res.status(404).type('text').send('Not found'));
}
