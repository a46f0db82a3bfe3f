import { takeUpOf, type Check, type Machine, type Reading, type ReadingValue } from '../contracts';
import { atPlace } from '../kinds';
import { reading, T118 } from '../testing/sheet';
import { sheets } from '../testing/shipped';
import { soundReadings, travelLeft } from '../testing/sound';
import { admission, checksFor } from './index';

/*
 * What is taken and what is refused, over every check of the shipped machines: what a machine in
 * order shows goes in, what cannot be does not, and each trouble names its field and a remedy.
 */
const TODAY = '2026-06-09';
const machineOf = (model: keyof typeof HEADERS): Machine => ({
  ...T118,
  model,
  header: { model: HEADERS[model], serial: 'H41' },
});
const HEADERS = { 'Ouzel 7': 'Merle 12', 'Ouzel 5': 'Merle 10', 'Corrie 4': 'Tarn 7' } as const;
const all = Object.values(sheets);
const lines = (Object.keys(HEADERS) as (keyof typeof HEADERS)[]).map((model) => {
  const machine = machineOf(model);
  return { model, checks: checksFor(machine, all), admit: admission(machine, all) };
});
/** Taken this morning, at the hours the machine stands at. */
const READ: Partial<Reading> = { takenAt: `${TODAY}T07:00:00.000Z`, hours: 1284 };

describe.each(lines)('$model and the header on it', ({ checks, admit }) => {
  const troubles = (r: Reading) => admit(r, { today: TODAY });
  const fields = (r: Reading) => troubles(r).map((t) => t.field);
  /** Checks of which a reading is not refused at the field it should be, with what was said. */
  const notRefused = (field: string, spoil: (check: Check, place: string) => Reading | undefined) =>
    checks.flatMap((check) => {
      const spoilt = spoil(check, check.places[0] ?? '');
      if (!spoilt) return [];
      const at = fields(spoilt);
      return at.includes(field) ? [] : [`${check.id}: ${at.join()}`];
    });
  const spoiltBy = (change: Partial<Reading>) => (check: Check) => {
    const [first] = soundReadings(check, READ);
    return first && { ...first, ...change };
  };

  test('has many checks, of every kind that its sheets know', () => {
    expect(checks.length).toBeGreaterThan(60);
    expect(new Set(checks.map((c) => c.kind)).size).toBeGreaterThan(7);
  });

  test('what a machine in order shows is taken, place by place', () => {
    const refused = checks
      .filter((c) => !('limit' in c && c.limit.type === 'open'))
      .flatMap((check) =>
        soundReadings(check, READ).flatMap((r) =>
          troubles(r).map((t) => `${check.id} ${r.place}: ${t.message}`),
        ),
      );
    expect(refused).toEqual([]);
  });

  test('a place that is not there is told with those that are', () => {
    expect(notRefused('place', spoiltBy({ place: 'on the moon' }))).toEqual([]);
    for (const check of checks.slice(0, 12)) {
      const spoilt = spoiltBy({ place: 'on the moon' })(check);
      expect(spoilt && troubles(spoilt)[0]?.message).toContain(check.places.join(', '));
    }
  });

  test('a day before it was built and one to come are told by date', () => {
    const before = spoiltBy({ takenAt: '2021-03-14T22:00:00.000Z' });
    const ahead = spoiltBy({ takenAt: '2026-06-12T07:00:00.000Z' });
    expect(notRefused('takenAt', before)).toEqual([]);
    expect(notRefused('takenAt', ahead)).toEqual([]);
  });

  test('a value of a kind that is not read there is refused, whatever it says', () => {
    const foreign = (check: Check): ReadingValue =>
      check.kind === 'gonogo' ? { kind: 'feel', feel: 'stuck' } : { kind: 'gonogo', fits: true };
    expect(
      notRefused('value.kind', (check, place) => reading(check.id, place, foreign(check), READ)),
    ).toEqual([]);
  });

  test('more travel than a slot is long is refused; none is read where there is no adjuster', () => {
    expect(
      notRefused('value.left', (check, place) => {
        const takeUp = takeUpOf(atPlace(check, place));
        if (!takeUp) return undefined;
        return reading(check.id, place, travelLeft(takeUp.total + takeUp.resolution + 1), READ);
      }),
    ).toEqual([]);
    expect(
      notRefused('value.kind', (check, place) =>
        takeUpOf(atPlace(check, place)) ? undefined : reading(check.id, place, travelLeft(5), READ),
      ),
    ).toEqual([]);
  });

  test('more bad ones than there are cannot be counted', () => {
    const counted = checks.flatMap((c) => (c.kind === 'count' && c.total ? [c] : []));
    expect(counted.length).toBeGreaterThan(0);
    for (const check of counted) {
      const of = (missing: number, damaged: number) =>
        troubles(
          reading(
            check.id,
            check.places[0] ?? '',
            { kind: 'count', missing, damaged, oneEdge: 0, bothEdges: 0 },
            READ,
          ),
        );
      const total = check.total ?? 0;
      expect([check.id, of(total, 0)]).toEqual([check.id, []]);
      expect([check.id, of(total, 1).length]).toEqual([check.id, 1]);
    }
  });

  test('an option that the sheet does not know is refused, each that it knows is taken', () => {
    for (const check of checks) {
      if (check.kind !== 'setting') continue;
      const of = (option: string) =>
        fields(reading(check.id, check.places[0] ?? '', { kind: 'setting', option }, READ));
      for (const option of check.options) expect([check.id, of(option)]).toEqual([check.id, []]);
      expect([check.id, of('as the neighbour has it').length]).toEqual([check.id, 1]);
    }
  });

  test('a strike says which reading it strikes; a skip and a renewal are taken of everything', () => {
    expect(
      notRefused('strikes', (check, place) =>
        reading(check.id, place, { kind: 'strike', why: 'the wrong row' }, READ),
      ),
    ).toEqual([]);
    for (const check of checks)
      for (const value of [
        { kind: 'skip', why: 'door seized' },
        { kind: 'renewal', fittedBy: 'owner', part: '' },
      ] as const) {
        const of = reading(check.id, check.places[0] ?? '', value, { ...READ, state: 'asLeft' });
        expect([check.id, value.kind, fields(of)]).toEqual([check.id, value.kind, []]);
      }
  });

  test('all that is wrong is told at once: the place, then the day, then the value', () => {
    for (const check of checks) {
      const wrong = reading(
        check.id,
        'on the moon',
        check.kind === 'feel' ? { kind: 'gonogo', fits: true } : { kind: 'feel', feel: 'stuck' },
        { ...READ, takenAt: '2026-06-12T07:00:00.000Z' },
      );
      expect([check.id, fields(wrong)]).toEqual([check.id, ['place', 'takenAt', 'value.kind']]);
    }
  });

  test('a check that it has not is told alone, before anything of it could be wrong', () => {
    const [known] = checks;
    const r = reading('rotor-of-another', 'on the moon', { kind: 'feel', feel: 'stuck' }, READ);
    expect(fields(r)).toEqual(['checkId']);
    expect(troubles(r)[0]?.message).toContain(known?.id);
  });

  test('a meter that went back is told at its hours, on the day it was read only', () => {
    const marks = [
      {
        least: 1280,
        most: 1280,
        first: '2026-06-08T07:00:00.000Z',
        last: '2026-06-08T07:00:00.000Z',
      },
    ];
    const [check] = checks;
    const [sound] = check ? soundReadings(check, READ) : [];
    if (!sound) throw new Error('no reading');
    const at = (change: Partial<Reading>) =>
      admit({ ...sound, ...change }, { today: TODAY, marks }).map((t) => t.field);
    expect(at({ hours: 1284 })).toEqual([]);
    expect(at({ hours: 1270 })).toEqual(['hours']);
    expect(at({ hours: 1270, takenAt: '2026-06-12T07:00:00.000Z' })).toEqual(['takenAt']);
  });
});
