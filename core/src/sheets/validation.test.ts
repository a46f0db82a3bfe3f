import fc from 'fast-check';
import { Check, SpecSheet } from '../contracts';
import { madeCheck } from '../testing/sheet';
import { anySheet, sheets } from '../testing/shipped';
import { diffSheets, nothingChanged } from './index';

describe('validation in words', () => {
  const refused = (change: object) => {
    const result = Check.safeParse({
      ...madeCheck('measure', { limit: { type: 'band', low: 1, high: 2 } }),
      ...change,
    });
    return result.success
      ? []
      : result.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`);
  };
  test.each([
    [
      { limit: { type: 'band', low: 3, high: 2 } },
      'limit.low: a lowest value below the highest, 2',
    ],
    [{ limit: { type: 'band' } }, 'limit.low: a lowest value, a highest, or both'],
    [
      { limit: { type: 'band', low: 1, high: 2, nominal: 5 } },
      'limit.nominal: a nominal value inside the band',
    ],
    [
      { limit: { type: 'wear', nominal: 5, limit: 3, wornSide: 'larger' } },
      'limit.wornSide: "smaller", as the new size 5 and the limit 3 say',
    ],
    [{ quantity: 'voltage' }, 'unit: a unit of voltage: V'],
    [{ quantity: 'voltage', unit: 'V' }, 'style: "plain" for what is no length'],
    [{ interval: { kind: 'every' } }, 'interval.hours: an interval in hours, in days, or both'],
    [
      { wearRate: { perHour: 0.001, sd: 0.001 } },
      'wearRate: none: a band is set, it does not wear',
    ],
  ])('%j', (change, words) => expect(refused(change)).toContain(words));
});

describe('what changed', () => {
  test('is named check by check, field by field', () => {
    const before = sheets.tarn7;
    const after = SpecSheet.parse({
      ...before,
      checks: [
        ...before.checks.slice(2),
        { ...before.checks[0], id: 'new-one', component: 'New one' },
      ].map((c) => (c!.id === 'reel-tines' ? { ...c, allowed: 9, places: ['left', 'right'] } : c)),
    });
    const diff = diffSheets(before, after);
    expect(diff.added).toEqual([{ id: 'new-one', component: 'New one' }]);
    expect(diff.removed.map((c) => c.id)).toEqual(before.checks.slice(0, 2).map((c) => c.id));
    expect(diff.changed).toEqual([
      {
        id: 'reel-tines',
        component: 'Reel tines',
        fields: [
          { field: 'places', before: ['here'], after: ['left', 'right'] },
          { field: 'allowed', before: 4, after: 9 },
        ],
      },
    ]);
  });
  test('nothing, for the same sheet; everything is new where there was none', () => {
    fc.assert(
      fc.property(
        anySheet,
        (sheet) =>
          nothingChanged(diffSheets(sheet, SpecSheet.parse(JSON.parse(JSON.stringify(sheet))))) &&
          diffSheets(undefined, sheet).added.length === sheet.checks.length,
      ),
      { numRuns: 30 },
    );
  });
  test('another order is told', () =>
    expect(
      diffSheets(sheets.tarn7, { ...sheets.tarn7, checks: [...sheets.tarn7.checks].reverse() }),
    ).toMatchObject({ reordered: true, changed: [] }));
});
