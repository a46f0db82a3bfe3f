import { Worker } from 'node:worker_threads';
import type { Asked, Found, Progress } from './findPlan';

/** Looks for a plan elsewhere, and can be stopped. */
export interface Looked {
  readonly found: Promise<Found>;
  /** what has been found so far is the plan then */
  stop(): void;
}

/** How a plan is looked for: on a thread of its own, or here. */
export type LookApart = (asked: Asked, told: (progress: Progress) => void) => Looked;

/** Why a search was refused, in words. */
export class Refused extends Error {}

type Says =
  { readonly progress: Progress } | { readonly found: Found } | { readonly refused: string };

/** Looks for a plan on a thread of its own. @param program the thread's file */
export const onThread =
  (program: string): LookApart =>
  (asked, told) => {
    const stop = new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT);
    const found = new Promise<Found>((resolve, reject) => {
      const thread = new Worker(program, { workerData: { asked, stop } });
      thread.on('message', (says: Says) => {
        if ('progress' in says) told(says.progress);
        else if ('found' in says) resolve(says.found);
        else reject(new Refused(says.refused));
      });
      thread.once('error', reject);
      thread.once('exit', (code) => reject(new Error(`the planning thread ended (${code})`)));
    });
    return { found, stop: () => void Atomics.store(new Int32Array(stop), 0, 1) };
  };
