import { SpecSheet, type Check } from '../contracts';
import { toEnter } from '../kinds';
import { facts, measured } from '../testing/judged';
import { sheets } from '../testing/shipped';
import { judgeCheck } from '../verdict';
import { checksOfBuild } from '../walk';
import { built, reading } from '../testing/sheet';
import {
  copyOf,
  enterLimits,
  limitProgress,
  limitRows,
  limitTable,
  NO_PAGE,
  readLimitTable,
  starterOf,
} from './index';

const NEW = { model: 'Own 1', maker: 'Own' };
const starter = starterOf(sheets.ouzel7, NEW);
const rowOf = (sheet: SpecSheet, checkId: string, part = 'limit', place = '') =>
  limitRows(sheet).find((r) => r.checkId === checkId && r.part === part && r.place === place)!;
const checkOf = (sheet: SpecSheet, id: string) => sheet.checks.find((c) => c.id === id)!;
const enter = (checkId: string, cells: object, part = 'limit', sheet = starter) =>
  enterLimits(sheet, [{ key: rowOf(sheet, checkId, part).key, cells }]);

describe('a starter', () => {
  test.each(Object.entries(sheets))('of %s holds every check and no figure', (_, sheet) => {
    const own = starterOf(sheet, NEW);
    expect([own.model, own.maker, own.revision]).toEqual(['Own 1', 'Own', 1]);
    const kept = sheet.checks.filter((c) => !c.id.endsWith('-later'));
    expect(own.checks.map((c) => c.id)).toEqual(kept.map((c) => c.id));
    for (const c of own.checks) {
      const was = checkOf(sheet, c.id);
      expect([c.position, c.method, c.safety, c.knockOns]).toEqual([
        was.position,
        was.method,
        was.safety,
        was.knockOns,
      ]);
      expect([c.id, c.parts, c.source, c.fits]).toEqual([c.id, [], NO_PAGE, undefined]);
    }
    const rows = limitRows(own).filter((r) => r.part !== 'mark');
    expect(rows.length).toBeGreaterThan(20);
    expect(rows.filter((r) => r.entered)).toEqual([]);
    // no figure of the sheet it was made from is left anywhere in it
    const text = JSON.stringify(own);
    for (const name of ['LM-', 'Larkmoor', sheet.model, sheet.maker])
      expect([name, text.includes(name)]).toEqual([name, false]);
  });
  test('nothing of it holds, whatever is read: it says what is to be entered', () => {
    for (const check of checksOfBuild(starter, built())) {
      const wants = toEnter(check);
      if (!wants.length) continue;
      const readings = check.places.flatMap((place) => fine(check, place));
      const verdict = judgeCheck(check, readings, facts);
      expect([check.id, verdict?.decision]).toEqual([check.id, 'due']);
      expect(verdict?.places[0]?.findings[0]?.id).toBe('noLimit');
    }
  });
  test('what is broken is broken, limit or no limit', () => {
    const check = checkOf(starter, 'chopper-knives');
    const value = { kind: 'count', missing: 1, damaged: 0, oneEdge: 0, bothEdges: 0 } as const;
    const verdict = judgeCheck(check, [reading(check.id, 'rotor', value)], facts);
    expect([verdict?.decision, verdict?.places[0]?.findings.map((f) => f.id)]).toEqual([
      'replace',
      ['knivesLost', 'noLimit'],
    ]);
  });
});

describe('entering figures', () => {
  test('a wear limit, and it is judged by it', () => {
    const { sheet, troubles, changed } = enter('fan-drive-belt', {
      new: '38',
      limit: '35,0',
      page: '112',
    });
    expect([troubles, changed.length]).toEqual([[], 1]);
    const check = checkOf(sheet, 'fan-drive-belt');
    expect(check).toMatchObject({
      limit: { type: 'wear', nominal: 38, limit: 35, wornSide: 'smaller' },
      source: 'Maker’s manual, page 112',
    });
    expect(toEnter(check)).toEqual([]);
    const verdict = judgeCheck(check, [reading(check.id, 'belt', measured(34.2))], facts);
    expect(verdict?.decision).toBe('replace');
    expect(SpecSheet.safeParse(sheet).success).toBe(true);
  });
  test.each([
    [
      'fan-drive-belt',
      { new: '1 1/2', limit: '1 3/8', unit: 'in' },
      { nominal: 38.1, limit: 34.925 },
    ],
    ['fan-drive-belt', { new: '1.5 in', limit: '35' }, { nominal: 38.1, limit: 35 }],
    ['feeder-rpm', { low: '380', high: '420' }, { low: 380, high: 420 }],
    [
      'conveyor-chain-elongation',
      { new: '41.4', limit: '2.6' },
      { pitch: 41.4, pitches: 10, limitPercent: 2.6 },
    ],
    ['wheel-bolts', { low: '413', high: '472', unit: 'lbf·ft' }, { low: 559.953, high: 639.946 }],
  ])('%s: %j', (id, cells, limit) => {
    const { sheet, troubles } = enter(id, cells);
    expect(troubles).toEqual([]);
    const found = checkOf(sheet, id);
    const own =
      'limit' in found ? (found.limit as unknown as Readonly<Record<string, number>>) : {};
    for (const [field, value] of Object.entries(limit))
      expect([field, own[field]]).toEqual([field, expect.closeTo(value, 2)]);
  });
  test.each([
    ['fan-drive-belt', { new: '38' }, 'limit', /the limit too/],
    ['fan-drive-belt', { limit: '35' }, 'new', /the size when new too/],
    ['fan-drive-belt', { new: '35', limit: '35' }, 'limit', /differs from the size when new/],
    ['fan-drive-belt', { new: '38', limit: 'about 35' }, 'limit', /a length|Write/],
    ['fan-drive-belt', { new: '38', limit: '35', unit: 'N' }, 'unit', /mm, in/],
    ['feeder-rpm', { low: '420', high: '380' }, 'low', /420 and 380 stand the wrong way round/],
    ['conveyor-chain-elongation', { new: '41.4' }, 'limit', /how many %/],
    ['conveyor-chain-elongation', { new: '41.4', limit: '40' }, 'limit', /10/],
  ])('%s %j is refused at %s, and nothing is entered', (id, cells, column, message) => {
    const { sheet, troubles, changed } = enter(id, cells);
    expect([sheet, changed]).toEqual([starter, []]);
    expect(troubles.map((t) => t.column)).toContain(column);
    expect(troubles.find((t) => t.column === column)?.message).toMatch(message);
  });
  test('an adjuster: slot and chain together, or not at all', () => {
    const slot = rowOf(starter, 'elevator-chain', 'slot').key;
    const chain = rowOf(starter, 'elevator-chain', 'chain').key;
    const half = enterLimits(starter, [{ key: slot, cells: { new: '60', low: '12' } }]);
    expect(half.troubles.map((t) => [t.key, t.column])).toEqual([
      [chain, 'new'],
      [chain, 'high'],
      [chain, 'limit'],
    ]);
    const whole = enterLimits(starter, [
      { key: slot, cells: { new: '60', low: '12' } },
      { key: chain, cells: { new: '38.1', high: '160', limit: '2.5' } },
    ]);
    expect(whole.troubles).toEqual([]);
    expect(checkOf(whole.sheet, 'elevator-chain')).toMatchObject({
      takeUp: { total: 60, reserve: 12, pitch: 38.1, loopPitches: 160, limitPercent: 2.5 },
    });
    expect(toEnter(checkOf(whole.sheet, 'elevator-chain'))).toEqual([]);
    const wrongWay = enterLimits(starter, [
      { key: slot, cells: { new: '12', low: '60' } },
      { key: chain, cells: { new: '38.1', high: '160', limit: '2.5' } },
    ]);
    expect(wrongWay.troubles[0]).toMatchObject({ column: 'low', message: /less than the whole/ });
  });
  test('amounts, numbers and settings by crop', () => {
    const { sheet, troubles } = enterLimits(starter, [
      { key: rowOf(starter, 'feeder-slip-clutch', 'amount').key, cells: { low: '1', high: '2' } },
      { key: rowOf(starter, 'chopper-knives', 'total').key, cells: { new: '48' } },
      {
        key: rowOf(starter, 'crop-spacers', 'options').key,
        cells: { new: 'barley: Fitted; lentils + Own 2: stored; any: stored' },
      },
    ]);
    expect(troubles).toEqual([]);
    expect(checkOf(sheet, 'feeder-slip-clutch')).toMatchObject({ amount: 1, most: 2 });
    expect(checkOf(sheet, 'chopper-knives')).toMatchObject({ total: 48 });
    expect(checkOf(sheet, 'crop-spacers')).toMatchObject({
      expected: [
        { crop: 'barley', option: 'fitted' },
        { crop: 'lentils', header: 'Own 2', option: 'stored' },
        { option: 'stored' },
      ],
    });
    const wrong = enter('crop-spacers', { new: 'barley: half' }, 'options');
    expect(wrong.troubles[0]?.message).toMatch(/one of stored, fitted/);
  });
  test('a place with a limit of its own', () => {
    const header = starterOf(sheets.merle10, NEW);
    const key = rowOf(header, 'height-sensors', 'limit', 'left high').key;
    const { sheet } = enterLimits(header, [{ key, cells: { low: '4.1', high: '4.5' } }]);
    expect(checkOf(sheet, 'height-sensors').perPlace).toMatchObject({
      'left high': { limit: { low: 4.1, high: 4.5 } },
      'right high': { limit: { type: 'open' } },
    });
  });
  test('what is emptied again is open again, and what is not touched stays', () => {
    const { sheet } = enter('fan-drive-belt', { new: '', limit: '' }, 'limit', sheets.ouzel7);
    expect(checkOf(sheet, 'fan-drive-belt')).toMatchObject({ limit: { type: 'open' } });
    const same = enterLimits(
      sheets.ouzel7,
      limitRows(sheets.ouzel7).map(({ key, cells }) => ({ key, cells })),
    );
    expect(same.sheet).toBe(sheets.ouzel7);
  });
});

describe('as a table', () => {
  test.each(Object.entries(sheets))('%s written out fills its own starter', (_, sheet) => {
    const own = starterOf(sheet, NEW);
    const { lines, entered, refused } = readLimitTable(own, limitTable(sheet));
    expect(refused).toBeUndefined();
    const lost = lines.filter(
      (l) => l.state === 'trouble' && !l.says[0]?.message.includes('there is no'),
    );
    expect(lost).toEqual([]);
    const { entered: filled, all } = limitProgress(limitRows(entered.sheet));
    // places whose amounts were their own stand as one row in a starter
    expect(filled / all).toBeGreaterThan(0.97);
    for (const c of entered.sheet.checks) {
      const was = checkOf(sheet, c.id);
      if (!('limit' in was) || !('limit' in c) || was.limit.type === 'band') continue;
      expect([c.id, c.limit.type]).toEqual([c.id, was.limit.type]);
    }
  });
  const read = (...rows: string[][]) => readLimitTable(starter, rows);
  test('merged cells, units in the heading, decimal commas', () => {
    const { lines, entered } = read(
      ['Check', 'Figures', 'New (in)', 'Limit [in]', 'Low', 'High', 'Pitch'],
      ['fan-drive-belt', 'limit', '1,5', '1 3/8', '', '', ''],
      ['elevator-chain', 'slot', '60', '', '12', '', ''],
      ['', 'chain', '38,1', '2,5', '', '160', ''],
    );
    expect(lines.map((l) => l.state)).toEqual(['entered', 'entered', 'entered']);
    expect(lines[2]?.says[0]?.message).toMatch(/merged cells/);
    expect(checkOf(entered.sheet, 'fan-drive-belt')).toMatchObject({
      limit: { nominal: 38.1, limit: 34.925 },
    });
    expect(checkOf(entered.sheet, 'elevator-chain')).toMatchObject({
      takeUp: { total: 60, pitch: 38.1, limitPercent: 2.5, loopPitches: 160 },
    });
  });
  test.each([
    [[['check'], ['fan-drive-belt']], /names no figures/],
    [
      [
        ['new', 'limit'],
        ['38', '35'],
      ],
      /a column "check"/,
    ],
    [[['check', 'limit', 'limit'], []], /"limit" twice/],
    [[[]], /heading/],
  ])('no table: %j', (rows, message) => expect(read(...rows).refused).toMatch(message));
  test.each([
    [['no-such', '', '38'], 'check', /there is no "no-such"/],
    [['fan-drive-belt', 'left', '38'], 'place', /empty, for all places; there is no "left"/],
    [['', '', '38'], 'check', /which check/],
    [['fan-drive-belt', '', '38'], 'limit', /the limit too/],
  ])('row %j', (row, column, message) => {
    const { lines, troubles } = read(['check', 'place', 'new'], row);
    expect([troubles, lines[0]?.line, lines[0]?.state]).toEqual([1, 2, 'trouble']);
    expect(lines[0]?.says.at(-1)).toMatchObject({
      column,
      message: expect.stringMatching(message),
    });
  });
  test('the same row twice', () => {
    const { lines } = read(
      ['check', 'new', 'limit'],
      ['fan-drive-belt', '38', '35'],
      ['fan-drive-belt', '38', '34'],
    );
    expect(lines.map((l) => l.state)).toEqual(['entered', 'trouble']);
    expect(lines[1]?.says[0]?.message).toMatch(/line 2 is the same row/);
  });
});

test('a copy for another model is the same sheet under its own name', () => {
  const copy = copyOf(sheets.tarn7, NEW);
  expect(copy.checks).toEqual(sheets.tarn7.checks);
  expect([copy.model, copy.maker, copy.revision, copy.remark]).toEqual([
    'Own 1',
    'Own',
    1,
    'From Tarn 7, revision 1.',
  ]);
});

/** What an ordinary machine shows at a place, as far as it can be said without any figure. */
function fine(check: Check, place: string) {
  const of = (value: Parameters<typeof reading>[2]) => [reading(check.id, place, value)];
  switch (check.kind) {
    case 'measure':
    case 'series':
      return of(measured(...Array.from({ length: check.repeats }, () => 20)));
    case 'mark':
      return of({ kind: 'mark', stands: 'at', by: 0 });
    case 'feel':
      return of({ kind: 'feel', feel: check.good[0] ?? 'justSlides', play: false });
    case 'count':
      return of({ kind: 'count', missing: 0, damaged: 0, oneEdge: 0, bothEdges: 0 });
    case 'service':
      return of({ kind: 'service', amount: 3, product: '' });
    case 'setting':
      return of({ kind: 'setting', option: check.options[0] ?? '' });
    default:
      return [];
  }
}
