import { act, renderHook } from '@testing-library/react-native';
import { local } from './local';
import { pauseOutbox } from './outbox';
import { useTick } from './useTick';

beforeEach(async () => {
  await local.outgoing.clear();
  globalThis.fetch = jest.fn(() => Promise.reject(new TypeError('no signal')));
});
afterEach(() => pauseOutbox());
afterAll(() => local.close());

test('five ticks tapped as quickly as one can are five; the same tapped twice is one', async () => {
  const { result } = renderHook(() => useTick('m1'));
  const keys = ['shields', 'plugs', 'tools', 'settings', 'testRun'];
  await act(async () => {
    await Promise.all([...keys, 'shields'].map((key) => result.current.run(key, true)));
  });
  const kept = await local.outgoing.toArray();
  expect(kept.flatMap((o) => (o.kind === 'tick' ? [o.body.key] : [])).sort()).toEqual(
    [...keys].sort(),
  );
  expect(result.current.trouble).toBe('');
});
