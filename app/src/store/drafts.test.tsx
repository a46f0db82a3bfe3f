import { act, renderHook } from '@testing-library/react-native';
import { z } from 'zod';
import { textStore } from '../testing/textStore';
import { useDraft } from './drafts';

const Sides = z.record(z.string(), z.string());

test('two taps before the next drawing are both kept', () => {
  textStore();
  const { result } = renderHook(() => useDraft('sides', Sides, {}));
  const [, change] = result.current;
  act(() => {
    // both by what was drawn before either
    change((now) => ({ ...now, left: 'at' }));
    change((now) => ({ ...now, right: 'at' }));
  });
  expect(result.current[0]).toEqual({ left: 'at', right: 'at' });
});
