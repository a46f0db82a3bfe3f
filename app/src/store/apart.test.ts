import { answerApart, askApart } from './apart';

/** A thread as its asker sees it. */
function thread() {
  const posted: { n: number }[] = [];
  const worker = {
    postMessage: (m: { n: number }) => posted.push(m),
    terminate: jest.fn(),
    onmessage: null as ((e: { data: object }) => void) | null,
    onerror: null as (() => void) | null,
  };
  const say = (data: object) => worker.onmessage?.({ data });
  return { worker, posted, say, apart: askApart(worker as never, 'It broke off.') };
}

test('answers find who asked, in whatever order they come; words of the thread are thrown', async () => {
  const { apart, posted, say } = thread();
  const [one, two, three] = [apart.ask({ a: 1 }), apart.ask({ a: 2 }), apart.ask({ a: 3 })];
  expect(posted.map((p) => p.n)).toEqual([1, 2, 3]);
  say({ n: 2, answer: 'second' });
  say({ n: 3, trouble: 'no picture' });
  say({ n: 1, answer: 'first' });
  say({ n: 9, answer: 'nobody’s' });
  await expect(one).resolves.toBe('first');
  await expect(two).resolves.toBe('second');
  await expect(three).rejects.toThrow('no picture');
});

test('a thread that falls, is ended, or takes too long leaves nobody waiting', async () => {
  jest.useFakeTimers();
  const fallen = thread();
  const asked = fallen.apart.ask({});
  fallen.worker.onerror?.();
  await expect(asked).rejects.toThrow('It broke off.');
  const ended = thread();
  const open = ended.apart.ask({});
  ended.apart.end();
  expect(ended.worker.terminate).toHaveBeenCalled();
  await expect(open).rejects.toThrow('It broke off.');
  const slow = thread().apart.ask({});
  jest.advanceTimersByTime(90_001);
  await expect(slow).rejects.toThrow('took too long');
  jest.useRealTimers();
});

test('the thread’s side answers under the number it was asked by', async () => {
  const said: unknown[] = [];
  const before = globalThis.postMessage;
  globalThis.postMessage = ((m: unknown) => said.push(m)) as never;
  answerApart(({ x }: { x: number }) => {
    if (x < 0) throw new Error('below none');
    return x * 2;
  });
  const hear = globalThis.onmessage as unknown as (e: { data: object }) => Promise<void>;
  await hear({ data: { n: 4, x: 3 } });
  await hear({ data: { n: 5, x: -1 } });
  globalThis.postMessage = before;
  expect(said).toEqual([
    { n: 4, answer: 6 },
    { n: 5, trouble: 'below none' },
  ]);
});
