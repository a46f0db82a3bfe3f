import { SpecSheet } from '@green-tally/core/contracts';
import ouzel7 from '../../../../demo/specs/ouzel7.json';
import tarn7 from '../../../../demo/specs/tarn7.json';
import { slugOf } from '../slug';
import { choicesOf, NEW_CHOICE, NEW_OPTION, withChoices, type WrittenChoice } from './choices';

const [large, auger] = [ouzel7, tarn7].map((s) => SpecSheet.parse(s)) as [SpecSheet, SpecSheet];
const option = (name: string, why = '') => ({ ...NEW_OPTION, name, why });
const written = (name: string, ...options: WrittenChoice['options']): WrittenChoice => ({
  ...NEW_CHOICE,
  name,
  options,
});
const kept = (...args: Parameters<typeof withChoices>): SpecSheet => {
  const result = withChoices(...args);
  if ('troubles' in result) throw new Error(JSON.stringify(result.troubles));
  return result.sheet;
};
const troubles = (...args: Parameters<typeof withChoices>): [string, string][] => {
  const result = withChoices(...args);
  return 'troubles' in result ? result.troubles.map((t) => [t.at, t.message]) : [];
};

describe('equipment and schools as they are written', () => {
  test.each(['equipment', 'schools'] as const)('%s: kept as they were, nothing changes', (of) => {
    expect(kept(large, of, choicesOf(large, of))).toEqual(large);
    expect(kept(auger, of, choicesOf(auger, of))).toEqual(auger);
  });
  test('new equipment gets ids of its own, made of its names', () =>
    expect(
      kept(auger, 'equipment', [
        written('Knife drive', option(' By belt '), option('By a shaft'), option('by belt, twin')),
      ]).equipment,
    ).toEqual([
      {
        id: 'knife-drive',
        name: 'Knife drive',
        options: [
          { id: 'by-belt', name: 'By belt' },
          { id: 'by-a-shaft', name: 'By a shaft' },
          { id: 'by-belt-twin', name: 'by belt, twin' },
        ],
      },
    ]));
  test('an id is not taken twice, among equipment and schools together', () => {
    const [school] = auger.schools;
    const sheet = kept(auger, 'equipment', [
      written((school?.id ?? '').replaceAll('-', ' '), option('a'), option('b')),
    ]);
    expect(sheet.equipment[0]?.id).toBe(`${school?.id}-2`);
  });
  test('another name keeps the id, and the checks with it', () => {
    const choices = choicesOf(large, 'equipment');
    const [first] = choices as [WrittenChoice];
    const sheet = kept(large, 'equipment', [
      { ...first, name: 'Drive of the feeder' },
      ...choices.slice(1),
    ]);
    expect(sheet.equipment[0]).toMatchObject({ id: first.id, name: 'Drive of the feeder' });
    expect(sheet.checks).toEqual(large.checks);
  });
  test('a new school has its reasons; the first way is in force until another is put so', () => {
    const sheet = kept(auger, 'schools', [
      ...choicesOf(auger, 'schools'),
      written(
        'When knives are turned',
        option('every year', 'sharp'),
        option('when dull', 'cheap'),
      ),
    ]);
    expect(sheet.schools.at(-1)).toMatchObject({
      id: 'when-knives-are-turned',
      subject: 'When knives are turned',
      chosen: 'every-year',
    });
    const again = choicesOf(sheet, 'schools').map((s) =>
      s.id === 'when-knives-are-turned' ? { ...s, chosen: 'when-dull' } : s,
    );
    expect(kept(sheet, 'schools', again).schools.at(-1)?.chosen).toBe('when-dull');
  });
  test('a way in force that is taken out leaves the first one in force', () => {
    const sheet = kept(auger, 'schools', [
      written('Turned', option('a', 'x'), option('b', 'y'), option('c', 'z')),
      ...choicesOf(auger, 'schools'),
    ]);
    const [turned, ...rest] = choicesOf(sheet, 'schools') as [WrittenChoice, ...WrittenChoice[]];
    const gone = { ...turned, chosen: 'c', options: turned.options.slice(0, 2) };
    expect(kept(sheet, 'schools', [gone, ...rest]).schools[0]?.chosen).toBe('a');
  });
});

describe('choices that cannot be', () => {
  test.each([
    [[written('', option('a'), option('b'))], '0.name'],
    [[written('Drive', option('a'))], '0.options'],
    [[written('Drive', option('a'), option(' '))], '0.options.1.name'],
    [[written('Drive', option('a'), option('A'))], '0.options.1.name'],
    [[written('Drive', ...'abcdefghi'.split('').map((n) => option(n)))], '0.options'],
    [
      [written('Drive', option('a'), option('b')), written('drive ', option('a'), option('b'))],
      '1.name',
    ],
  ])('%j is told at %s', (choices, at) =>
    expect(troubles(auger, 'equipment', choices).map(([where]) => where)).toContain(at),
  );
  test('a way without its reason', () =>
    expect(
      troubles(auger, 'schools', [written('Turned', option('a', 'so'), option('b'))]),
    ).toContainEqual(['0.options.1.why', 'Say why people do it so.']));
  test('an option that checks are only there with is not taken out under them', () => {
    const choices = choicesOf(large, 'equipment').map((c) =>
      c.id === 'feeder-drive'
        ? { ...c, options: [...c.options.filter((o) => o.id !== 'fixed'), option('New')] }
        : c,
    );
    const [[at, message]] = troubles(large, 'equipment', choices) as [[string, string]];
    expect(at).toBe('');
    expect(message).toMatch(/^"Feeder drive: Fixed.*" is wanted by .+\. Change those first\.$/);
  });
  test('nor the whole of it; without checks it goes', () => {
    const without = (id: string) => choicesOf(large, 'equipment').filter((c) => c.id !== id);
    expect(troubles(large, 'equipment', without('feeder-drive'))).not.toEqual([]);
    const sheet = kept(auger, 'equipment', [written('Drive', option('a'), option('b'))]);
    expect(kept(sheet, 'equipment', []).equipment).toEqual([]);
  });
});

test.each([
  ['Rear ladder', 'rear-ladder'],
  ['– ! –', 'other'],
  [`${'a'.repeat(49)} bcd`, 'a'.repeat(49)],
])('the code of %j is %s', (name, slug) => expect(slugOf(name, 'other')).toBe(slug));
