import { listTokens, makeToken, revokeToken } from '../../tokens/tokens';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** Tokens that other programs read with. */
export const tokenHandlers = ({ clock }: Setting) =>
  ({
    'GET /tokens': async () => ({ tokens: await listTokens() }),
    'POST /tokens': ({ body, person }) => makeToken(body, { person, now: clock.now() }),
    'DELETE /tokens/{id}': ({ params }) => revokeToken(params.id, clock.now()),
  }) satisfies Partial<Handlers>;
