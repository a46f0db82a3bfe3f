// A phone that keeps what it took until it is answered, as the app's outbox does.
import { pause } from './random.mjs';

const PASSWORD = 'before-harvest';
/** A phone gives an answer so long, ms. */
const PATIENCE = 6000;

/**
 * @param {string | readonly string[]} bases where servers are reached: the next where one is not
 * @param {string} name who is signed in
 * @param {number} patience how long an answer is given, ms
 */
export function phone(bases, name, patience = PATIENCE) {
  const all = [bases].flat();
  let at = 0;
  let cookie = '';
  const told = { tries: 0, unanswered: 0, later: 0, signIns: 0 };

  async function call(method, path, body, type = 'application/json') {
    const response = await fetch(`${all[at % all.length]}/api${path}`, {
      method,
      signal: AbortSignal.timeout(patience),
      headers: { cookie, ...(body === undefined ? {} : { 'content-type': type }) },
      ...(body === undefined
        ? {}
        : { body: type === 'application/json' ? JSON.stringify(body) : body }),
    });
    const text = await response.text();
    if (path === '/session' && response.ok)
      cookie = response.headers.get('set-cookie')?.split(';')[0] ?? cookie;
    return { status: response.status, body: text ? JSON.parse(text) : undefined };
  }

  /** Sends until there is an answer that is one: whatever is lost, late or unwell is sent again. */
  async function send(method, path, body, type) {
    for (let tries = 0; ; tries += 1) {
      told.tries += 1;
      try {
        const answer = await call(method, path, body, type);
        if (answer.status === 401) {
          told.signIns += 1;
          await call('POST', '/session', { signIn: name, password: PASSWORD });
        } else if (answer.status < 500 && answer.status !== 429) return answer;
        else if (answer.status === 503 || answer.status === 429) told.later += 1;
        else throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.body)}`);
      } catch (error) {
        if (/: 5\d\d /.test(String(error))) throw error;
        told.unanswered += 1;
        at += 1;
      }
      await pause(Math.min(1000, 60 * 2 ** Math.min(tries, 5)));
    }
  }
  return { send, told };
}
