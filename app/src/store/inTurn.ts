import type { RouteId } from '@green-tally/core/api';
import { call, type AnswerOf, type Asked } from './api';
import { local } from './local';
import { flushSoon, isHeld, sentElsewhere } from './outbox';
import { isOwn } from './owner';
import { onSync } from './sync';

/**
 * Asks a route of the API. What is written goes after what was taken here before it: a visit after
 * the work it is for, however slow the signal.
 * @throws ApiProblem, Unreachable
 */
export async function api<K extends RouteId>(id: K, asked: Asked<K>): Promise<AnswerOf<K>> {
  if (!id.startsWith('GET ')) await sentBefore();
  return call(id, asked);
}

/** So long what is written straight to the server waits for what was taken before it, ms. */
const TURN_MS = 10_000;
/** Looked at so often while another tab sends, ms. */
const LOOK_MS = 250;

/**
 * Resolves when all that waits here to be sent has been answered; photos, which take long, and what
 * is held are not waited for. At once where sending stops for want of signal (what asked goes the
 * same way then, and says so), and after 10 s at the latest.
 */
async function sentBefore(): Promise<void> {
  const before = await onTheirWay();
  if (before.length === 0) return;
  let over = false;
  void flushSoon().then(() => (over = true));
  const until = Date.now() + TURN_MS;
  while (Date.now() < until) {
    const still = new Set(await onTheirWay());
    if (!before.some((id) => still.has(id)) || (over && !sentElsewhere())) return;
    await new Promise<void>((look) => {
      const late = setTimeout(heard, LOOK_MS);
      const deaf = onSync(heard);
      function heard() {
        clearTimeout(late);
        deaf();
        look();
      }
    });
  }
}

const onTheirWay = async (): Promise<readonly string[]> =>
  (await local.outgoing.where('state').equals('waiting').toArray())
    .filter((o) => isOwn(o) && !isHeld(o) && o.kind !== 'photo')
    .map((o) => o.id);
