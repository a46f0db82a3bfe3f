import {
  randomBytes,
  scrypt as scryptCallback,
  timingSafeEqual,
  type ScryptOptions,
} from 'node:crypto';
import { promisify } from 'node:util';

const scrypt = promisify<string, Buffer, number, ScryptOptions, Buffer>(scryptCallback);
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 };
const LENGTH = 32;

/** A salted scrypt hash: "scrypt$N$salt$key", base64. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await scrypt(password, salt, LENGTH, COST);
  return ['scrypt', COST.N, salt.toString('base64'), key.toString('base64')].join('$');
}

/** Whether the password belongs to the hash; takes as long when it does not. */
export async function passwordFits(password: string, hash: string): Promise<boolean> {
  const [, cost, salt, key] = hash.split('$');
  if (!cost || !salt || !key) return false;
  const expected = Buffer.from(key, 'base64');
  const given = await scrypt(password, Buffer.from(salt, 'base64'), expected.length, {
    ...COST,
    N: Number(cost),
  });
  return timingSafeEqual(expected, given);
}
