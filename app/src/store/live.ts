import { mutate } from 'swr';
import { LiveChange } from '@green-tally/core/contracts';
import { changesOf } from './facts';
import { listsChanged } from './lists';

/*
 * What changes elsewhere, as it happens. One tab of a device listens to the server and tells the
 * others, since a browser holds few connections to one place open.
 */
const CHANNEL = 'green-tally-live';
/** Lists are asked for anew at most so often, however much changes. */
const LISTS_MS = 1000;
/** A machine's standing follows its facts this soon where workers are at work. */
const STANDING_MS = 1200;

let timer: ReturnType<typeof setTimeout> | undefined;
let due = Infinity;
let asked = 0;

/** Asks lists anew in a while, or sooner when that was wanted before. */
function listsIn(ms: number): void {
  const at = Math.max(Date.now() + ms, asked + LISTS_MS);
  if (at >= due) return;
  due = at;
  clearTimeout(timer);
  timer = setTimeout(() => {
    due = Infinity;
    asked = Date.now();
    listsChanged();
  }, at - Date.now());
}

/** Heeds one change: what shows it is asked for anew. */
export function heed({ what, id }: LiveChange): void {
  if (what === 'many') {
    listsIn(0);
    void mutate((key) => typeof key === 'string' && /^\/machines\/[^/]+\/changes$/.test(key));
    return;
  }
  if (what === 'search') {
    void mutate((key) => typeof key === 'string' && key === `/board/searches/${id ?? ''}`);
    return;
  }
  listsIn(what === 'facts' ? STANDING_MS : 50);
  if (what === 'facts' && id) void mutate(changesOf(id));
}

/** Begins to listen. @returns how to stop */
export function startLive(): () => void {
  if (typeof EventSource === 'undefined') return () => undefined;
  const stopped = new AbortController();
  const channel =
    typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL);
  channel?.addEventListener('message', ({ data }) => take(data));
  const locks = globalThis.navigator?.locks;
  if (locks)
    locks
      .request(CHANNEL, { signal: stopped.signal }, () => listenUntil(stopped.signal, channel))
      // stopped before its turn came
      .catch(() => undefined);
  else void listenUntil(stopped.signal, channel);
  return () => {
    stopped.abort();
    channel?.close();
    clearTimeout(timer);
    due = Infinity;
  };
}

function take(data: unknown): void {
  const change = LiveChange.safeParse(data);
  if (change.success) heed(change.data);
}

function listenUntil(signal: AbortSignal, channel: BroadcastChannel | undefined): Promise<void> {
  return new Promise((done) => {
    let source: EventSource | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    const open = () => {
      let lost = false;
      source = new EventSource('/api/events');
      source.addEventListener('message', ({ data }: MessageEvent<string>) => {
        const said: unknown = JSON.parse(data);
        channel?.postMessage(said);
        take(said);
      });
      source.addEventListener('error', () => {
        lost = true;
        // refused, not lost: signed out, say. It is tried again by and by
        if (source?.readyState === EventSource.CLOSED) again = setTimeout(open, 15_000);
      });
      source.addEventListener('open', () => {
        if (lost) heed({ what: 'many', id: null, version: 0 });
        lost = false;
      });
    };
    open();
    signal.addEventListener('abort', () => {
      clearTimeout(again);
      source?.close();
      done();
    });
  });
}
