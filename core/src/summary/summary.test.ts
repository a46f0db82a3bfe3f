import type { Check, Reading, ReadingValue } from '../contracts';
import { judgeMachine } from '../verdict';
import { reading, shortSheet, WALK_ID } from '../testing/sheet';
import { summaryOf } from './summary';

const { checks } = shortSheet('ouzel7');
const width = (mm: number): ReadingValue => ({
  kind: 'measure',
  values: [mm],
  typed: [],
  unit: 'mm',
});
const skip: ReadingValue = { kind: 'skip', why: 'too dark' };
const belt = (value: ReadingValue, change: Partial<Reading> = {}) =>
  reading('fan-drive-belt', 'belt', value, change);
const sum = (readings: Reading[], photos: { walkId: string | null; dropped: unknown }[] = []) =>
  summaryOf({
    walk: { id: WALK_ID },
    checks,
    readings,
    photos,
    verdicts: judgeMachine(checks, readings, { hours: 1300, seasonHours: 200 }),
  });
const ids = (list: readonly { readonly check: Check }[]) => list.map((u) => u.check.id);

describe('what a walk came to', () => {
  test('what was read by decision; what was not stays undone', () => {
    const of = sum([belt(width(34))]);
    expect(of.decisions.map((d) => [d.decision, ids(d.verdicts)])).toEqual([
      ['replace', ['fan-drive-belt']],
    ]);
    expect(ids(of.undone)).toEqual(checks.map((c) => c.id).filter((id) => id !== 'fan-drive-belt'));
    expect(of.putRight).toEqual([]);
  });
  test('what an earlier walk found is none of it', () => {
    const of = sum([belt(width(34), { walkId: null })]);
    expect(of.decisions).toEqual([]);
    expect(ids(of.undone)).toContain('fan-drive-belt');
  });
  test('put right and read as left', () => {
    const left = belt(width(38), {
      state: 'asLeft',
      renewed: true,
      takenAt: '2026-06-09T09:00:00.000Z',
    });
    expect(ids(sum([belt(width(34)), left]).putRight)).toEqual(['fan-drive-belt']);
  });
  test('set aside with why, and it is not undone', () => {
    const of = sum([belt(skip)]);
    expect(of.setAside).toMatchObject([{ place: 'belt', why: 'too dark' }]);
    expect(ids(of.undone)).not.toContain('fan-drive-belt');
  });
  test('half read: the places that are not', () => {
    const mark: ReadingValue = { kind: 'mark', stands: 'at', by: 0 };
    const travel: ReadingValue = { kind: 'travel', left: 20, linksOut: 0, typed: '', unit: 'mm' };
    const of = sum([mark, travel].map((v) => reading('conveyor-chain-tension', 'left', v)));
    expect(of.undone.find((u) => u.check.id === 'conveyor-chain-tension')?.places).toEqual([
      'right',
    ]);
  });
  test('read in another position is worth nothing', () =>
    expect(sum([belt(width(37), { positionConfirmed: false })]).worthless).toMatchObject([
      { check: { id: 'fan-drive-belt' }, places: ['belt'] },
    ]));
  test('struck ones are told with what they had said', () => {
    const wrong = belt(width(24));
    const of = sum([wrong, belt(width(37), { strikes: wrong.id, by: 'Tobin Vale' })]);
    expect(of.struck).toMatchObject([{ said: '24 mm', place: 'belt', by: wrong.by }]);
    expect(of.people).toContain('Tobin Vale');
  });
  test('photos of this walk that are there', () =>
    expect(
      sum(
        [],
        [
          { walkId: WALK_ID, dropped: null },
          { walkId: WALK_ID, dropped: { at: '', by: '' } },
          { walkId: null, dropped: null },
        ],
      ).photos,
    ).toBe(1));
});
