import { SpecSheet, type Check } from '@green-tally/core/contracts';
import corrie6 from '../../../../demo/specs/corrie6.json';
import merle10 from '../../../../demo/specs/merle10.json';
import merle12 from '../../../../demo/specs/merle12.json';
import ouzel5 from '../../../../demo/specs/ouzel5.json';
import ouzel7 from '../../../../demo/specs/ouzel7.json';
import tarn7 from '../../../../demo/specs/tarn7.json';
import { starterOf } from '@green-tally/core/figures';
import { enterForms, fieldsOf, formSchema, nameOf, toForm } from './index';
import { withNewCheck } from '../newCheck';

const sheets = [ouzel5, ouzel7, tarn7].map((s) => SpecSheet.parse(s));
/** The others too, and one without any figure. */
const more = [
  ...[corrie6, merle10, merle12].map((s) => SpecSheet.parse(s)),
  starterOf(SpecSheet.parse(ouzel7), { model: 'Starter', maker: 'Own' }),
];
const check = (sheet: SpecSheet, id: string): Check => {
  const found = sheet.checks.find((c) => c.id === id);
  if (!found) throw new Error(id);
  return found;
};
const read = (sheet: SpecSheet, one: Check, change: Record<string, string>) =>
  formSchema(sheet, one).safeParse({ ...toForm(one, sheet), ...change });
const troubles = (sheet: SpecSheet, one: Check, change: Record<string, string>) => {
  const result = read(sheet, one, change);
  return result.success
    ? {}
    : Object.fromEntries(result.error.issues.map((i) => [i.path.join('.'), i.message]));
};

describe('the form of a check', () => {
  test.each([...sheets, ...more].map((s) => [s.model, s] as const))(
    'opening and keeping all checks of %s changes nothing',
    (_model, sheet) => {
      const forms = sheet.checks.map((one) => ({ check: one, values: toForm(one, sheet) }));
      const entered = enterForms(sheet, forms);
      expect(entered.troubles).toEqual([]);
      expect(entered.sheet.checks).toEqual(sheet.checks);
    },
  );
  const [small, large, auger] = sheets as [SpecSheet, SpecSheet, SpecSheet];
  test('a limit is read in the unit of its check, or in the one that is written', () => {
    const belt = check(small, 'fan-drive-belt');
    expect(read(small, belt, { limit_limit: '1 23/64' }).data).toMatchObject({
      limit: { limit: 34.528125 },
    });
    expect(read(small, belt, { limit_limit: '34 mm' }).data).toMatchObject({
      limit: { limit: 34 },
    });
  });
  test('a wear limit on the other side of new turns the worn side with it', () =>
    expect(read(large, check(large, 'fan-drive-belt'), { limit_limit: '41' }).data).toMatchObject({
      limit: { wornSide: 'larger' },
    }));
  test.each([
    ['fan-drive-belt', { limit_limit: 'wide' }, 'limit_limit', /not a number/],
    ['fan-drive-belt', { limit_limit: '38' }, 'limit_limit', /differs from the new size/],
    ['stripper-plates', { limit_low: '9' }, 'limit_low', /below the highest/],
    ['fan-drive-belt', { places: 'a, a' }, 'places', /all different/],
    ['fan-drive-belt', { knockOns: 'nowhere | because' }, 'knockOns', /there is no "nowhere"/],
    ['fan-drive-belt', { parts: 'LM-1' }, 'parts', /in line 1/],
    ['fan-drive-belt', { labour_measure: 'soon' }, 'labour_measure', /"soon" is none/],
    ['fan-drive-belt', { component: '' }, 'component', /some text/],
    ['chopper-knives', { total: '4.5' }, 'total', /whole number/],
    ['drum-height', { expected: ' | | middle | ' }, 'expected', /one of its options/],
  ])('%s with %j is refused at %s', (id, change, field, message) =>
    expect(
      troubles(large, check(large, id), change as unknown as Record<string, string>)[field],
    ).toMatch(message),
  );
  test('what may be empty may be emptied', () => {
    const plates = check(large, 'stripper-plates');
    const kept = read(large, plates, { maxDifference: '', limit_low: '' });
    expect(kept.data).toMatchObject({ limit: { type: 'band', high: 5 } });
    expect(kept.data && 'maxDifference' in kept.data).toBe(false);
  });
  test('parts keep why their mates come along; settings keep their reasons', () => {
    expect(toForm(check(large, 'chopper-knives'), large)['parts']).toContain(
      'LM-7712 | Chopper knife | 1 | Opposite mates together.',
    );
    expect(
      read(large, check(large, 'drum-height'), {
        expected: ' | | high | \nlentils | | low | stones',
      }).data,
    ).toMatchObject({
      expected: [{ option: 'high' }, { crop: 'lentils', option: 'low', because: 'stones' }],
    });
  });
  test('every kind has its fields, each with a name of its own', () => {
    for (const one of [...large.checks, ...auger.checks]) {
      const names = fieldsOf(one, large).map((f) => nameOf(f.path));
      expect(new Set(names).size).toBe(names.length);
      expect(names.length).toBeGreaterThan(12);
    }
  });
});

describe('a new check', () => {
  const tarn7Sheet = sheets[2] as SpecSheet;
  const station = { station: 2, stationName: 'Header' };
  test.each([
    'measure',
    'series',
    'mark',
    'feel',
    'gonogo',
    'count',
    'condition',
    'level',
    'setting',
    'service',
  ] as const)('of kind %s is valid at once, and its form can be kept', (kind) => {
    const made = withNewCheck(tarn7Sheet, kind, station, 'Rear ladder');
    expect(made.id).toBe('rear-ladder');
    expect(SpecSheet.safeParse(made.sheet).error?.issues ?? []).toEqual([]);
    expect(read(made.sheet, check(made.sheet, made.id), {}).success).toBe(true);
  });
  test('an id that is taken is not taken twice, and odd names still give one', () => {
    const once = withNewCheck(tarn7Sheet, 'condition', station, 'Reel tines');
    expect(once.id).toBe('reel-tines-2');
    expect(withNewCheck(once.sheet, 'condition', station, '– ! –').id).toBe('check');
    expect(withNewCheck(once.sheet, 'level', station, 'Öl, hinten').id).toBe('o-l-hinten');
  });
  test('it stands after the others of its station', () => {
    const ax = sheets[1] as SpecSheet;
    const made = withNewCheck(
      ax,
      'condition',
      { station: 3, stationName: 'Feeder face' },
      'Ladder',
    );
    const at = made.sheet.checks.findIndex((c) => c.id === made.id);
    expect([made.sheet.checks[at - 1]?.station, made.sheet.checks[at + 1]?.station]).toEqual([
      3, 4,
    ]);
  });
});
