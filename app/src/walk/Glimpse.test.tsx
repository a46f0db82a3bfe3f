import { act, render, renderHook, screen } from '@testing-library/react-native';
import { verdictOf } from '@green-tally/core/plan';
import { checkOf, machineFile, reading } from '../testing/fixtures';
import { Glimpse, painted, useComing } from './Glimpse';

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
  await act(() => coming.show(read(34)));
  const hidden = { includeHiddenElements: true };
  expect(screen.getByTestId('decision coming', hidden)).toHaveTextContent('Replace');
  expect(screen.getByTestId('why', hidden)).toHaveTextContent(/34 mm is at or past the limit/);
  await act(() => coming.show(undefined));
  expect(screen.queryByTestId('decision coming', hidden)).toBeNull();
  await act(() => coming.show(read(38)));
  await screen.unmount();
  expect(coming.now()).toBeUndefined();
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
