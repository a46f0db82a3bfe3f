import { act, render, renderHook, screen } from '@testing-library/react-native';
import { verdictOf } from '@green-tally/core/plan';
import { checkOf, machineFile, reading } from '../testing/fixtures';
import { painted } from '../store/painted';
import { Glimpse, useComing } from './Glimpse';

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: jest.fn() }) }));

const read = (mm: number) => {
  const file = machineFile([
    reading('fan-drive-belt', 'belt', { kind: 'measure', values: [mm], typed: [], unit: 'mm' }),
  ]);
  return verdictOf(file, checkOf(file, 'fan-drive-belt'), '2026-06-09');
};

test('shows a verdict as it comes, and is gone with its entry', async () => {
  const { result } = await renderHook(useComing);
  const coming = result.current;
  await render(<Glimpse of={coming} />);
  expect(screen.queryByTestId('decision coming')).toBeNull();
  await act(() => coming.glimpse(() => read(34)));
  const hidden = { includeHiddenElements: true };
  expect(screen.getByTestId('decision coming', hidden)).toHaveTextContent('Replace');
  expect(screen.getByTestId('why', hidden)).toHaveTextContent(/34 mm is at or past the limit/);
  await act(() => coming.over());
  expect(screen.queryByTestId('decision coming', hidden)).toBeNull();
  await act(() => coming.glimpse(() => read(38)));
  await screen.unmount();
  expect(coming.now()).toBeUndefined();
});

test('what cannot be judged shows nothing, and holds nothing up', async () => {
  const told = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const { result } = await renderHook(useComing);
  await result.current.glimpse(() => {
    throw new Error('not to be judged');
  });
  expect(result.current.now()).toBeUndefined();
  expect(told).toHaveBeenCalledWith('glimpse', expect.any(Error));
  told.mockRestore();
});

test('a check without a reading has nothing to show', () => {
  const file = machineFile();
  expect(verdictOf(file, checkOf(file, 'fan-drive-belt'), '2026-06-09')).toBeUndefined();
});

test('a page that paints nothing is not waited for', async () => {
  const frame = jest.spyOn(globalThis, 'requestAnimationFrame').mockImplementation(() => 0);
  await painted();
  frame.mockRestore();
});
