import { z } from 'zod';
import { Id, Moment, ShortText } from '../common';

/** What a token may read, a word for what belongs together. */
export const TOKEN_READS = {
  machines: ['GET /yard', 'GET /machines/{id}', 'GET /customers', 'GET /headers', 'GET /hours'],
  readings: ['GET /readings.csv'],
  due: ['GET /due', 'GET /due.csv', 'GET /due.ics'],
  work: ['GET /work'],
  plan: ['GET /visits', 'GET /plan.csv', 'GET /plan.ics'],
  parts: ['GET /parts', 'GET /parts.csv', 'GET /catalogue.csv'],
} as const;

export const TokenScope = z.enum(['machines', 'readings', 'due', 'work', 'plan', 'parts']);
export type TokenScope = z.infer<typeof TokenScope>;

/** A token that another program reads with: one branch, some lists, never a write. */
export const ApiToken = z.object({
  id: Id,
  name: ShortText.describe('what uses it, in a word'),
  branch: ShortText,
  scopes: z.array(TokenScope).min(1, 'at least one of what may be read'),
  madeBy: ShortText,
  madeAt: Moment,
  expiresAt: Moment.nullable(),
  revokedAt: Moment.nullable(),
  usedAt: Moment.nullable(),
});
export type ApiToken = z.infer<typeof ApiToken>;

export const TokenAsked = z.object({
  name: ShortText,
  branch: ShortText,
  scopes: ApiToken.shape.scopes,
  days: z.int().min(1).max(3650).nullable().default(365).describe('null: until it is taken back'),
});
export type TokenAsked = z.output<typeof TokenAsked>;

export const NewToken = ApiToken.extend({ key: z.string().describe('told once') });
export type NewToken = z.infer<typeof NewToken>;
export const ApiTokens = z.object({ tokens: z.array(ApiToken) });
