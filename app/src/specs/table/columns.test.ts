import { SpecSheet, type Check } from '@green-tally/core/contracts';
import ouzel7 from '../../../../demo/specs/ouzel7.json';
import { cellText, cellValue, fieldUnder, GROUPS, ofManyLines, type Column } from './columns';

const sheet = SpecSheet.parse(ouzel7);
const belt = sheet.checks.find((c) => c.id === 'fan-drive-belt') as Check;
const column = (path: string): Column => ({ path, head: path, flex: 1 });
const field = (path: string, typed = {}) => fieldUnder(belt, sheet, column(path), typed);

describe('the columns of the table of checks', () => {
  test('each stands over a field that some check of the sheet has', () => {
    for (const { columns } of GROUPS)
      for (const one of columns)
        expect([one.path, sheet.checks.some((c) => fieldUnder(c, sheet, one, {}))]).toEqual([
          one.path,
          true,
        ]);
  });
  test('hours are asked for only where it goes by hours, also while that is being typed', () => {
    expect(field('interval.hours')).toBeUndefined();
    expect(field('interval.hours', { interval_kind: 'every' })).toBeDefined();
    expect(field('interval.early', { interval_kind: 'daily' })).toBeUndefined();
  });
});

describe('a cell', () => {
  const often = field('interval.kind');
  const component = field('component');
  if (!often || !component) throw new Error('fields that every check has');
  test('says what the check has, a choice by its title', () => {
    expect(cellText(component, belt, {})).toBe('Fan drive belt');
    expect(cellText(often, belt, {})).toBe('Before each harvest');
  });
  test('says what was typed, as far as it is typed', () => {
    expect(cellText(component, belt, { component: '' })).toBe('');
    expect(cellText(often, belt, { interval_kind: 'Dai' })).toBe('Dai');
    expect(cellText(often, belt, { interval_kind: 'daily' })).toBe('Daily');
  });
  test.each([
    ['Daily', 'daily'],
    [' into STORAGE ', 'storageIn'],
    ['Dai', 'Dai'],
  ])('a choice typed as %p is kept as %p', (text, value) =>
    expect(cellValue(often, text)).toBe(value),
  );
  test('several lines do not go into one', () =>
    expect(['one', 'two\nlines'].map(ofManyLines)).toEqual([false, true]));
});
