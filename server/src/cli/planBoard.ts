import { parentPort, workerData } from 'node:worker_threads';
import { InputError } from '@green-tally/core/units';
import { findPlan, type Asked } from '../board/findPlan';

/** A thread that looks for one plan and ends: told what is asked and where it is stopped. */
const { asked, stop } = workerData as {
  readonly asked: Asked;
  readonly stop: SharedArrayBuffer;
};
const flag = new Int32Array(stop);

try {
  const found = await findPlan(asked, {
    told: (progress) => parentPort?.postMessage({ progress }),
    stopped: () => Atomics.load(flag, 0) !== 0,
  });
  parentPort?.postMessage({ found });
} catch (error) {
  if (!(error instanceof InputError)) throw error;
  parentPort?.postMessage({ refused: error.message });
}
