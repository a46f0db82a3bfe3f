import { handsRest, watchHands } from './hands';

const listeners = new Map<string, () => void>();
const touch = () => listeners.get('pointerdown')?.();

let stop: () => void;
beforeEach(() => {
  jest.useFakeTimers();
  Object.assign(globalThis, {
    addEventListener: (name: string, heard: () => void) => listeners.set(name, heard),
    removeEventListener: (name: string) => listeners.delete(name),
  });
  stop = watchHands();
  jest.advanceTimersByTime(10_000);
});
afterEach(() => {
  stop();
  jest.useRealTimers();
});

/** Ends as told once it resolved. */
function waiting() {
  const state = { over: false };
  void handsRest().then(() => (state.over = true));
  return state;
}

test('at once where nothing was touched', async () => {
  const state = waiting();
  await jest.advanceTimersByTimeAsync(0);
  expect(state.over).toBe(true);
});

test('after the last of several taps, not after the first', async () => {
  touch();
  const state = waiting();
  await jest.advanceTimersByTimeAsync(400);
  touch();
  await jest.advanceTimersByTimeAsync(650);
  expect(state.over).toBe(false);
  await jest.advanceTimersByTimeAsync(100);
  expect(state.over).toBe(true);
});

test('hands that never rest are waited for no longer than 2.5 s', async () => {
  touch();
  const state = waiting();
  for (let i = 0; i < 8; i += 1) {
    await jest.advanceTimersByTimeAsync(300);
    touch();
  }
  expect(state.over).toBe(false);
  await jest.advanceTimersByTimeAsync(200);
  expect(state.over).toBe(true);
});

test('what comes of a tap late is drawn before anything is sent', async () => {
  touch();
  await jest.advanceTimersByTimeAsync(600);
  const state = waiting();
  await jest.advanceTimersByTimeAsync(500);
  expect(state.over).toBe(false);
  await jest.advanceTimersByTimeAsync(250);
  expect(state.over).toBe(true);
});

test('typing counts as touching; after it is stopped nothing does', async () => {
  listeners.get('keydown')?.();
  const state = waiting();
  await jest.advanceTimersByTimeAsync(300);
  expect(state.over).toBe(false);
  stop();
  expect(listeners.size).toBe(0);
});
