import { openApiDocument } from '../openapi';
import type { Handlers } from '../mount';

/** The API about itself. */
export const aboutHandlers = () =>
  ({
    'GET /openapi.json': () => ({ text: JSON.stringify(openApiDocument()) }),
  }) satisfies Partial<Handlers>;
