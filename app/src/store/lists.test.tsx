import { act, renderHook, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { SWRConfig } from 'swr';
import { v7 as uuidv7 } from 'uuid';
import { Visit, type VisitPage } from '@green-tally/core/contracts';
import { answering } from '../testing/answering';
import { swrConfig } from './hooks';
import { listsChanged, useVisits } from './lists';
import { local } from './local';
import { flush, pauseOutbox, put } from './outbox';

let asked: string[] = [];
let offline = false;
let answered = Promise.resolve();
let pages: Record<string, VisitPage> = {};

beforeEach(async () => {
  await Promise.all([local.kept.clear(), local.outgoing.clear()]);
  asked = [];
  offline = false;
  pages = { '': page('a', 'b'), a: page('b', 'b'), b: page('c', null) };
  answered = Promise.resolve();
  answering(async (path) => {
    if (offline) return undefined;
    asked.push(path);
    if (path.endsWith('/note')) return { body: pages['']?.visits[0]?.visit };
    await answered;
    const cursor = new URL(path, 'http://here').searchParams.get('cursor') ?? '';
    return { body: pages[cursor] };
  });
});
afterEach(() => pauseOutbox());
afterAll(() => local.close());

/** A page whose one visit bears a note, so that it is known again. */
function page(note: string, next: string | null): VisitPage {
  const id = '0197a000-0000-7000-8000-00000000000a';
  return {
    visits: [
      {
        visit: Visit.parse({
          ...{ id, machineId: id, technicianId: id, technician: 'Ines', startsOn: '2026-06-12' },
          ...{ endsOn: '2026-06-12', hours: 2, site: 'bay', note, workIds: [], version: 1 },
        }),
        machine: {
          ...{ id, serial: 'T1', model: 'Ouzel 7', customer: 'Here', branch: 'Here' },
          ...{ builtOn: '2020-01-01', hours: 1, header: null },
          harvest: {
            ...{ crop: 'oats', start: '2026-07-01', end: '2026-07-09', areaHa: 1, widthM: 1 },
            ...{ speedKmh: 1, efficiency: 0.5 },
          },
        },
      },
    ],
    next,
  };
}

const Fresh = ({ children }: { children: ReactNode }) => (
  <SWRConfig value={{ ...swrConfig, provider: () => new Map(), dedupingInterval: 0 }}>
    {children}
  </SWRConfig>
);
const shown = () => renderHook(() => useVisits({ from: '2026-06-01' }), { wrapper: Fresh });
const notes = (hook: ReturnType<typeof shown>) =>
  hook.result.current.pages?.flatMap((p) => p.visits.map((v) => v.visit.note));

describe('a list that comes page by page', () => {
  test('one page first; more when it is asked for; at its end no more', async () => {
    const hook = shown();
    await waitFor(() => expect(notes(hook)).toEqual(['a']));
    expect(asked).toEqual(['/visits?from=2026-06-01']);
    act(() => hook.result.current.more?.());
    await waitFor(() => expect(notes(hook)).toEqual(['a', 'c']));
    expect(asked.at(-1)).toBe('/visits?from=2026-06-01&cursor=b');
    expect(hook.result.current.more).toBeUndefined();
  });

  test('told that lists have changed it asks again for all that it shows', async () => {
    const hook = shown();
    await waitFor(() => expect(notes(hook)).toEqual(['a']));
    pages = { '': page('anew', null) };
    act(() => listsChanged());
    await waitFor(() => expect(notes(hook)).toEqual(['anew']));
  });

  test('without signal it is what was kept, and says since when; with signal again it no longer does', async () => {
    const before = shown();
    await waitFor(() => expect(notes(before)).toEqual(['a']));
    before.unmount();
    expect(before.result.current.asOf).toBeUndefined();
    offline = true;
    const hook = shown();
    await waitFor(() => expect(notes(hook)).toEqual(['a']));
    expect(hook.result.current.asOf).toMatch(/^\d{4}-\d{2}-\d{2}T/);
    offline = false;
    act(() => hook.result.current.again());
    await waitFor(() => expect(hook.result.current.asOf).toBeUndefined());
  });

  test('without signal and never asked for before, it says why there is nothing', async () => {
    offline = true;
    const hook = shown();
    await waitFor(() => expect(hook.result.current.error).toBeDefined());
    expect(hook.result.current.pages).toBeUndefined();
  });
});

test('what was said of a visit stands in its list from the sending on, before the list answers and without signal', async () => {
  const stopped = (hook: ReturnType<typeof shown>) =>
    hook.result.current.pages?.flatMap((p) => p.visits.map((v) => v.visit.stoppedAt));
  const hook = shown();
  await waitFor(() => expect(stopped(hook)).toEqual([null]));
  const visitId = '0197a000-0000-7000-8000-00000000000a';
  const say = async (stoppedAt: string | null) => {
    const id = uuidv7();
    await put([{ kind: 'visitNote', body: { id, visitId, machineId: visitId, stoppedAt } }]);
    await flush();
  };
  let answer = () => {};
  answered = new Promise((resolve) => (answer = resolve));
  const seen: unknown[] = [];
  const at = '2026-06-12T09:00:00.000Z';
  await act(() => say(at));
  seen.push(stopped(hook));
  await act(() => say(null));
  seen.push(stopped(hook));
  await act(() => say(at));
  seen.push(stopped(hook));
  expect(seen).toEqual([[at], [null], [at]]);
  hook.unmount();
  // another page of it in another tab, and no signal: what is kept here says it too
  offline = true;
  const later = shown();
  await waitFor(() => expect(stopped(later)).toEqual([at]));
  answer();
});
