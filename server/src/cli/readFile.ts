import { parentPort, workerData } from 'node:worker_threads';
import { Invalid } from '../errors';
import { readTable } from '../files/readTable';
import { readSheet } from '../specs/readSheet';
import type { ToRead } from './readApart';

/** A thread that reads one file and ends. */
function read(task: ToRead): unknown {
  return task.what === 'sheet' ? readSheet(task.text) : readTable(task.text, task.file);
}

try {
  parentPort?.postMessage({ read: read(workerData as ToRead) });
} catch (error) {
  if (!(error instanceof Invalid)) throw error;
  const { title, message: detail, errors } = error;
  parentPort?.postMessage({ refused: { title, detail, errors } });
}
