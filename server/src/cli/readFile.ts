import { parentPort, workerData } from 'node:worker_threads';
import { Invalid } from '../errors';
import { readTable } from '../files/readTable';
import { makeInsight } from '../insight/make';
import { makePaper } from '../papers/make';
import { readSheet } from '../specs/readSheet';
import type { ToRead } from './readApart';

/** A thread that reads one file, or makes one thing that takes long, and ends. */
function read(task: ToRead): unknown {
  if (task.what === 'sheet') return readSheet(task.text);
  if (task.what === 'table') return readTable(task.text, task.file);
  if (task.what === 'paper') return makePaper(task.task);
  return makeInsight(task.task, task.taught);
}

try {
  parentPort?.postMessage({ read: await read(workerData as ToRead) });
} catch (error) {
  if (!(error instanceof Invalid)) throw error;
  const { title, message: detail, errors } = error;
  parentPort?.postMessage({ refused: { title, detail, errors } });
}
