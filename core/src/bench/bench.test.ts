import fc from 'fast-check';
import ouzel7 from '../../../demo/specs/ouzel7.json';
import tarn7 from '../../../demo/specs/tarn7.json';
import { defaultElongationLimit, elongation, takeUpPlan } from '../chain';
import { engagementLeft } from '../sprockets';
import { benchFor } from '../benchFor';
import { Reading, SpecSheet, type Check } from '../contracts';
import { driveAt } from '../drive';
import { planKnives } from '../knives';
import {
  BELT_BENCH,
  benchQuery,
  BENCHES,
  benchTexts,
  CHAIN_BENCH,
  DRIVE_BENCH,
  countsOf,
  exampleTexts,
  firstTexts,
  HOURS_BENCH,
  KNIFE_BENCH,
  LEAVE_BENCH,
  placeWords,
  planWords,
  printResult,
  rotorOnBench,
  saysSomething,
  SPROCKET_BENCH,
  statesOf,
  textsOfQuery,
  weightsOf,
  weightsText,
  workOut,
  type Bench,
  type BenchTexts,
} from '.';

const results = (bench: Bench, section: string, texts: BenchTexts) => {
  const { troubles, sections } = workOut(bench, { ...exampleTexts(bench), ...texts });
  const of = sections[section];
  if (!of) throw new Error(`no section ${section}`);
  const one = (label: RegExp) => {
    const found = of.results.find((r) => label.test(r.label));
    if (!found) throw new Error(`no ${label}: ${of.lacks} ${JSON.stringify(troubles)}`);
    return found;
  };
  return { one, lacks: of.lacks, troubles };
};

describe('chain and take-up', () => {
  const at = (section: string, texts: BenchTexts) => results(CHAIN_BENCH, section, texts);
  test('elongation with its ±, against the limit', () => {
    const texts = { pitch: '63.5', pitches: '20', length: '1283', uncertainty: '1', limit: '2' };
    const e = at('elongation', texts).one(/^Elongation/);
    expect(e.value).toBeCloseTo(1.0236, 4);
    expect(e.uncertainty).toBeCloseTo(100 / (20 * 63.5), 6);
    expect(e).toMatchObject({ tone: 'good', says: 'below the limit' });
    // the numbers in the formula give the value
    expect(e.numbers).toBe('1283 / (20 · 63.5) − 1;  100 · 1 / (20 · 63.5)');
    expect(at('elongation', { ...texts, length: '1300' }).one(/^Elongation/).tone).toBe('bad');
    const near = at('elongation', { ...texts, length: '1295.2' }).one(/^Elongation/);
    expect(near).toMatchObject({ tone: 'doubt' });
  });
  test('the limit is its sheet’s, else the shop rule by the larger sprocket', () => {
    const limit = (texts: BenchTexts) =>
      at('elongation', { length: '830', ...texts }).one(/^Limit$/).value;
    expect(limit({ limit: '2.4' })).toBe(2.4);
    expect(limit({ large: '96' })).toBeCloseTo(2.0833, 4);
    expect(limit({ large: '15' })).toBe(3);
  });
  test('lengths in inches, and inches without saying so', () => {
    const inch = at('elongation', { pitch: '2.5 in', pitches: '20', length: '50.512 in' });
    expect(inch.one(/^Elongation/).value).toBeCloseTo(elongation(50.512 * 25.4, 20, 63.5), 9);
    const bare = at('elongation', { pitch: '2.5', pitches: '20', length: '1283' });
    expect(bare.troubles['pitch']).toBe(
      'Enter a value between 5 and 200 mm. If these are inches, write "in" behind the number.',
    );
    expect(bare.lacks).toBe('Enter “Pitch” as it says there.');
  });
  test('shorter than new: pitches were counted wrong, and which chain it would be', () => {
    const { lacks, troubles } = at('elongation', { pitch: '41.4', pitches: '20', length: '766' });
    expect(troubles['length']).toContain('count the pitches again');
    expect(lacks).toContain('38.1');
  });
  test('climb and engagement of both sprockets are core’s', () => {
    const texts = { pitch: '15.875', pitches: '60', length: '971.55', large: '40', small: '15' };
    const left = at('sprockets', texts);
    expect(left.one(/left above it, larger/).value).toBeCloseTo(
      100 * engagementLeft(elongation(971.55, 60, 15.875), 15.875, 40),
      6,
    );
    expect(left.one(/left above it, larger/).value).toBeCloseTo(54.5, 1);
    expect(left.one(/^Pitch diameter, larger/).value).toBeCloseTo(202.335, 3);
    expect(at('sprockets', { ...texts, large: '96' }).one(/left above it, larger/).says).toBe(
      'it jumps',
    );
  });
  test('the adjuster: the least that fits, with what is left and how long it lasts', () => {
    const texts = {
      ...{ pitch: '41.4', pitches: '20', length: `${20 * 41.4 * 1.011}`, loop: '94', used: '44' },
      ...{ travel: '45', strands: '2', reserve: '10', rate: '0.2', limit: '2.6' },
    };
    const plan = takeUpPlan({
      ...{ total: 45, used: 44, strandsPerTravel: 2, pitch: 41.4, loopPitches: 94 },
      ...{ elongation: 1.1, limit: 2.6, reserve: 10, ratePerHour: 0.002 },
    });
    const { one } = at('takeUp', texts);
    expect(one(/^Travel that eats/).value).toBeCloseTo(21.404, 3);
    expect(one(/^Chain longer/).value).toBeCloseTo(42.808, 3);
    // without a length the adjuster tells the age
    const { length: _, ...untold } = texts;
    const told = at('takeUp', { ...untold, used: '21.404' });
    expect(told.one(/^Grown$/).value).toBeCloseTo(1.1, 3);
    expect(
      at('takeUp', { ...untold, used: '0.704', out: '1' }).one(/^Grown$/).value,
    ).toBeGreaterThan(1.1);
    expect(one(/^1 half link out/)).toMatchObject({ tone: 'good' });
    expect(one(/^1 half link out/).value).toBeCloseTo(plan.best.travelLeft, 6);
    expect(one(/^1 half link out/).says).toMatch(
      new RegExp(`^best · lasts ${Math.round(plan.best.hoursLeft)} h`),
    );
    expect(one(/^Adjust/)).toMatchObject({ says: 'does not do', tone: 'bad' });
    expect(at('takeUp', { ...texts, used: '46' }).troubles['used']).toBe(
      'Enter no more than the whole travel, 45 mm.',
    );
  });
  test('loop and centre distance both ways; an odd number says that it needs an offset link', () => {
    const { one } = at('loop', { pitch: '25.4', large: '38', small: '15', centre: '640' });
    expect(one(/^Pitches at/).value).toBeCloseTo(77.4255, 3);
    expect(one(/for 78/).value).toBeCloseTo(647.373, 2);
    expect(one(/for 77/)).toMatchObject({ says: 'an odd number needs an offset link' });
    expect(at('loop', { centre: '100', pitch: '25.4' }).troubles['centre']).toContain('touch');
  });
  test('sag and tension both ways', () => {
    const sag = at('sag', { span: '800', weight: '25', sag: '16' });
    expect(sag.one(/^Tension/).value).toBeCloseTo(125, 6);
    expect(sag.one(/beyond the straight/).value).toBeCloseTo(0.853, 3);
    const wanted = at('sag', { span: '800', weight: '25', wanted: '125' });
    expect(wanted.one(/^Sag/).value).toBeCloseTo(16, 6);
    expect(at('sag', { span: '800', sag: '300' }).troubles['sag']).toContain('a quarter');
    expect(at('sag', { span: '800', wanted: '2' }).troubles['wanted']).toContain('more tension');
  });
});

describe('belt', () => {
  const at = (section: string, texts: BenchTexts = {}) => results(BELT_BENCH, section, texts);
  test('geometry, push and note', () => {
    expect(at('geometry').one(/^Belt length/).value).toBeCloseTo(2827.271, 2);
    expect(at('geometry').one(/^Free span/).value).toBeCloseTo(896.87, 2);
    expect(at('geometry').one(/^Press/).value).toBeCloseTo(14.014, 2);
    expect(at('push').one(/^Tension/).value).toBeCloseTo(960, 1);
    expect(at('note').one(/^Tension/).value).toBeCloseTo(2383.8, 0);
    const back = at('note', { tension: '2383.8' });
    expect(back.one(/^Note/).value).toBeCloseTo(42, 2);
  });
  test('the smaller pulley may stand first', () =>
    expect(at('geometry', { large: '250', small: '400' }).one(/^Belt length/).value).toBeCloseTo(
      2827.271,
      2,
    ));
  test('a belt shorter than its pulleys need, pulleys inside one another', () => {
    expect(at('geometry', { belt: '2700' }).one(/^Belt length/)).toMatchObject({ tone: 'bad' });
    expect(at('geometry', { belt: '2850' }).one(/^Belt length/)).toMatchObject({ tone: 'good' });
    const inside = at('geometry', { centre: '60' });
    expect(inside.troubles['centre']).toContain('does not lie inside');
  });
  test('bands of a new and of a run-in belt; half a band is asked for', () => {
    const bands = { newLow: '1000', newHigh: '1200', runInLow: '800', runInHigh: '990' };
    expect(at('push', bands).one(/^Tension/)).toMatchObject({ tone: 'bad' });
    expect(at('push', { ...bands, hours: '25' }).one(/^Tension/)).toMatchObject({
      says: 'inside the band of a belt that has run in',
      tone: 'good',
    });
    expect(at('push', { newLow: '900' }).lacks).toBe('Enter “New belt, to”.');
    expect(at('push', { ...bands, newLow: '1300' }).troubles['newLow']).toContain('less than 1200');
  });
  test('width and depth in the groove', () => {
    const worn = at('width', { section: '38', width: '36' });
    expect(worn.one(/^Drops/).value).toBeCloseTo(3.732, 3);
    expect(at('width', { section: '38', width: '39' }).one(/^Drops/).says).toMatch(/higher/);
  });
});

describe('variable-speed drive', () => {
  const given = { driverR0: '95', drivenR0: '60' };
  const at = (section: string, texts: BenchTexts = {}) =>
    results(DRIVE_BENCH, section, { ...given, ...texts });
  test.each([
    [2, 1001.27],
    [4, 939.74],
    [8, 831.34],
  ])('a gap of %d mm gives %d rpm, and that speed the gap', (gap, rpm) => {
    const there = at('gap', { gap: `${gap}` });
    expect(there.one(/^Driven turns/).value).toBeCloseTo(rpm, 1);
    expect(at('speed', { wanted: `${rpm}` }).one(/^Gap for/).value).toBeCloseTo(gap, 2);
  });
  test('a worn belt costs speed; a speed that cannot be had names those that can', () => {
    expect(at('worn').one(/^Driven/).value).toBeCloseTo(883.31, 1);
    expect(at('worn').one(/^Lost/).value).toBeCloseTo(939.74 - 883.31, 1);
    expect(at('speed', { wanted: '1200' }).troubles['wanted']).toContain('between 831 and 1001');
    expect(at('speed', { gapLow: '9' }).troubles['gapHigh']).toContain('more than 9');
  });
  test('a heavy build set by the standard gap is off by so much', () => {
    const heavy = { heavyWidth: '40', heavyR0: '95', heavyGap: '6', gap: '4' };
    const { one } = at('builds', heavy);
    // a belt 2 mm wider at a gap 2 mm wider rides in the driver at the same radius
    expect(one(/^Heavy build$/).value).toBeCloseTo(one(/^Standard/).value, 1);
    const drive = {
      ...{ driverRpm: 620, centre: 760, beltLength: 2350, beltWidth: 40, grooveAngle: 30 },
      ...{ driverR0: 95, drivenR0: 60, slip: 0 },
    };
    expect(one(/set by the standard/).value).toBeCloseTo(driveAt(drive, 4).drivenRpm, 6);
    expect(one(/set by the standard/).says).toMatch(/faster than it should/);
    expect(at('builds').lacks).toBe('Enter “Heavy build: belt width”.');
  });
  test('the belt above slackens when the assembly moves towards its other pulley', () => {
    const slack = (towards: string, moved = '6') => at('domino', { towards, moved }).one(/Upper/);
    expect(slack('0').label).toMatch(/too long/);
    // two strands of nearly the whole way
    expect(slack('0').value).toBeGreaterThan(11.5);
    expect(slack('0').value).toBeLessThan(12);
    expect(slack('180').label).toMatch(/too short/);
    expect(slack('0', '0')).toMatchObject({ says: 'as it was' });
    expect(Math.abs(slack('90').value)).toBeLessThan(0.2);
    expect(at('domino', { moved: '500', upperCentre: '510' }).lacks).not.toBe('');
  });
});

describe('knives', () => {
  const one = { rows: '4', along: '1', first: '300' };
  const at = (texts: BenchTexts) => results(KNIFE_BENCH, 'balance', texts);
  test('one lost knife shakes both bearings; its opposite lost too, neither', () => {
    const lost = at({ ...one, states: '.m..' });
    expect(lost.one(/^Left/).value).toBeCloseTo(36771.4, 1);
    expect(lost.one(/^Right/).value).toBeCloseTo(10028.6, 1);
    expect(lost.one(/^Permitted/).value).toBeCloseTo(2907.82, 2);
    expect(lost.one(/^Left/)).toMatchObject({ tone: 'bad', says: '13 times too much' });
    expect(at({ ...one, states: '.m.m' }).one(/^Left/).value).toBeCloseTo(0, 6);
  });
  test('worn ones weigh what their height says, or what the scale says', () => {
    const worn = (rest: BenchTexts) => at({ ...one, states: '1...', ...rest }).one(/^Left/).value;
    const deviation = 180 * 0.6 * (1 - 52 / 60) * 260 * (1100 / 1400);
    expect(worn({})).toBeCloseTo(deviation, 3);
    expect(worn({ weights: '0:170' })).toBeCloseTo(10 * 260 * (1100 / 1400), 3);
    expect(worn({ weights: '0:nonsense,9:12,x' })).toBeCloseTo(deviation, 3);
    expect(weightsText(weightsOf('0:170,3:12.5'))).toBe('0:170,3:12.5');
  });
  test('the plan of the rotor on the bench is core’s, in words', () => {
    const texts = { ...exampleTexts(KNIFE_BENCH), states: '.................m' };
    const rotor = rotorOnBench(texts, workOut(KNIFE_BENCH, texts));
    if (!rotor) throw new Error('no rotor');
    expect(rotor.knives).toHaveLength(48);
    expect(rotor.knives[17]).toMatchObject({ mass: 0, spent: true, opposite: 41 });
    const plan = planKnives(rotor, 'opposite');
    expect(planWords(plan, 4)).toEqual({
      head: '2 new knives',
      text: 'Order 1 set of 4 (2 left for stock). Both bearings are inside what is permitted. Proven fewest.',
    });
    expect(planWords(planKnives(rotor, 'weigh'), 1).text).toMatch(
      /^Order 1 set of 1\. .*would take 2/,
    );
    expect(placeWords(17, 12)).toBe('row 2, place 6');
    expect(countsOf(statesOf('m1122d', 8))).toEqual({
      ...{ missing: 1, damaged: 1, oneEdge: 2, bothEdges: 2 },
    });
  });
  test('rows without a mate opposite, more knives than any rotor has, bearings in one place', () => {
    expect(at({ rows: '5' }).troubles['rows']).toContain('even number of rows');
    expect(at({ rows: '12', along: '40' }).troubles['along']).toContain('at most 20');
    expect(at({ leftHeight: '70', states: '1' }).troubles['leftHeight']).toContain('from 0 to 60');
    const texts = { ...exampleTexts(KNIFE_BENCH), rows: '5' };
    expect(rotorOnBench(texts, workOut(KNIFE_BENCH, texts))).toBeUndefined();
  });
  test('what was tapped goes with the link', () => {
    const texts = { states: '..m', weights: '1:170', rows: '4' };
    // a rule that stands there anyway need not go
    expect(benchQuery(KNIFE_BENCH, { ...texts, grade: '16' })).toEqual(texts);
    expect(textsOfQuery(KNIFE_BENCH, { ...texts, states: 'm'.repeat(241) })).toEqual({
      ...{ weights: '1:170', rows: '4' },
    });
  });
});

test('leave or renew, season hours, sprocket', () => {
  const sums = results(LEAVE_BENCH, 'sums', { chance: '61' });
  expect(sums.one(/^Leave/).value).toBeCloseTo(0.61 * (6 * 650 + 850), 6);
  expect(sums.one(/^Renew/)).toMatchObject({ says: 'cheaper' });
  expect(sums.one(/^Renew/).value).toBeCloseTo(470 * 0.2, 6);
  expect(results(LEAVE_BENCH, 'sums', { chance: '120' }).troubles['chance']).toContain('0 and 100');
  expect(results(HOURS_BENCH, 'season', {}).one(/^Season/).value).toBeCloseTo(108.87, 1);
  const acres = results(HOURS_BENCH, 'season', { area: '1284.95 ac' });
  expect(acres.one(/^Season/).value).toBeCloseTo(108.87, 1);
  const tooth = results(SPROCKET_BENCH, 'tooth', {});
  expect(tooth.one(/^Worn/)).toMatchObject({ tone: 'doubt' });
  expect(tooth.one(/^Worn/).value).toBeCloseTo(60, 6);
  expect(results(SPROCKET_BENCH, 'tooth', { limit: '8' }).troubles['limit']).toContain(
    'other than',
  );
});

describe('every bench', () => {
  test.each(BENCHES.map((b) => [b.id, b] as const))(
    '%s: whatever is typed, nothing is NaN and nothing breaks',
    (_id, bench) => {
      const ids = Object.keys(bench.fields);
      const text = fc.oneof(
        fc.constantFrom('', '0', '-3', '1e9', 'abc', '12 in', '1 3/8"', '∞', '0.00001', '7,5', ' '),
        fc.double({ min: -10, max: 5000, noNaN: true }).map((x) => x.toFixed(2)),
      );
      fc.assert(
        fc.property(fc.record(Object.fromEntries(ids.map((id) => [id, text]))), (texts) => {
          const { sections, troubles } = workOut(bench, texts);
          for (const { results: all, lacks } of Object.values(sections)) {
            expect(lacks !== '' || all.length > 0).toBe(true);
            for (const r of all) {
              expect(Number.isFinite(r.value)).toBe(true);
              expect(`${printResult(r).text} ${r.numbers} ${r.says ?? ''}`).not.toMatch(
                /NaN|Infinity|undefined/,
              );
            }
          }
          for (const words of Object.values(troubles)) expect(words).toMatch(/^\S.*\.$/s);
        }),
        { numRuns: 200, seed: 15 },
      );
    },
  );
  test.each(BENCHES.map((b) => [b.id, b] as const))(
    '%s: what stands there before anybody types is right, and every section names its fields',
    (_id, bench) => {
      expect(workOut(bench, {}).troubles).toEqual({});
      const used = new Set(bench.sections.flatMap((s) => s.fields));
      expect([...used].sort()).toEqual(Object.keys(bench.fields).sort());
    },
  );
  test('a link holds what was typed and nothing else, and gives it back', () => {
    const texts = { pitch: '63.5', pitches: '20', length: '1283', nonsense: 'x' };
    const query = benchQuery(CHAIN_BENCH, texts);
    expect(query).toEqual({ pitch: '63.5', pitches: '20', length: '1283' });
    expect(textsOfQuery(CHAIN_BENCH, { ...query, constructor: 'x', used: ['1', '2'] })).toEqual(
      query,
    );
    expect(textsOfQuery(CHAIN_BENCH, { length: '9'.repeat(500) })).toEqual({});
  });
});

describe('from a check', () => {
  const sheets = [ouzel7, tarn7].map((s) => SpecSheet.parse(s));
  const checks = sheets.flatMap((s) => s.checks);
  test('every check that has a calculator opens one of its own with its sheet’s figures, all of them readable', () => {
    const opened = checks.flatMap((check) => {
      const place = benchFor(check);
      return place ? [{ check, place, texts: benchTexts(check, []) }] : [];
    });
    expect(new Set(opened.map((o) => `${o.place.bench} ${o.place.section}`)).size).toBeGreaterThan(
      4,
    );
    for (const { check, place, texts } of opened) {
      const bench = BENCHES.find((b) => b.id === place.bench);
      if (!bench) throw new Error(place.bench);
      expect(Object.keys(texts).filter((id) => !Object.hasOwn(bench.fields, id))).toEqual([]);
      expect([check.id, workOut(bench, texts).troubles]).toEqual([check.id, {}]);
      expect(bench.sections.map((s) => s.id)).toContain(place.section);
      if (place.field) expect(Object.keys(bench.fields)).toContain(place.field);
    }
  });
  test('a chain’s limit is the one its verdict goes by, also where its sheet leaves it to the shop rule', () => {
    const chains = checks.flatMap((c) =>
      (c.kind === 'measure' || c.kind === 'series') && c.limit.type === 'elongation' ? [c] : [],
    );
    expect(chains.length).toBeGreaterThan(0);
    for (const { limit, ...check } of chains) {
      const bare = { ...check, takeUp: undefined, limit: { ...limit, limitPercent: undefined } };
      const texts = benchTexts(bare as Check, []);
      expect(Number(texts['limit'])).toBeCloseTo(
        defaultElongationLimit(
          'largerSprocketTeeth' in limit ? limit.largerSprocketTeeth : undefined,
          false,
        ),
        3,
      );
    }
  });
  test('the last reading that stands is what was read: a struck one is not', () => {
    const check = checks.find((c) => c.method === 'chain-pitches' && c.kind === 'measure');
    if (!check) throw new Error('no chain');
    const reading = (id: string, at: string, mm: number, strikes: string | null = null) =>
      Reading.parse({
        ...{ id, machineId: id, checkId: check.id, sheet: { model: 'Ouzel 7', revision: 1 } },
        ...{ place: check.places[0], state: 'asFound', takenAt: at, by: 'x', hours: 1, strikes },
        positionConfirmed: true,
        ...{ value: { kind: 'measure', values: [mm], typed: ['x'], unit: 'mm' } },
      });
    const id = (n: number) => `0197a000-0000-7000-8000-00000000000${n}`;
    const first = reading(id(1), '2026-06-01T08:00:00.000Z', 845);
    const slip = reading(id(2), '2026-06-02T08:00:00.000Z', 945);
    expect(benchTexts(check, [first, slip])['length']).toBe('945');
    const again = reading(id(3), '2026-06-01T09:00:00.000Z', 846, slip.id);
    expect(benchTexts(check, [first, slip, again])['length']).toBe('846');
  });
});

describe('nothing is good by accident', () => {
  test.each(BENCHES.map((b) => [b.id, b] as const))(
    '%s: opened empty it works nothing out of figures that nobody gave, and says what it lacks',
    (_id, bench) => {
      for (const { results: all, lacks } of Object.values(
        workOut(bench, firstTexts(bench)).sections,
      )) {
        expect(all).toEqual([]);
        expect(lacks).toMatch(/^Enter “/);
      }
      expect(workOut(bench, {})).toEqual(workOut(bench, firstTexts(bench)));
    },
  );
  const takeUp = (texts: BenchTexts) =>
    results(CHAIN_BENCH, 'takeUp', { used: '20', limit: '2', ...texts }).one(/^Adjust/);
  test('a chain measured shorter than new, or too near its limit, is not told to go on', () => {
    const short = results(CHAIN_BENCH, 'takeUp', { used: '20', length: '766' });
    expect(short.troubles['length']).toContain('count the pitches again');
    expect(short.lacks).toBe('Enter “Length over them” as it says there.');
    expect(results(CHAIN_BENCH, 'sprockets', { length: '766' }).lacks).toBe(short.lacks);
    expect(takeUp({ length: '838' })).toMatchObject({ tone: 'good' });
    expect(takeUp({ length: '844' })).toMatchObject({
      tone: 'doubt',
      says: expect.stringContaining('too near to tell'),
    });
    expect(takeUp({ length: '846' })).toMatchObject({ tone: 'bad' });
  });
  test('without its rate nothing is said to last', () => {
    expect(takeUp({ length: '838', rate: '' })).toMatchObject({
      ...{ tone: 'doubt', says: expect.stringContaining('not known') },
    });
    expect(takeUp({ length: '838', rate: '0' }).says).toContain('does not grow');
  });
  test('below a limit that nobody gave is a doubt, until it is below the lowest it can be', () => {
    const e = (texts: BenchTexts) =>
      results(CHAIN_BENCH, 'elongation', { limit: '', ...texts }).one(/^Elongation/);
    expect(e({ length: '838', large: '' })).toMatchObject({ tone: 'doubt' });
    // with a take-up 3 %, without one 1.5 %: nobody said which
    expect(e({ length: '846', large: '20' })).toMatchObject({ tone: 'doubt' });
    expect(e({ length: '838', large: '20' })).toMatchObject({ tone: 'good' });
    expect(takeUp({ length: '838', limit: '', large: '' })).toMatchObject({ tone: 'doubt' });
  });
  test('a tooth thicker than new, a rotor of which nothing is said', () => {
    expect(results(SPROCKET_BENCH, 'tooth', { measured: '12' }).one(/^Worn/).tone).toBe('doubt');
    const rotor = (texts: BenchTexts) => results(KNIFE_BENCH, 'balance', texts).one(/^Left/);
    expect(rotor({})).toMatchObject({ tone: 'doubt', value: 0 });
    expect(rotor({ states: '....n' })).toMatchObject({ tone: 'good' });
    expect(saysSomething('....', '')).toBe(false);
    expect(saysSomething('', '3:180')).toBe(true);
  });
});

test('a result stands in both systems', () => {
  const r = { label: '', formula: '', numbers: '' };
  expect(printResult({ ...r, value: 842, dimension: 'length', unit: 'mm', decimals: 1 })).toEqual({
    text: '842 mm',
    other: '33.15 in',
  });
  expect(printResult({ ...r, value: 2.0833, unit: '%', decimals: 2, uncertainty: 0.12 })).toEqual({
    text: '2.08 ± 0.12 %',
    other: '',
  });
});
