import { act, renderHook, waitFor } from '@testing-library/react-native';
import { SWRConfig } from 'swr';
import { answering } from '../testing/answering';
import { machineFile, MACHINE_ID, reading } from '../testing/fixtures';
import { forget } from './facts';
import { swrConfig, useMachine } from './hooks';
import { local } from './local';
import { pauseOutbox, put } from './outbox';

const file = machineFile();
afterEach(() => pauseOutbox());
afterAll(() => local.close());

let whole = 0;
beforeEach(() => {
  whole = 0;
  answering((path) => {
    const sheet = file.sheets.find((s) =>
      path.startsWith(`/specs/${encodeURIComponent(s.model)}/`),
    );
    if (sheet) return { body: sheet };
    if (!path.startsWith(`/machines/${MACHINE_ID}/changes`)) return undefined;
    whole += 1;
    return {
      body: {
        ...{ machine: file.machine, version: 1, since: 0, basis: 'b', dropped: [] },
        judgedBy: {
          sheets: file.sheets.map(({ model, revision }) => ({ model, revision })),
          ...{ earlier: [], rates: {}, hands: {}, times: {}, costs: null },
        },
        ...{ readings: [], walks: [], work: [], ticks: [], visits: [], photos: [], said: [] },
      },
    };
  });
});

async function looking() {
  const { result } = renderHook(() => useMachine(MACHINE_ID), {
    wrapper: ({ children }) => <SWRConfig value={swrConfig}>{children}</SWRConfig>,
  });
  await waitFor(() => expect(result.current.file).toBeDefined());
  return result;
}

test('a machine cleared off this device while it is looked at is asked for anew', async () => {
  const result = await looking();
  const asked = whole;
  expect(await forget([MACHINE_ID])).toBe(1);
  await waitFor(() => expect(result.current.file).toBeUndefined());
  await waitFor(() => expect(result.current.file).toBeDefined(), { timeout: 5000 });
  expect(whole).toBe(asked + 1);
});

test('what was just taken is judged in the drawing that follows, not one later', async () => {
  const result = await looking();
  const verdictOf = () =>
    result.current.standing?.verdicts.find((v) => v.check.id === 'fan-drive-belt')?.decision;
  const taken = (mm: number) =>
    reading('fan-drive-belt', 'belt', { kind: 'measure', values: [mm], typed: [], unit: 'mm' });
  await act(() => put([{ kind: 'reading', body: taken(34) }]));
  expect(verdictOf()).toBe('replace');
  const elsewhere = { ...taken(34), machineId: '0197a000-0000-7000-8000-00000000ffff' };
  const before = result.current.file;
  await act(() => put([{ kind: 'reading', body: elsewhere }]));
  expect(result.current.file).toBe(before);
});
