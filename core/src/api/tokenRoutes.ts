import { z } from 'zod';
import { Id } from '../contracts';
import { ApiToken, ApiTokens, NewToken, TokenAsked } from '../contracts/tokens';
import type { Route } from './route';

/** Routes about tokens that other programs read with. */
export const TOKEN_ROUTES = {
  'GET /tokens': {
    summary: 'Tokens that other programs read with, newest first',
    door: 'keepPeople',
    answer: ApiTokens,
  },
  'POST /tokens': {
    summary: 'Make a token that reads some lists of one branch; it is told once',
    door: 'keepPeople',
    body: TokenAsked,
    status: 201,
    answer: NewToken,
  },
  'DELETE /tokens/{id}': {
    summary: 'Take a token back: it reads nothing any more',
    door: 'keepPeople',
    of: 'token',
    params: z.object({ id: Id }),
    answer: ApiToken,
  },
} as const satisfies Readonly<Record<string, Route>>;
