import { act, renderHook } from '@testing-library/react-native';
import { z } from 'zod';
import { useDraft } from './drafts';

const Sides = z.record(z.string(), z.string());

test('two taps before the next drawing are both kept', () => {
  const kept = new Map<string, string>();
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => void kept.set(key, text),
      removeItem: (key: string) => void kept.delete(key),
    },
  });
  const { result } = renderHook(() => useDraft('sides', Sides, {}));
  const [, change] = result.current;
  act(() => {
    // both by what was drawn before either
    change((now) => ({ ...now, left: 'at' }));
    change((now) => ({ ...now, right: 'at' }));
  });
  expect(result.current[0]).toEqual({ left: 'at', right: 'at' });
});
