import { renderHook, waitFor } from '@testing-library/react-native';
import { SWRConfig } from 'swr';
import { answering } from '../testing/answering';
import { machineFile, MACHINE_ID } from '../testing/fixtures';
import { forget } from './facts';
import { swrConfig, useMachine } from './hooks';
import { local } from './local';
import { pauseOutbox } from './outbox';

const file = machineFile();
afterEach(() => pauseOutbox());
afterAll(() => local.close());

test('a machine cleared off this device while it is looked at is asked for anew', async () => {
  let whole = 0;
  answering((path) => {
    const sheet = file.sheets.find((s) =>
      path.startsWith(`/specs/${encodeURIComponent(s.model)}/`),
    );
    if (sheet) return { body: sheet };
    if (!path.startsWith(`/machines/${MACHINE_ID}/changes`)) return { status: 404, body: {} };
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
  const { result } = renderHook(() => useMachine(MACHINE_ID), {
    wrapper: ({ children }) => <SWRConfig value={swrConfig}>{children}</SWRConfig>,
  });
  await waitFor(() => expect(result.current.file).toBeDefined());
  expect(await forget([MACHINE_ID])).toBe(1);
  await waitFor(() => expect(result.current.file).toBeUndefined());
  await waitFor(() => expect(result.current.file).toBeDefined(), { timeout: 5000 });
  expect(whole).toBe(2);
});
