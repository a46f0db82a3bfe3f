import { mutate } from 'swr';
import { heed, startLive } from './live';
import { listsChanged } from './lists';

jest.mock('swr', () => ({ mutate: jest.fn() }));
jest.mock('./lists', () => ({ listsChanged: jest.fn() }));
const lists = listsChanged as jest.Mock;
const asked = mutate as unknown as jest.Mock;

const T118 = '0197a000-0000-7000-8000-000000000118';
const change = (what: 'facts' | 'standing' | 'many', id: string | null = T118) =>
  heed({ what, id, version: 1 });

/** Each test is later than the one before: what was asked for then is long ago. */
let now = Date.now();
beforeEach(() => {
  now += 1_000_000;
  jest.useFakeTimers({ now });
  lists.mockClear();
  asked.mockClear();
});
afterEach(() => {
  jest.runOnlyPendingTimers();
  jest.useRealTimers();
});

describe('what changes elsewhere', () => {
  test('a standing that is ready brings the lists at once', () => {
    change('standing');
    jest.advanceTimersByTime(60);
    expect(lists).toHaveBeenCalledTimes(1);
  });

  test('facts bring their machine at once, the lists when they have been judged or soon after', () => {
    change('facts');
    expect(asked).toHaveBeenCalledWith(`/machines/${T118}/changes`);
    jest.advanceTimersByTime(500);
    expect(lists).not.toHaveBeenCalled();
    change('standing');
    jest.advanceTimersByTime(60);
    expect(lists).toHaveBeenCalledTimes(1);
    // the one wait serves both
    jest.advanceTimersByTime(5000);
    expect(lists).toHaveBeenCalledTimes(1);
  });

  test('where no worker tells of a standing, facts alone bring the lists', () => {
    change('facts');
    jest.advanceTimersByTime(1300);
    expect(lists).toHaveBeenCalledTimes(1);
  });

  test('however much changes, lists are asked for no oftener than once a second, and the last counts', () => {
    for (let i = 0; i < 50; i += 1) {
      change('standing');
      jest.advanceTimersByTime(100);
    }
    const within = lists.mock.calls.length;
    expect(within).toBeGreaterThanOrEqual(4);
    expect(within).toBeLessThanOrEqual(6);
    jest.advanceTimersByTime(2000);
    expect(lists.mock.calls.length).toBeLessThanOrEqual(within + 1);
  });

  test('very many at once, or something missed: every machine and list on the screen', () => {
    change('many', null);
    const concerns = asked.mock.calls[0]?.[0] as (key: unknown) => boolean;
    expect(concerns(`/machines/${T118}/changes`)).toBe(true);
    expect([concerns('/session'), concerns(`/machines/${T118}/rejudge`), concerns(7)]).toEqual([
      false,
      false,
      false,
    ]);
    jest.advanceTimersByTime(1100);
    expect(lists).toHaveBeenCalledTimes(1);
  });

  test('a device that cannot listen goes on without', () => {
    expect(typeof globalThis.EventSource).toBe('undefined');
    expect(() => startLive()()).not.toThrow();
  });
});
