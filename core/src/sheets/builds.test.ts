import type { SpecSheet } from '../contracts';
import { demoSheet } from '../testing/sheet';
import { lostBuilds } from './index';

const sheet = demoSheet('ouzel7');
const [first] = sheet.equipment;
if (!first) throw new Error('a sheet with equipment');
const [usual, other] = first.options.map((o) => o.id) as [string, string];
const withOptions = (options: SpecSheet['equipment'][number]['options']): SpecSheet => ({
  ...sheet,
  equipment: sheet.equipment.map((e) => (e.id === first.id ? { ...e, options } : e)),
});
const more = { id: 'third', name: 'Third' };
const machines = [
  { serial: 'T10', equipment: { [first.id]: other } },
  { serial: 'T9', equipment: null },
  { serial: 'T2', equipment: {} },
];

describe('whose build a new revision would change', () => {
  test('nobody’s, where options are added at the end or named otherwise', () =>
    expect(
      lostBuilds(
        sheet,
        withOptions([...first.options.map((o) => ({ ...o, name: `${o.name}!` })), more]),
        machines,
      ),
    ).toEqual([]));
  test('an option that is gone: those built with it, by its name', () =>
    expect(
      lostBuilds(
        sheet,
        withOptions([...first.options.filter((o) => o.id !== other), more]),
        machines,
      ),
    ).toEqual([
      {
        equipment: first.name,
        option: first.options.find((o) => o.id === other)?.name,
        serials: ['T10'],
      },
    ]));
  test('another first option: those of which nothing is said', () =>
    expect(lostBuilds(sheet, withOptions([...first.options].reverse()), machines)).toEqual([
      {
        equipment: first.name,
        option: first.options.find((o) => o.id === usual)?.name,
        serials: ['T2', 'T9'],
      },
    ]));
  test('equipment that is taken out whole decides nothing any more', () =>
    expect(lostBuilds(sheet, { ...sheet, equipment: sheet.equipment.slice(1) }, machines)).toEqual(
      [],
    ));
  test('new equipment neither', () =>
    expect(lostBuilds({ ...sheet, equipment: sheet.equipment.slice(1) }, sheet, machines)).toEqual(
      [],
    ));
});
