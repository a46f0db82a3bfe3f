import type { Response } from 'express';
import type { LiveChange } from '@green-tally/core/contracts';
import type { Changes } from '../db';

/** So often a line is sent that says nothing, lest somebody between takes the silence for an end. */
const ALIVE_MS = 25_000;

/**
 * Tells what changes on the machines of a branch (of all when undefined) until the other side goes.
 * What may have been missed is told as `many`: ask for everything anew.
 */
export function tellLive(res: Response, changes: Changes, branch: string | undefined): void {
  res.status(200).set({
    'content-type': 'text/event-stream',
    // no-transform: what is packed would come late
    'cache-control': 'no-cache, no-transform',
    'x-accel-buffering': 'no',
  });
  res.flushHeaders();
  res.write('retry: 2000\n\n');
  const stop = changes.subscribe((change) => {
    if (change?.branch && branch && change.branch !== branch) return;
    const told: LiveChange = change
      ? { what: change.what, id: change.id, version: change.version }
      : { what: 'many', id: null, version: 0 };
    res.write(`data: ${JSON.stringify(told)}\n\n`);
  });
  const alive = setInterval(() => res.write(': here\n\n'), ALIVE_MS);
  res.once('close', () => {
    clearInterval(alive);
    stop();
  });
}
