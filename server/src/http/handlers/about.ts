import { stripPaper } from '../../papers/strip';
import { openApiDocument } from '../openapi';
import type { Handlers } from '../mount';

/** What is the same for everybody: the API about itself, and what anyone may print. */
export const aboutHandlers = () =>
  ({
    'GET /openapi.json': () => ({ text: JSON.stringify(openApiDocument()) }),
    'GET /strip.pdf': async ({ query }) => ({
      bytes: await stripPaper(query.paper),
      filename: `reference-strip-${query.paper}.pdf`,
    }),
  }) satisfies Partial<Handlers>;
