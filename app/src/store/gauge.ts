import { useMemo, useSyncExternalStore } from 'react';
import { z } from 'zod';
import { Quantity, type ReadingTool } from '@green-tally/core/contracts';

/*
 * A wireless gauge, paired with this device by the code on its display. It sends to the check that is
 * looked at; nothing of it goes over the server, so that it works without signal.
 *
 *   apart ── pair(code) ──▶ paired: lost ◀──▶ ready        leave() ──▶ apart
 */

const Paired = z.object({
  url: z.string(),
  token: z.string(),
  name: z.string(),
  sends: z.array(z.object({ quantity: Quantity, unit: z.string(), resolution: z.number() })),
});
export type Paired = z.infer<typeof Paired>;

/** What came from it: in the core's own unit of its quantity. */
const Sent = z.object({
  n: z.number(),
  quantity: Quantity,
  unit: z.string(),
  value: z.number().nonnegative(),
});
export type Sent = z.infer<typeof Sent>;

const KEY = 'green-tally-gauge';
const listeners = new Set<() => void>();

const text = (): string => globalThis.localStorage?.getItem(KEY) ?? '';

function keep(paired: Paired | undefined): void {
  if (paired) globalThis.localStorage?.setItem(KEY, JSON.stringify(paired));
  else globalThis.localStorage?.removeItem(KEY);
  listeners.forEach((l) => l());
}

function readPaired(kept: string): Paired | undefined {
  try {
    return Paired.safeParse(JSON.parse(kept)).data;
  } catch {
    return undefined;
  }
}

/** The gauge this device is paired with. */
export function usePairedGauge(): Paired | undefined {
  const kept = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    text,
    () => '',
  );
  return useMemo(() => (kept ? readPaired(kept) : undefined), [kept]);
}

/** Forgets the gauge. */
export const leaveGauge = (): void => keep(undefined);

/**
 * Pairs with the gauge near by.
 * @param url where it is
 * @param code what its display shows
 * @throws in words when it cannot be reached or the code is another
 */
export async function pairGauge(url: string, code: string): Promise<void> {
  const answer = await fetch(`${url}/pair`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ code }),
  }).catch(() => undefined);
  if (!answer) throw new Error('No gauge answers. Switch it on, and stay close to it.');
  const said: unknown = await answer.json().catch(() => undefined);
  if (!answer.ok)
    throw new Error(
      z.object({ title: z.string() }).safeParse(said).data?.title ?? 'It did not pair.',
    );
  keep(Paired.parse({ ...z.looseObject({}).parse(said), url }));
}

/** How a gauge is as a tool; undefined when it does not send what is measured. */
export function gaugeTool({ name, sends }: Paired, quantity: Quantity): ReadingTool | undefined {
  const sent = sends.find((s) => s.quantity === quantity);
  return sent && { name, resolution: sent.resolution };
}

/**
 * Listens to a gauge; the browser tries again by itself when it was away.
 * @returns how to stop
 */
export function listenToGauge(
  { url, token }: Paired,
  heard: { readonly sent: (sent: Sent) => void; readonly ready: (is: boolean) => void },
): () => void {
  const source = new EventSource(`${url}/readings?token=${encodeURIComponent(token)}`);
  source.addEventListener('ready', () => heard.ready(true));
  source.addEventListener('error', () => {
    heard.ready(false);
    // it knows this device no more: it is paired anew
    if (source.readyState === EventSource.CLOSED) leaveGauge();
  });
  source.addEventListener('reading', (event: MessageEvent<string>) => {
    const sent = Sent.safeParse(JSON.parse(event.data));
    if (sent.success) heard.sent(sent.data);
  });
  return () => source.close();
}
