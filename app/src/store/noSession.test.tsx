import { renderHook, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import useSWR, { mutate, SWRConfig } from 'swr';
import { answering } from '../testing/answering';
import { swrConfig, useSession } from './hooks';
import { local } from './local';
import { pauseOutbox } from './outbox';
import { makeOwn } from './owner';

beforeEach(() => mutate(() => true, undefined, { revalidate: false }));
afterEach(() => pauseOutbox());
afterAll(() => local.close());

const Asking = ({ children }: { children: ReactNode }) => (
  <SWRConfig value={{ ...swrConfig, dedupingInterval: 0 }}>{children}</SWRConfig>
);
const NOBODY = {
  ...{ person: null, needsSetup: false, now: '2026-06-09T08:00:00.000Z', demo: false },
  demoSignIns: [],
};

/** Nobody is signed in, and that is told while something else is asked for. */
function asking(path: string) {
  let tell: () => void = () => undefined;
  const told = new Promise<void>((done) => (tell = done));
  answering(async (asked) => {
    if (asked === '/session') return { body: NOBODY };
    await told;
    return { body: { path: asked } };
  });
  const { result } = renderHook(
    () => ({ session: useSession().data, answer: useSWR<unknown>(path).data }),
    { wrapper: Asking },
  );
  return { result, tell };
}

test('a card that is under way while it is told that nobody is signed in comes all the same', async () => {
  const { result, tell } = asking('/card/abc');
  await waitFor(() => expect(result.current.session).toBeDefined());
  tell();
  await waitFor(() => expect(result.current.answer).toEqual({ path: '/card/abc' }));
});

test('what only who is signed in may see does not come any more', async () => {
  const { result, tell } = asking('/machines/abc/breakdowns');
  await waitFor(() => expect(result.current.session).toBeDefined());
  tell();
  await new Promise((done) => setTimeout(done, 50));
  expect(result.current.answer).toBeUndefined();
});

test('that nobody was signed in is no news any more once somebody has signed in', async () => {
  let tell: () => void = () => undefined;
  const told = new Promise<void>((done) => (tell = done));
  answering(async () => {
    await told;
    return { body: NOBODY };
  });
  await local.kept.put({ path: '/yard', answer: {}, at: '' });
  renderHook(() => useSession().data, { wrapper: Asking });
  await makeOwn('ines');
  tell();
  await new Promise((done) => setTimeout(done, 80));
  expect((await local.kept.get('/yard'))?.answer).toEqual({});
});

test('a card that came before it was told that nobody is signed in is there without signal still', async () => {
  await local.kept.put({ path: '/card/abc', answer: { path: 'card' }, at: '' });
  await local.kept.put({ path: '/yard', answer: {}, at: '' });
  answering(() => ({ body: NOBODY }));
  renderHook(() => useSession(), { wrapper: Asking });
  await waitFor(async () => expect(await local.kept.get('/yard')).toBeUndefined());
  expect(await local.kept.get('/card/abc')).toMatchObject({ answer: { path: 'card' } });
});
