// Asks a running server as somebody signed in, and tells how long it took.
const PASSWORD = 'before-harvest';

/** Times of one thing, ms. */
const sorted = (times) => [...times].sort((a, b) => a - b);
export const share = (times, part) => {
  const s = sorted(times);
  return s[Math.min(s.length - 1, Math.floor(s.length * part))] ?? NaN;
};

/** Somebody signed in: asks, and tells how long it took and how much came. */
export async function signIn(base, name) {
  const first = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ signIn: name, password: PASSWORD }),
  });
  const cookie = first.headers.get('set-cookie')?.split(';')[0] ?? '';
  return async (path, body, type = 'application/json') => {
    const from = performance.now();
    const response = await fetch(`${base}/api${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { cookie, ...(body === undefined ? {} : { 'content-type': type }) },
      ...(body === undefined
        ? {}
        : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const text = await response.text();
    if (!response.ok) throw new Error(`${path}: ${response.status} ${text.slice(0, 300)}`);
    const ms = performance.now() - from;
    // what is refused costs less: it must not count as stored
    if (path === '/readings:batch')
      for (const r of JSON.parse(text).results)
        if (r.result !== 'accepted') throw new Error(JSON.stringify(r));
    return { ms, bytes: text.length, text };
  };
}

/** Waits until workers have judged all machines. Ms that it took. */
export async function allJudged(ask) {
  const from = performance.now();
  for (;;) {
    const { all } = JSON.parse((await ask('/yard?limit=1')).text);
    if (all.behind === 0) return performance.now() - from;
    await new Promise((done) => setTimeout(done, 500));
  }
}

/** A sheet of so many checks, as text, made of those of a model of the demo. */
export async function largeSheet(ask, model, count) {
  const { sheet } = JSON.parse((await ask('/specs/Ouzel%207')).text);
  const checks = Array.from({ length: count }, (_, i) => ({
    ...sheet.checks[i % sheet.checks.length],
    id: `check-${i}`,
    component: `Component ${i}`,
    knockOns: [],
    mates: [],
    pairs: undefined,
  }));
  return JSON.stringify({ ...sheet, model, checks });
}

/** Sends a sheet's file in, to be shown or stored. What is refused takes another way: it throws. */
export async function sendSheet(ask, text, { preview = false } = {}) {
  const sent = await ask(`/specs/import${preview ? '?preview=yes' : ''}`, text, 'text/plain');
  const { errors, stored } = JSON.parse(sent.text);
  if (errors.length || stored === preview) throw new Error(JSON.stringify(errors[0] ?? stored));
  return sent;
}
