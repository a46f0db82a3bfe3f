import { act, renderHook, waitFor } from '@testing-library/react-native';
import { z } from 'zod';
import { textStore } from '../testing/textStore';
import { ApiProblem, Unreachable } from './api';
import { useDraft, useTextDraft } from './drafts';
import { useAction } from './useAction';

const refusal = new ApiProblem({ type: 'about:blank', title: 'Refused', status: 409 });

/** Something under way that ends when it is told to. */
function later() {
  let end: (value?: unknown) => void = () => undefined;
  const promise = new Promise((resolve) => (end = resolve));
  return { promise, end };
}

describe('an action', () => {
  test('a second tap while it is under way does nothing', async () => {
    const under = later();
    const done = jest.fn(() => under.promise);
    const { result } = renderHook(() => useAction(done));
    let first: Promise<boolean> | undefined;
    act(() => void (first = result.current.run()));
    expect(result.current.busy).toBe(true);
    await act(async () => expect(await result.current.run()).toBe(false));
    under.end();
    await act(async () => expect(await first).toBe(true));
    expect(done).toHaveBeenCalledTimes(1);
    expect(result.current.busy).toBe(false);
  });

  test('with some time for it, what is done sooner is never shown as under way; what is not, is', async () => {
    const drawn: boolean[] = [];
    const { result } = renderHook(() => {
      const action = useAction((long: Promise<unknown>) => long, undefined, 50);
      drawn.push(action.busy);
      return action;
    });
    await act(async () => expect(await result.current.run(Promise.resolve())).toBe(true));
    await new Promise((done) => setTimeout(done, 100));
    expect(drawn).toEqual([false]);
    const under = later();
    let first: Promise<boolean> | undefined;
    act(() => void (first = result.current.run(under.promise)));
    await act(async () => expect(await result.current.run(under.promise)).toBe(false));
    await waitFor(() => expect(result.current.busy).toBe(true));
    under.end();
    await act(async () => expect(await first).toBe(true));
    expect(drawn.at(-1)).toBe(false);
  });

  test('what went wrong is said, and forgotten at the next try', async () => {
    const tries = [Promise.reject(new Unreachable()), Promise.resolve()];
    const { result } = renderHook(() => useAction(() => tries.shift() ?? Promise.resolve()));
    await act(async () => expect(await result.current.run()).toBe(false));
    expect(result.current.trouble).toBe(
      'The server cannot be reached. Try again where there is signal.',
    );
    await act(async () => expect(await result.current.run()).toBe(true));
    expect(result.current.trouble).toBe('');
  });

  test('a refusal may be told at its fields instead', async () => {
    const heard = jest.fn(() => true);
    const { result } = renderHook(() => useAction(() => Promise.reject(refusal), heard));
    await act(async () => void (await result.current.run()));
    expect(heard).toHaveBeenCalledWith(refusal);
    expect(result.current.trouble).toBe('');
  });

  test('one that its fields do not tell whole is told beside them', async () => {
    const { result } = renderHook(() =>
      useAction(
        () => Promise.reject(refusal),
        () => false,
      ),
    );
    await act(async () => void (await result.current.run()));
    expect(result.current.trouble).toBe('Refused');
    act(() => result.current.clear());
    expect(result.current.trouble).toBe('');
  });

  test('it is given what it is run with', async () => {
    const done = jest.fn(async (_machine: string, _hours: number) => undefined);
    const { result } = renderHook(() => useAction(done));
    await act(async () => void (await result.current.run('T118', 1290)));
    expect(done).toHaveBeenCalledWith('T118', 1290);
  });
});

describe('what is being entered', () => {
  const Counts = z.object({ missing: z.number(), damaged: z.number() });
  const NONE = { missing: 0, damaged: 0 };
  const kept = textStore();
  beforeEach(() => kept.clear());

  test('is kept, and is there again', () => {
    const first = renderHook(() => useDraft('knives', Counts, NONE));
    act(() => first.result.current[1]({ missing: 1, damaged: 0 }));
    first.unmount();
    const again = renderHook(() => useDraft('knives', Counts, NONE));
    expect(again.result.current[0]).toEqual({ missing: 1, damaged: 0 });
  });
  test('emptied, nothing is left of it', () => {
    const { result } = renderHook(() => useDraft('knives', Counts, NONE));
    act(() => result.current[1]({ missing: 1, damaged: 0 }));
    act(() => result.current[1](NONE));
    expect(kept.has('knives')).toBe(false);
  });
  test.each(['{"missing":"one"}', '[]', 'null', '{', '7'])(
    'what does not fit any more counts as nothing: %s',
    (text) => {
      kept.set('knives', text);
      const { result } = renderHook(() => useDraft('knives', Counts, NONE));
      expect(result.current[0]).toEqual(NONE);
    },
  );
  test('under another key it is another', () => {
    const one = renderHook(() => useTextDraft('belt left'));
    const two = renderHook(() => useTextDraft('belt right'));
    act(() => one.result.current[1]('1 3/8'));
    expect([one.result.current[0], two.result.current[0]]).toEqual(['1 3/8', '']);
  });
  test('two screens of one key show the same', () => {
    const one = renderHook(() => useTextDraft('belt'));
    const two = renderHook(() => useTextDraft('belt'));
    act(() => one.result.current[1]('35.6'));
    expect(two.result.current[0]).toBe('35.6');
  });
});
