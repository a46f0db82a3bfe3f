import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Away, Invalid } from '../errors';
import type { PaperTask } from '../papers/make';
import { readersOn } from './readApart';

const dir = mkdtempSync(join(tmpdir(), 'gt-apart-'));
afterAll(() => rmSync(dir, { recursive: true }));

/** Readers whose thread does this. */
const threadsThat = (words: string, limits?: Parameters<typeof readersOn>[1]) => {
  const program = join(dir, `${words.length}.mjs`);
  writeFileSync(program, words);
  return readersOn(program, limits);
};

test.each([
  ['ends without a word', 'process.exit(0);'],
  ['breaks', 'throw new Error("broken");'],
])(
  'a thread that %s: a file is refused in words, what is made here may be asked again',
  async (_, words) => {
    const { sheet, paper } = threadsThat(words);
    await expect(sheet('model: X')).rejects.toThrow(Invalid);
    await expect(sheet('model: X')).rejects.toThrow(/Send it in smaller parts/);
    await expect(paper({} as PaperTask)).rejects.toThrow(Away);
    await expect(paper({} as PaperTask)).rejects.toThrow(/Try again in a minute/);
  },
);

test.each([
  ['takes too long', 'for (;;);'],
  ['takes too much', 'const all = []; for (;;) all.push(Array.from({ length: 1e4 }, () => ({})));'],
])('a thread that %s is given up, and the next in line has its turn', async (_, words) => {
  const limits = { ms: 1500, ownMs: 1500, megabytes: 16, atOnce: 1, waiting: 10 };
  const { sheet, paper } = threadsThat(words, limits);
  const all = await Promise.allSettled([sheet('model: X'), paper({} as PaperTask)]);
  const reasons = all.map((a) => (a.status === 'rejected' ? (a.reason as unknown) : undefined));
  expect(reasons).toEqual([expect.any(Invalid), expect.any(Away)]);
});

test('two at once and ten in line; who comes after them is told so, and the line goes on', async () => {
  const { sheet } = threadsThat(
    `import { parentPort } from 'node:worker_threads'; setTimeout(() => parentPort.postMessage({ read: 'done' }), 300);`,
  );
  const all = await Promise.allSettled(Array.from({ length: 13 }, () => sheet('model: X')));
  expect(all.filter((a) => a.status === 'fulfilled')).toHaveLength(12);
  const [late] = all.flatMap((a) => (a.status === 'rejected' ? [a.reason as Error] : []));
  expect(late?.message).toMatch(/Try again in a minute/);
  await expect(sheet('model: X')).resolves.toBe('done');
});
