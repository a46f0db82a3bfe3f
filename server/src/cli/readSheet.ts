import { parentPort, workerData } from 'node:worker_threads';
import { Invalid } from '../errors';
import { readSheet } from '../specs/readSheet';

/** A thread that reads one sheet's file and ends. */
try {
  parentPort?.postMessage({ read: readSheet(String(workerData)) });
} catch (error) {
  if (!(error instanceof Invalid)) throw error;
  parentPort?.postMessage({ refused: { title: error.title, detail: error.message } });
}
