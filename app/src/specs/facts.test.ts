import { SpecSheet, type Check } from '@green-tally/core/contracts';
import ouzel7 from '../../../demo/specs/ouzel7.json';
import { factsOf } from './facts';

const sheet = SpecSheet.parse(ouzel7);
const checkOf = (id: string): Check => {
  const found = sheet.checks.find((c) => c.id === id);
  if (!found) throw new Error(id);
  return found;
};
const fact = (id: string, label: string) =>
  factsOf(sheet, checkOf(id)).find((f) => f.label === label)?.value;

describe('the facts of a check, as they are read', () => {
  test('with which equipment and by which school, by their names', () =>
    expect(fact('conveyor-chain-tension', 'Only on')).toBe(
      'Feeder conveyor: Chain and slats; How the conveyor chain is judged: Spring against its gauge; Conveyor tensioner: Spring and nut',
    ));
  test('what differs with a choice, without a code', () => {
    const said = fact('conveyor-chain-tension', 'Differs on');
    expect(said).toContain(': gauge length 60; gauge short 0; gauge past 0');
    expect(said).not.toMatch(/ = |with [a-z-]+ [a-z-]+:/);
  });
  test('no code of a choice is left in any check’s facts', () => {
    const codes = [...sheet.equipment, ...sheet.schools]
      .map((c) => c.id)
      .filter((id) => id.includes('-'));
    for (const check of sheet.checks)
      for (const { label, value } of factsOf(sheet, check))
        for (const code of codes)
          expect([check.id, label, value.includes(code)]).toEqual([check.id, label, false]);
  });
  test('what a check does not have is not said', () => {
    const bare = sheet.checks.find((c) => !c.parts.length && !Object.keys(c.when).length) as Check;
    const labels = factsOf(sheet, bare).map((f) => f.label);
    expect(labels).not.toContain('Only on');
    expect(labels).not.toContain('Parts');
  });
  test('many places are told by their first and last, a tool by what it can be trusted to', () => {
    const many = sheet.checks.find((c) => c.places.length > 6) as Check;
    expect(fact(many.id, 'Places')).toBe(
      `${many.places.length}: ${many.places[0]} to ${many.places.at(-1)}`,
    );
    expect(fact('fan-drive-belt', 'Tool')).toBe('Caliper C3, reads to 0.1 mm');
  });
});
