import { Worker } from 'node:worker_threads';
import type { FieldTrouble } from '@green-tally/core/contracts';
import { Away, Invalid, TooMany, type Refusal } from '../errors';
import type { CsvFile } from '../files/readTable';
import type { Readers } from '../http/setting';
import type { InsightTask } from '../insight/make';
import type { PaperTask } from '../papers/make';

/** A file to be read on a thread, or something that takes long. */
export type ToRead =
  | { readonly what: 'sheet'; readonly text: string }
  | { readonly what: 'table'; readonly text: string; readonly file: CsvFile }
  | { readonly what: 'insight'; readonly task: InsightTask; readonly taught: readonly string[] }
  | { readonly what: 'paper'; readonly task: PaperTask };

type Says =
  | { readonly read: unknown; readonly refused?: undefined }
  | {
      readonly refused: {
        readonly title: string;
        readonly detail: string;
        readonly errors?: readonly FieldTrouble[];
      };
    };

/**
 * What a file may cost: the largest honest one is read in a fifth of it. What is made here of what
 * the place holds waits longer: it is no stranger's, and slow only where the server is busy.
 */
const LIMITS = { ms: 20_000, ownMs: 120_000, megabytes: 512, atOnce: 2, waiting: 10 };
type Limits = typeof LIMITS;

const isFile = ({ what }: ToRead): boolean => what === 'sheet' || what === 'table';

const givenUp = (task: ToRead): Refusal =>
  isFile(task)
    ? new Invalid(
        'Too much to read',
        'This file takes more than a file of its kind ever does. Nothing was stored. Send it in smaller parts, or look whether it is the right one.',
      )
    : new Away(
        'Not made just now',
        'The server has too much to do to make this now. Nothing was changed. Try again in a minute.',
      );

/**
 * Reads files on threads of their own, so that one keeps nobody waiting; one that takes too long or
 * too much is given up.
 * @param program the bundle of readFile.ts
 * @param limits what a file may cost
 */
export function readersOn(program: string, limits: Limits = LIMITS): Readers {
  let running = 0;
  const line: (() => void)[] = [];
  const turn = async (): Promise<void> => {
    if (line.length >= limits.waiting)
      throw new TooMany(
        'Many files at once',
        'Others bring in files just now. Try again in a minute.',
      );
    if (running < limits.atOnce) running += 1;
    else await new Promise<void>((mine) => line.push(mine));
  };
  const done = () => {
    const next = line.shift();
    if (next) next();
    else running -= 1;
  };
  const read = async (task: ToRead): Promise<unknown> => {
    await turn();
    return readOn(program, task, limits).finally(done);
  };
  // the thread does what readSheet, readTable, makeInsight and makePaper do, and answers as they do
  return {
    sheet: async (text) => (await read({ what: 'sheet', text })) as never,
    table: async (text, file) => (await read({ what: 'table', text, file })) as never,
    paper: async (task) => (await read({ what: 'paper', task })) as never,
    insight: async (task, taught) => (await read({ what: 'insight', task, taught })) as never,
  };
}

function readOn(program: string, task: ToRead, limits: Limits): Promise<unknown> {
  return new Promise((resolve, reject) => {
    const thread = new Worker(program, {
      workerData: task,
      resourceLimits: { maxOldGenerationSizeMb: limits.megabytes },
    });
    const tooMuch = () => reject(givenUp(task));
    const timer = setTimeout(
      () => {
        tooMuch();
        void thread.terminate();
      },
      isFile(task) ? limits.ms : limits.ownMs,
    );
    thread.once('message', (said: Says) =>
      said.refused
        ? reject(new Invalid(said.refused.title, said.refused.detail, said.refused.errors))
        : resolve(said.read),
    );
    // out of memory, or out of stack: what nests too deep
    thread.once('error', tooMuch);
    thread.once('exit', () => {
      clearTimeout(timer);
      tooMuch();
    });
  });
}
