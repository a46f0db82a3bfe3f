import type { Tick } from '../contracts';
import { tick } from '../testing/season';
import { deferKey, deferralOf, leftKey, leftOf, ownerKey, ownerOf, parseUntil } from './index';

const now = { today: '2026-06-09', hours: 1284 };
const work = { subjects: ['belt|r1', 'belt|r2'] };
const put = (subject: string, change: Partial<Tick> = {}) =>
  tick(deferKey(subject), { until: { on: '2026-07-20' }, note: 'runs till then', ...change });

describe('what is put off', () => {
  const both = [put('belt|r1'), put('belt|r2')];
  test('it stands until its day has come', () => {
    expect(deferralOf(work, both, now)).toMatchObject({ until: { on: '2026-07-20' } });
    expect(deferralOf(work, both, { ...now, today: '2026-07-20' })).toBeUndefined();
  });
  test('or its hour', () => {
    const at = both.map((t) => ({ ...t, until: { atHours: 1300 } }));
    expect(deferralOf(work, at, now)).toBeDefined();
    expect(deferralOf(work, at, { ...now, hours: 1300 })).toBeUndefined();
  });
  test('put off for one place only, the work is still called for', () =>
    expect(deferralOf(work, [put('belt|r1')], now)).toBeUndefined());
  test('decided after all, it stands no more', () => {
    const back = [...both, put('belt|r1', { done: false, at: '2026-06-09T11:00:00.000Z' })];
    expect(deferralOf(work, back, now)).toBeUndefined();
  });
  test('a new reading asks anew', () =>
    expect(deferralOf({ subjects: ['belt|r3'] }, both, now)).toBeUndefined());
  test('put off again, the last word counts', () => {
    const later = put('belt|r1', { until: { on: '2026-08-01' }, at: '2026-06-09T12:00:00.000Z' });
    expect(deferralOf(work, [later, ...both], now)?.until).toEqual({ on: '2026-08-01' });
  });
});

describe('what is left, and what the owner says', () => {
  test('left is what is left at all of its places', () => {
    expect(leftOf(work, [tick(leftKey('belt|r1'))])).toBeUndefined();
    expect(leftOf(work, [tick(leftKey('belt|r1')), tick(leftKey('belt|r2'))])).toBeDefined();
  });
  test('the owner’s last word counts', () => {
    const said = (answer: Tick['answer'], at: string) =>
      tick(ownerKey('belt|r1'), { answer, at: `2026-06-09T${at}:00.000Z` });
    expect(ownerOf(work, [said('yes', '12:00'), said('notNow', '09:00')])?.answer).toBe('yes');
    expect(ownerOf(work, [])).toBeUndefined();
  });
});

describe('until when, as it is typed', () => {
  test.each([
    ['2026-07-20', { on: '2026-07-20' }],
    [' 1300 h ', { atHours: 1300 }],
    ['1300,5', { atHours: 1300.5 }],
  ])('"%s"', (text, until) => expect(parseUntil(text, now)).toEqual(until));
  test.each(['', 'soon', '2026-06-09', '2026-02-31', '1284', '999999 h', '-5'])(
    '"%s" is refused by name',
    (text) =>
      expect(() => parseUntil(text, now)).toThrow(
        expect.objectContaining({ field: 'until' }) as Error,
      ),
  );
});
