import { Position, SpecSheet, type AsFound, type PositionFacts } from '../contracts';
import { madeCheck } from '../testing/sheet';
import { sheets } from '../testing/shipped';
import { factWords, positionOf, settingsToNote, toPutBack } from './index';

const refused = (facts: object) =>
  Position.safeParse({ name: 'Here', facts }).error?.issues.map((i) => i.path.at(-1)) ?? [];

describe('a position as facts', () => {
  test.each<[string, PositionFacts]>([
    ['feeder level, on its lock', { feeder: 'level', drum: 'low' }],
    ['header on the ground', { header: 'ground', feeder: 'lowered' }],
    ['running', { run: 'running', shields: 'closed', engine: 'warm' }],
  ])('%s can be', (_, facts) => expect(refused(facts)).toEqual([]));
  test.each<[string, object, string]>([
    [
      'a level feeder with the header on the ground',
      { feeder: 'level', header: 'ground' },
      'header',
    ],
    ['running under a raised header', { header: 'raised', run: 'running' }, 'run'],
    ['running with the shields open', { shields: 'open', run: 'running' }, 'run'],
    ['running cold', { engine: 'cold', run: 'running' }, 'run'],
    ['a drum half way', { drum: 'middle' }, 'drum'],
  ])('%s is refused', (_, facts, field) => expect(refused(facts)).toContain(field));
  test('every position of the shipped sheets is described, and used', () => {
    for (const sheet of Object.values(sheets)) {
      const used = new Set(sheet.checks.map((c) => c.position));
      expect(new Set(sheet.positions.map((p) => p.name))).toEqual(used);
      for (const p of sheet.positions) expect(Object.keys(p.facts).length).toBeGreaterThan(0);
    }
  });
  test('a check that wants a position the sheet does not describe is refused; one named twice too', () => {
    const [first, ...rest] = sheets.tarn7.positions;
    const issues = (positions: object[]) =>
      SpecSheet.safeParse({ ...sheets.tarn7, positions }).error?.issues.map((i) => i.path) ?? [];
    expect(issues(rest)).toContainEqual(['checks', expect.any(Number), 'position']);
    expect(issues([first!, first!, ...rest])).toContainEqual(['positions', 1, 'name']);
    expect(issues([])).toEqual([]);
  });
});

describe('what was set some way is put back so', () => {
  const check = (id: string, position: string) =>
    madeCheck('measure', {
      id,
      position,
      limit: { type: 'wear', nominal: 9, limit: 7 },
    });
  const [low, high, any] = [check('low', 'L'), check('high', 'H'), check('any', 'A')];
  const facts: Readonly<Record<string, PositionFacts>> = {
    L: { drum: 'low' },
    H: { drum: 'high', drive: 'slowest' },
  };
  const back = (read: ReturnType<typeof check>[], found: AsFound) =>
    toPutBack(read, found, (c) => facts[c.position]).map((p) => [p.setting, p.found, p.check.id]);

  test('asked for once, only where a position moves it', () => {
    expect(settingsToNote(facts['L'], {})).toEqual(['drum']);
    expect(settingsToNote(facts['L'], { drum: 'high' })).toEqual([]);
    expect(settingsToNote(facts['H'], { drum: 'high' })).toEqual(['drive']);
    expect(settingsToNote(facts['A'], {})).toEqual([]);
    expect(settingsToNote(undefined, {})).toEqual([]);
  });
  test('found high and read low it is to be put back; found low it stands', () => {
    expect(back([low], { drum: 'high' })).toEqual([['drum', 'high', 'low']]);
    expect(back([low], { drum: 'low' })).toEqual([]);
    expect(back([any], { drum: 'high' })).toEqual([]);
  });
  test('nobody having noted it, nothing is made up', () => expect(back([low], {})).toEqual([]));
  test('the check that moved it last is told', () => {
    const third = check('third', 'L');
    expect(back([low, high, third], { drum: 'high', drive: 'between' })).toEqual([
      ['drum', 'high', 'third'],
      ['drive', 'between', 'high'],
    ]);
  });
  test('a check’s facts are those of its own sheet', () => {
    const machine = { model: 'Ouzel 7', header: { model: 'Merle 12', serial: 'H1' } };
    const all = [sheets.ouzel7, sheets.merle12];
    const tension = sheets.ouzel7.checks.find((c) => c.id === 'conveyor-chain-tension')!;
    expect(positionOf(tension, machine, all)).toMatchObject({ feeder: 'level', drum: 'low' });
    expect(positionOf({ position: 'Nowhere', on: 'header' }, machine, all)).toBeUndefined();
    expect(factWords('drum', 'low')).toBe('Conveyor drum: low');
  });
});
