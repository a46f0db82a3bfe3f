/** A thread that answers what it is asked, each by its number; whatever it cannot do it says in words. */
export interface Apart {
  /** @throws Error in words: what the thread said, that it broke off, or that it took too long */
  readonly ask: <T>(what: object, transfer?: Transferable[]) => Promise<T>;
  readonly end: () => void;
}

/** What a thread is sent, and what it sends back. */
export type AskedApart<T extends object> = T & { readonly n: number };
interface Said {
  readonly n: number;
  readonly answer?: unknown;
  readonly trouble?: string;
}

/** No phone takes longer over one thing, ms. */
const PATIENCE = 90_000;

/**
 * Asks a thread and waits for its answers.
 * @param broken what is said where the thread falls
 */
export function askApart(worker: Worker, broken: string): Apart {
  const waiting = new Map<number, (said: Omit<Said, 'n'>) => void>();
  let sent = 0;
  const endAll = () => [...waiting.values()].forEach((hear) => hear({ trouble: broken }));
  worker.onmessage = ({ data }: MessageEvent<Said>) => waiting.get(data.n)?.(data);
  worker.onerror = endAll;
  return {
    ask: <T>(what: object, transfer: Transferable[] = []) =>
      new Promise<T>((done, failed) => {
        sent += 1;
        const n = sent;
        const late = setTimeout(
          () => waiting.get(n)?.({ trouble: 'It took too long. Try again.' }),
          PATIENCE,
        );
        waiting.set(n, ({ answer, trouble }) => {
          clearTimeout(late);
          waiting.delete(n);
          if (trouble === undefined) done(answer as T);
          else failed(new Error(trouble));
        });
        worker.postMessage({ n, ...what }, transfer);
      }),
    end: () => {
      worker.terminate();
      endAll();
    },
  };
}

/** The thread's side: answers what it is asked, what it cannot do in words. */
export function answerApart<T extends object>(answer: (asked: T) => unknown): void {
  globalThis.onmessage = async ({ data }: MessageEvent<AskedApart<T>>) => {
    try {
      globalThis.postMessage({ n: data.n, answer: await answer(data) });
    } catch (error) {
      globalThis.postMessage({
        n: data.n,
        trouble: error instanceof Error ? error.message : String(error),
      });
    }
  };
}
