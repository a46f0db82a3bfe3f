import { createHash, randomBytes, randomUUID, timingSafeEqual } from 'node:crypto';
import type { Person } from '@green-tally/core/contracts';
import {
  TOKEN_READS,
  type ApiToken,
  type NewToken,
  type TokenAsked,
} from '@green-tally/core/contracts/tokens';
import { ApiTokenRow, BranchRow } from '../db';
import { invalidField, NotFound } from '../errors';

/*
 * Tokens that other programs read with. A token belongs to one branch and reads the lists it was made for;
 * of its secret only a hash is stored.
 */

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');

const toToken = (row: ApiTokenRow): ApiToken => ({
  id: row.id,
  name: row.name,
  branch: row.branch,
  scopes: row.scopes,
  madeBy: row.madeBy,
  madeAt: row.madeAt.toISOString(),
  expiresAt: row.expiresAt?.toISOString() ?? null,
  revokedAt: row.revokedAt?.toISOString() ?? null,
  usedAt: row.usedAt?.toISOString() ?? null,
});

export async function listTokens(): Promise<ApiToken[]> {
  return (await ApiTokenRow.findAll({ order: [['madeAt', 'DESC']], limit: 200 })).map(toToken);
}

/** Makes a token. @throws Invalid for a branch that is none */
export async function makeToken(
  { name, branch, scopes, days }: TokenAsked,
  { person, now }: { readonly person: Person; readonly now: Date },
): Promise<NewToken> {
  if (!(await BranchRow.findOne({ where: { name: branch } })))
    throw invalidField('branch', `There is no branch ${branch}.`, 'a branch of this place');
  const secret = randomBytes(24).toString('base64url');
  const row = await ApiTokenRow.create({
    id: randomUUID(),
    ...{ name, branch, scopes: [...new Set(scopes)] },
    secretHash: hashOf(secret),
    madeBy: person.name,
    madeAt: now,
    expiresAt: days === null ? null : new Date(now.getTime() + days * 86_400_000),
  });
  return { ...toToken(row), key: `gt_${row.id}~${secret}` };
}

/** Takes a token back; once more does no harm. @throws NotFound */
export async function revokeToken(id: string, now: Date): Promise<ApiToken> {
  const row = await ApiTokenRow.findByPk(id);
  if (!row) throw new NotFound('token');
  return toToken(row.revokedAt ? row : await row.update({ revokedAt: now }));
}

/** Who reads by a token: nobody of the staff, of one branch, and of that alone. */
export interface TokenReader extends Person {
  readonly byToken: true;
}

/** When a token was last used is kept to so much, ms. */
const USED_TO = 60_000;

/**
 * Who a token stands for, and whether it may read a route; undefined where it is none, has ended, or was
 * taken back.
 */
export async function readerOf(
  key: string,
  route: string,
  now: Date,
): Promise<{ readonly person: TokenReader; readonly may: boolean } | undefined> {
  const [, id = '', secret = ''] = /^gt_([0-9a-f-]{36})~([\w-]{10,80})$/.exec(key) ?? [];
  const row = id ? await ApiTokenRow.findByPk(id) : null;
  const wanted = Buffer.from(row?.secretHash ?? hashOf(''));
  const given = Buffer.from(hashOf(secret));
  const right = wanted.length === given.length && timingSafeEqual(wanted, given);
  if (!row || !right || row.revokedAt || (row.expiresAt && row.expiresAt <= now)) return undefined;
  if (!row.usedAt || now.getTime() - row.usedAt.getTime() > USED_TO)
    await row.update({ usedAt: now });
  const may = row.scopes.some((scope) => (TOKEN_READS[scope] as readonly string[]).includes(route));
  return {
    may,
    person: {
      ...{ id: row.id, name: row.name, signIn: '', role: 'technician', branch: row.branch },
      byToken: true,
    },
  };
}
