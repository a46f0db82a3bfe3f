import { createHmac, timingSafeEqual } from 'node:crypto';

/*
 * Links that open one thing without an account. A link ends with the thing's id and a signature of it
 * by the server's own secret, so that nothing secret is stored; what it opens can be taken back.
 */

const signatureOf = (what: string, id: string, secret: string): string =>
  createHmac('sha256', secret).update(`${what}|${id}`).digest('base64url').slice(0, 22);

/** The secret end of a link. @param what it opens: a signature for one opens nothing else */
export const linkKey = (what: string, id: string, secret: string): string =>
  `${id}~${signatureOf(what, id, secret)}`;

/** The id that a link's end stands for; undefined where it is not signed by us. */
export function idOfLink(what: string, key: string, secret: string): string | undefined {
  const [id = '', given = ''] = key.split('~');
  const wanted = Buffer.from(signatureOf(what, id, secret));
  const asked = Buffer.from(given);
  return asked.length === wanted.length && timingSafeEqual(asked, wanted) ? id : undefined;
}
