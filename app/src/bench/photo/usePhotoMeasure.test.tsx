import { act, renderHook, waitFor } from '@testing-library/react-native';
import type { Plane, Point, Snapped } from '@green-tally/core/photo';
import { local } from '../../store';
import { textStore } from '../../testing/textStore';
import { openEye } from './eye';
import { usePhotoMeasure } from './usePhotoMeasure';

jest.mock('./eye', () => ({ openEye: jest.fn() }));
jest.mock('@green-tally/core/photo', () => ({
  ...jest.requireActual<object>('@green-tally/core/photo'),
  lengthOf: (_: unknown, taps: readonly Snapped[]) => ({ value: taps[1]!.px[0] - taps[0]!.px[0] }),
}));

/** Each tap that is being looked at: what ends it. */
let looks: { readonly at: Point; readonly done: (found?: boolean) => void }[] = [];

beforeEach(() => {
  looks = [];
  textStore();
  globalThis.createImageBitmap = async () => ({}) as ImageBitmap;
  const strip = { found: true, plane: {} as Plane, corners: [], cells: 13, doubts: [] };
  jest.mocked(openEye).mockReturnValue({
    look: async () => ({ width: 900, height: 600, strip }) as never,
    tap: (_, at) =>
      new Promise((done, failed) => {
        const end = (found = true) =>
          found ? done({ px: at, stray: 1, found }) : failed(new Error('Looking broke off.'));
        looks.push({ at, done: end });
      }),
    end: () => undefined,
  });
});
afterAll(() => local.close());

async function looking() {
  const hook = renderHook(() => usePhotoMeasure('chain', 'between'));
  const file = { size: 8, type: 'image/jpeg', arrayBuffer: async () => new ArrayBuffer(8) };
  await act(async () => void (await hook.result.current.looking.run(file as never)));
  await waitFor(() => expect(hook.result.current.plane).toBeDefined());
  const lies = () => hook.result.current.taps.map((t) => t.px);
  const tap = (at: Point, index?: number) => act(() => hook.result.current.tap(at, 2, index));
  /** ends the look at a tap, once it has begun */
  const seen = async (n: number, found?: boolean) => {
    await waitFor(() => expect(looks.length).toBeGreaterThan(n));
    await act(async () => looks[n]!.done(found));
  };
  return { hook, lies, tap, seen };
}

test('two taps, the second while the first is still looked at: both lie, each as its own mark', async () => {
  const { hook, lies, tap, seen } = await looking();
  tap([100, 50]);
  expect(hook.result.current.active).toBe(1);
  tap([400, 60]);
  await seen(0);
  expect(lies()).toEqual([[100, 50]]);
  await seen(1);
  expect(lies()).toEqual([
    [100, 50],
    [400, 60],
  ]);
  expect(hook.result.current.length).toEqual({ value: 300 });
});

test('a tap in the closer look puts the mark right that is shown there, not the next one', async () => {
  const { hook, lies, tap, seen } = await looking();
  tap([100, 50]);
  await seen(0);
  tap([104, 50], 0);
  await seen(1);
  expect(lies()).toEqual([[104, 50]]);
  expect(hook.result.current.active).toBe(1);
});

test('what is cleared while a tap is looked at stays cleared', async () => {
  const { hook, lies, tap, seen } = await looking();
  tap([100, 50]);
  await waitFor(() => expect(looks).toHaveLength(1));
  act(() => hook.result.current.clear());
  await seen(0);
  expect(lies()).toEqual([]);
  tap([120, 50]);
  await seen(1);
  expect(lies()).toEqual([[120, 50]]);
});

test('a tap that could not be looked at says so, and its mark is next again', async () => {
  const { hook, lies, tap, seen } = await looking();
  tap([100, 50]);
  await seen(0, false);
  expect(hook.result.current.tapTrouble).toBe('Looking broke off.');
  expect(hook.result.current.active).toBe(0);
  tap([110, 50]);
  expect(hook.result.current.tapTrouble).toBe('');
  await seen(1);
  expect(lies()).toEqual([[110, 50]]);
});

test('what was tapped after one that could not be looked at is tapped again with it', async () => {
  const { hook, lies, tap, seen } = await looking();
  tap([100, 50]);
  tap([400, 60]);
  await seen(0, false);
  expect(hook.result.current.tapTrouble).toBe('Looking broke off.');
  tap([110, 50]);
  await seen(1);
  tap([410, 60]);
  await seen(2);
  expect(lies()).toEqual([
    [110, 50],
    [410, 60],
  ]);
});
