import { scrypt as scryptCallback, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { promisify } from 'node:util';
import { hash, verify } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';
import type { FieldTrouble } from '@green-tally/core/contracts';
import { Invalid } from '../errors';

/** Argon2id at the cost that OWASP names as the least: 19 MiB, two passes. */
const COST = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;
const OF_TODAY = `$argon2id$v=19$m=${COST.memoryCost},t=${COST.timeCost},p=${COST.parallelism}$`;

/** The same letters are the same password, however a keyboard composes them. */
const composed = (password: string): string => password.normalize('NFC');

/** A salted hash that says how it was made. */
export const hashPassword = (password: string): Promise<string> => hash(composed(password), COST);

/** Whether the password belongs to the hash; takes as long when it does not. */
export async function passwordFits(password: string, kept: string): Promise<boolean> {
  if (kept.startsWith('scrypt$')) return scryptFits(password, kept);
  try {
    return await verify(kept, composed(password));
  } catch {
    // not a hash of ours
    return false;
  }
}

/** Whether a hash was made otherwise than hashes are made today: the next sign-in makes it anew. */
export const hashIsOld = (kept: string): boolean => !kept.startsWith(OF_TODAY);

const scrypt = promisify<string, Buffer, number, ScryptOptions, Buffer>(scryptCallback);

/** A hash of an earlier edition: "scrypt$N$salt$key", base64. */
async function scryptFits(password: string, kept: string): Promise<boolean> {
  const [, cost, salt, key] = kept.split('$');
  if (!cost || !salt || !key) return false;
  const expected = Buffer.from(key, 'base64');
  const given = await scrypt(password, Buffer.from(salt, 'base64'), expected.length, {
    ...{ N: Number(cost), r: 8, p: 1 },
    maxmem: 64 * 1024 * 1024,
  });
  return timingSafeEqual(expected, given);
}

/** Passwords that are tried first by whoever tries: read once, when somebody sets one. */
let common: ReadonlySet<string> | undefined;
const commonOnes = (): ReadonlySet<string> =>
  (common ??= new Set(
    Object.entries(dictionary)
      .filter(([name]) => name.startsWith('passwords'))
      .flatMap(([, words]) => words.map((w) => String(w).toLowerCase())),
  ));

/** What everybody would try here. */
const OF_THIS_PLACE = ['greentally', 'combine', 'harvest'];

/** The same few letters over and over, or a row of the keyboard, is no password. */
const PLAIN = /^(.{1,3})\1{2,}.{0,2}$/u;

/**
 * What is wrong with a password that others would guess: one of the common ones, the person's own
 * name, the same letters over and over.
 * @param about words of the person: name, sign-in name
 */
export function guessable(password: string, about: readonly string[]): FieldTrouble[] {
  const plain = password.toLowerCase();
  const letters = plain.replace(/[^\p{L}\p{N}]/gu, '');
  const words = about.map((a) => a.toLowerCase().replace(/[^\p{L}\p{N}]/gu, ''));
  const guessed =
    commonOnes().has(plain) ||
    commonOnes().has(letters) ||
    PLAIN.test(plain) ||
    [...OF_THIS_PLACE, ...words].some((w) => w.length > 2 && letters.replace(/\d+/g, '') === w);
  return guessed
    ? [
        {
          field: 'password',
          message:
            'wanted a password that nobody would guess: this is one of those that are tried first. Three or four words of your own, say',
        },
      ]
    : [];
}

/** Refuses a password that others would guess. @throws Invalid */
export function refuseGuessable(password: string, about: readonly string[]): void {
  const troubles = guessable(password, about);
  if (troubles.length)
    throw new Invalid(
      'Some of this cannot be used',
      'This password is one of those that are tried first.',
      troubles,
    );
}
