import { SpecSheet, type Check } from '@green-tally/core/contracts';
import { starterOf } from '@green-tally/core/figures';
import corrie6 from '../../../../demo/specs/corrie6.json';
import merle10 from '../../../../demo/specs/merle10.json';
import merle12 from '../../../../demo/specs/merle12.json';
import ouzel7 from '../../../../demo/specs/ouzel7.json';
import { withCheck } from '../sheetChanges';
import { enterForms, fieldsOf, formSchema, reshaped, sectionsOf, shapedBy, toForm } from './index';

const [large, auger, row, walker] = [ouzel7, merle10, merle12, corrie6].map((s) =>
  SpecSheet.parse(s),
) as [SpecSheet, SpecSheet, SpecSheet, SpecSheet];
const starter = starterOf(large, { model: 'Starter', maker: 'Own' });

const checkOf = (sheet: SpecSheet, id: string): Check => {
  const found = sheet.checks.find((c) => c.id === id);
  if (!found) throw new Error(id);
  return found;
};
/** Chooses what shapes the form, then writes the rest, as a planner does. */
const written = (
  sheet: SpecSheet,
  id: string,
  shape: Record<string, string>,
  rest: Record<string, string> = {},
) => {
  const check = checkOf(sheet, id);
  const values = { ...reshaped(check, toForm(check, sheet), shape, sheet), ...rest };
  return { values, result: formSchema(sheet, check).safeParse(values) };
};
const troubles = ({ result }: ReturnType<typeof written>) =>
  result.success ? {} : Object.fromEntries(result.error.issues.map((i) => [i.path[0], i.message]));

describe('the form leaves nothing of a check out', () => {
  /** What follows from the rest, or never changes. */
  const FOLLOWS =
    /^(id|kind|on|stationName|style|takeUpToEnter|limit\.(wornSide|wants)|tool\.uncertainty)$/;
  const leaves = (value: unknown, path: string): string[] =>
    value === undefined
      ? []
      : value !== null && typeof value === 'object' && !Array.isArray(value)
        ? Object.entries(value).flatMap(([key, v]) => leaves(v, path ? `${path}.${key}` : key))
        : [path];
  test.each([large, auger, row, walker, starter].map((s) => [s.model, s] as const))(
    'of %s',
    (_model, sheet) => {
      const missing = sheet.checks.flatMap((check) => {
        const paths = fieldsOf(check, sheet).map((f) => f.path);
        return leaves(check, '')
          .filter((leaf) => !FOLLOWS.test(leaf))
          .filter((leaf) => !paths.some((p) => leaf === p || leaf.startsWith(`${p}.`)))
          .map((leaf) => `${check.kind}: ${leaf}`);
      });
      expect([...new Set(missing)]).toEqual([]);
    },
  );
});

describe('what shapes the form', () => {
  test('wear becomes a band: its fields come, what wear alone has is gone', () => {
    const { values, result } = written(
      large,
      'fan-drive-belt',
      { limit_type: 'band' },
      { limit_low: '30', limit_high: '35', limit_nominal: '' },
    );
    expect(values).toMatchObject({ limit_below: 'adjust', limit_whenNew_low: '' });
    expect(result.data).toMatchObject({ limit: { type: 'band', low: 30, high: 35 } });
    expect(result.data && 'wearRate' in result.data).toBe(false);
  });
  test('and its figures are asked for', () =>
    expect(troubles(written(large, 'fan-drive-belt', { limit_type: 'elongation' }))).toMatchObject({
      limit_pitch: 'a number',
      limit_pitches: 'a number',
    }));
  test('another unit writes every value anew, as large as it was', () => {
    const before = checkOf(large, 'fan-drive-belt');
    const { values, result } = written(large, 'fan-drive-belt', { unit: 'in' });
    expect(values['limit_nominal']).toMatch(/ mm$|^\d+( \d+\/\d+)? in$|^\d.* in$/);
    expect(result.data).toMatchObject({ unit: 'in', style: 'inFraction' });
    const after = result.data as typeof before;
    if (!('limit' in before) || !('limit' in after)) throw new Error('measured');
    expect(after.limit).toEqual(before.limit);
    expect(after.tool).toEqual(before.tool);
  });
  test('another quantity takes its first unit, and is no length any more', () => {
    const shaped = shapedBy(
      checkOf(large, 'stripper-plates'),
      written(large, 'stripper-plates', { quantity: 'pressure' }).values,
    );
    expect(shaped).toMatchObject({ quantity: 'pressure', unit: 'kPa', style: 'plain' });
    // a length is no pressure: it has to be written anew, and is never taken for one
    expect(troubles(written(large, 'stripper-plates', { quantity: 'pressure' }))).toMatchObject({
      limit_high: expect.stringMatching(/"mm" is not a unit of pressure/) as string,
    });
  });
  test('hours are asked for once it goes by hours, and are gone when it does not', () => {
    const paths = (shape: Record<string, string>) =>
      fieldsOf(
        shapedBy(checkOf(large, 'fan-drive-belt'), written(large, 'fan-drive-belt', shape).values),
        large,
      ).map((f) => f.path);
    expect(paths({ interval_kind: 'every' })).toContain('interval.hours');
    expect(paths({ interval_kind: 'daily' })).not.toContain('interval.hours');
    expect(
      written(large, 'fan-drive-belt', { interval_kind: 'every' }, { interval_hours: '250' }).result
        .data,
    ).toMatchObject({ interval: { kind: 'every', hours: 250 } });
    expect(
      written(large, 'fan-drive-belt', { interval_kind: 'perCrop' }).result.data?.interval,
    ).toEqual({ kind: 'perCrop' });
    expect(troubles(written(large, 'fan-drive-belt', { interval_kind: 'every' }))).toMatchObject({
      interval_hours: expect.stringMatching(/in hours, in days/) as string,
    });
  });
  test('a limit written where none was entered is one', () => {
    const open = starter.checks.find(
      (c) => c.kind === 'measure' && c.limit.type === 'open' && c.limit.wants === 'wear',
    )!;
    expect(written(starter, open.id, {}).result.data).toEqual(open);
    expect(
      written(starter, open.id, {}, { limit_nominal: '40', limit_limit: '35' }).result.data,
    ).toMatchObject({ limit: { type: 'wear', nominal: 40, limit: 35 } });
    expect(troubles(written(starter, open.id, {}, { limit_nominal: '40' }))).not.toEqual({});
  });
});

describe('what a planner could not write before', () => {
  const one = (change: Record<string, string>) =>
    written(large, 'fan-drive-belt', {}, change).result;
  test('an adjuster, all of it or a trouble at what is missing', () => {
    const slot = {
      takeUp_total: '50',
      takeUp_reserve: '10',
      takeUp_limitPercent: '2',
      takeUp_pitch: '19.05',
      takeUp_loopPitches: '90',
      takeUp_strandsPerTravel: '2',
      takeUp_resolution: '1',
    };
    expect(one(slot).data).toMatchObject({ takeUp: { total: 50, loopPitches: 90 } });
    expect(
      troubles(written(large, 'fan-drive-belt', {}, { ...slot, takeUp_pitch: '' })),
    ).toHaveProperty('takeUp_pitch');
  });
  test('cautions, a cover, minutes to turn, who shares the minutes', () =>
    expect(
      one({
        safety: 'Engine stopped.\n\n Gloves. ',
        labour_cover_name: 'side shield',
        labour_cover_minutes: '12',
        labour_turn: '20',
        labourPer: 'place',
      }).data,
    ).toMatchObject({
      safety: ['Engine stopped.', 'Gloves.'],
      labour: { turn: 20, cover: { name: 'side shield', minutes: 12 } },
      labourPer: 'place',
    }));
  test('a cover without its minutes is told', () =>
    expect(
      troubles(written(large, 'stripper-plates', {}, { labour_cover_name: 'side shield' })),
    ).toHaveProperty('labour_cover_minutes'));
  test('a heavy part, and one that is never mixed', () => {
    const line = 'LM-1 | Belt | 1 | | heavy LM-2 Belt, heavy: stones';
    expect(one({ parts: line }).data?.parts[0]?.heavy).toEqual({
      number: 'LM-2',
      name: 'Belt, heavy',
      because: 'stones',
    });
    expect(
      one({ parts: line.replace('heavy LM-2', 'heavy all LM-2') }).data?.parts[0],
    ).toMatchObject({ heavy: { number: 'LM-2', all: true } });
  });
  test('mates with the wear they go along from', () => {
    expect(one({ pairs: 'chopper-knives | 50 | worn alike' }).data).toMatchObject({
      pairs: [{ check: 'chopper-knives', from: 0.5, why: 'worn alike' }],
    });
    expect(
      troubles(written(large, 'fan-drive-belt', {}, { pairs: 'nowhere | 50 | so' })),
    ).toHaveProperty('pairs');
    expect(
      troubles(written(large, 'fan-drive-belt', {}, { pairs: 'chopper-knives | half | so' })),
    ).toHaveProperty('pairs');
  });
  test('only with some equipment, and by some school', () => {
    expect(one({ 'when_feeder-drive': 'variable' }).data).toMatchObject({
      when: { 'feeder-drive': ['variable'] },
    });
    const onVariable = large.checks.find((c) => c.when['feeder-drive'])!;
    expect(
      Object.keys(
        written(large, onVariable.id, {}, { 'when_feeder-drive': '' }).result.data?.when ?? {},
      ),
    ).not.toContain('feeder-drive');
  });
  test('another station: it stands at its end, under its name', () => {
    const changed = one({ station: '12' }).data!;
    expect(changed).toMatchObject({ station: 12, stationName: 'Residue' });
    const next = withCheck(large, changed);
    const at = next.checks.findIndex((c) => c.id === changed.id);
    expect([next.checks[at - 1]?.station, next.checks[at + 1]?.station]).toEqual([12, 13]);
    expect(next.checks).toHaveLength(large.checks.length);
    expect(one({ station: '15' }).success).toBe(false);
  });
  test('every field has a heading, and none is there twice', () => {
    for (const check of large.checks) {
      const paths = sectionsOf(check, large).flatMap((s) => s.fields.map((f) => f.path));
      expect(new Set(paths).size).toBe(paths.length);
    }
  });
  test('a choice may be typed by its title, as in a table; another word is told with all there are', () => {
    expect(one({ interval_kind: 'Into storage' }).data?.interval).toEqual({ kind: 'storageIn' });
    expect(troubles(written(large, 'fan-drive-belt', {}, { method: 'guess' }))['method']).toMatch(
      /^one of .*Looked at/,
    );
  });
});

describe('the forms of several checks at once', () => {
  const form = (id: string, change: Record<string, string>) => {
    const check = checkOf(large, id);
    return { check, values: { ...toForm(check, large), ...change } };
  };
  test('what can be used is entered, what cannot is told at its check and left as it was', () => {
    const { sheet, troubles } = enterForms(large, [
      form('fan-drive-belt', { labour_measure: '9' }),
      form('chopper-knives', { total: 'many' }),
      form('drum-height', { expected: ' | | middle | ' }),
    ]);
    expect(checkOf(sheet, 'fan-drive-belt').labour.measure).toBe(9);
    expect(troubles.map((t) => [t.check, t.name])).toEqual([
      ['chopper-knives', 'total'],
      ['drum-height', 'expected'],
    ]);
    expect(checkOf(sheet, 'drum-height')).toEqual(checkOf(large, 'drum-height'));
    expect(SpecSheet.safeParse(sheet).success).toBe(true);
  });
  test('two that became one and the same are both told', () => {
    const { component, measures, places } = checkOf(large, 'fan-drive-belt');
    const { sheet, troubles } = enterForms(large, [
      form('stripper-plates', { component, measures, places: places.join(', ') }),
    ]);
    expect(troubles.length).toBeGreaterThan(0);
    expect(sheet).toEqual(large);
  });
});
