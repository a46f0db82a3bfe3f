import { momentsOf, type Next } from './moments';

/** Samples a second, few: each sample's value is its place in the sound. */
const RATE = 100;
const PIECE = 10;

/** A microphone fed piece by piece, and a device that is done with a look when told so. */
function listening(says: (samples: Float32Array) => Next) {
  const looks: number[][] = [];
  let done: (() => void) | undefined;
  const moments = momentsOf(
    RATE,
    (samples) =>
      new Promise<Next>((tell) => {
        looks.push([samples[0] ?? -1, samples.at(-1) ?? -1]);
        done = () => tell(says(samples));
      }),
  );
  let at = 0;
  const hear = async (seconds: number) => {
    for (const end = at + seconds * RATE; at < end; at += PIECE)
      moments.take(Float32Array.from({ length: PIECE }, (_, i) => at + i));
    await Promise.resolve();
  };
  const finish = async () => {
    const tell = done;
    done = undefined;
    tell?.();
    for (let i = 0; i < 6; i += 1) await Promise.resolve();
  };
  return { looks, hear, finish };
}

test('a moment is 2.5 s, the next one 0.6 s later where the device keeps up', async () => {
  const { looks, hear, finish } = listening(() => 'on');
  for (let i = 0; i < 8; i += 1) {
    await hear(0.6);
    await finish();
  }
  expect(looks.map(([, to]) => to)).toEqual([59, 119, 179, 239, 299, 359, 419, 479]);
  expect(looks.at(-1)).toEqual([230, 479]);
});

test('a device that takes four seconds for a look comes back to the same pluck, 0.6 s on', async () => {
  const { looks, hear, finish } = listening(() => 'again');
  await hear(2);
  await hear(4);
  await finish();
  expect(looks).toEqual([
    [0, 59],
    [0, 119],
  ]);
  await hear(4);
  await finish();
  expect(looks.at(-1)).toEqual([0, 179]);
});

test('where nothing was heard it goes on with the latest, and misses none of what it keeps', async () => {
  const { looks, hear, finish } = listening(() => 'on');
  await hear(1);
  await hear(4);
  await finish();
  expect(looks.at(-1)).toEqual([250, 499]);
});

test('what belongs to a pluck that counted is not looked at again', async () => {
  const answers: Next[] = ['again', 'after', 'on'];
  const { looks, hear, finish } = listening(() => answers.shift() ?? 'on');
  await hear(3);
  await finish();
  await finish();
  // counted by the samples up to 119: from 120 on it is another sound
  expect(looks.at(-1)).toEqual([120, 299]);
});

test('no more than ten seconds are kept: later than that it looks at what there is', async () => {
  const { looks, hear, finish } = listening(() => 'again');
  await hear(0.6);
  await hear(20);
  await finish();
  const [begin, end] = looks.at(-1) ?? [];
  expect(end! - begin!).toBeGreaterThanOrEqual(49);
  expect(begin).toBeGreaterThanOrEqual(20.6 * RATE - 10 * RATE - PIECE);
});

test('a look that breaks off is not the last one', async () => {
  let calls = 0;
  const moments = momentsOf(RATE, async () => {
    calls += 1;
    throw new Error('no');
  });
  for (let i = 0; i < 30; i += 1) moments.take(new Float32Array(PIECE));
  for (let i = 0; i < 10; i += 1) await Promise.resolve();
  for (let i = 0; i < 6; i += 1) moments.take(new Float32Array(PIECE));
  for (let i = 0; i < 10; i += 1) await Promise.resolve();
  expect(calls).toBeGreaterThan(1);
});
