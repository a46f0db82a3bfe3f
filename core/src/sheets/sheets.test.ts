import fc from 'fast-check';
import { Check, SpecSheet } from '../contracts';
import { demoSheet, madeCheck, MACHINE_ID, reading } from '../testing/sheet';
import { judgeMachine } from '../verdict';
import { checksOfBuild } from '../walk';
import { SYMPTOMS } from '../symptoms';
import {
  checksAsRead,
  diffSheets,
  nothingChanged,
  printSheet,
  rejudge,
  sheetJsonSchema,
} from './index';

const FILES = ['ax7', 'ax5', 'w4', 'df10', 'rc12', 'gf7'] as const;
const sheets = Object.fromEntries(FILES.map((f) => [f, demoSheet(f)])) as Record<
  (typeof FILES)[number],
  SpecSheet
>;
const facts = { hours: 1284, seasonHours: 109 };

describe('the demo sheets hold the whole walk', () => {
  test.each(['ax7', 'ax5', 'w4'] as const)(
    '%s has a hundred checks and more, on every build',
    (file) => {
      expect(sheets[file].checks.length).toBeGreaterThanOrEqual(100);
      for (const build of buildsOf(sheets[file]))
        expect(checksOfBuild(sheets[file], build).length).toBeGreaterThanOrEqual(100);
    },
  );
  test.each(['df10', 'rc12', 'gf7'] as const)('%s has twenty-five and more', (file) =>
    expect(sheets[file].checks.length).toBeGreaterThanOrEqual(25),
  );

  /**
   * What the trade's walk names, station by station: words that some check of every combine must
   * speak of.
   */
  const COMBINE: readonly (readonly [station: number, ...words: RegExp[]])[] = [
    [1, /lift stop/i, /shield/i, /light/i],
    [3, /pivot bolt/i, /angle/i, /slide/i, /tilt pin/i, /coupler/i],
    [
      4,
      /conveyor chain/i,
      /strand/i,
      /slats? .*straight|slats$/i,
      /wear strip/i,
      /stripper/i,
      /drum/i,
      /drive chain/i,
      /drive sprocket/i,
      /slip clutch/i,
      /floor/i,
      /driveshaft/i,
      /hanger bearing/i,
      /spline/i,
      /worn flat|links/i,
    ],
    [5, /variable feeder belt/i, /gap/i, /idler/i, /grease/i, /reverser/i, /multi-rib/i],
    [6, /height of the bar/i, /dents and cracks/i, /four corners/i, /wires/i, /spacer/i],
    [
      7,
      /fan blades/i,
      /speed sensor/i,
      /fan bearing/i,
      /eccentric arm/i,
      /eccentric bearing/i,
      /packed dirt/i,
      /chaffer teeth/i,
    ],
    [
      8,
      /clean-grain elevator chain/i,
      /adjusting bolt/i,
      /paddles/i,
      /drive belt/i,
      /top drive chain/i,
      /moisture/i,
      /camera/i,
      /tailings/i,
    ],
    [
      9,
      /spring washer/i,
      /canister/i,
      /overlap/i,
      /self-tensioned/i,
      /top width/i,
      /heat/i,
      /groove/i,
    ],
    [10, /sheaves closed/i, /dual range/i, /plug out/i],
    [11, /engine fan belt/i, /smooth and flat/i, /boots/i, /colour/i, /filter/i, /oil level/i],
    [
      12,
      /chopper knives/i,
      /height left/i,
      /hanger/i,
      /stationary/i,
      /bearings/i,
      /deflector/i,
      /paddles/i,
      /fins/i,
      /guards above/i,
    ],
    [13, /gears/i, /shear bolt/i, /pressure/i, /torque/i, /batter/i, /isolator/i, /chaff/i],
    [14, /grease points/i, /oiled warm/i, /storage/i],
  ];
  test.each(['ax7', 'ax5', 'w4'] as const)('%s speaks of everything the walk names', (file) => {
    for (const [station, ...words] of COMBINE) {
      const said = sheets[file].checks
        .filter((c) => c.station === station)
        .map((c) => `${c.component}: ${c.measures}`);
      for (const word of words)
        expect([file, station, String(word), said.some((s) => word.test(s))]).toEqual([
          file,
          station,
          String(word),
          true,
        ]);
    }
  });
  const ANY = [
    /lights/i,
    /shields/i,
    /lock/i,
    /hoses/i,
    /height sensor/i,
    /driveshaft/i,
    /gearbox, main/i,
    /gearbox, end/i,
    /slip clutch/i,
  ];
  const CUTTING = [
    /sections/i,
    /guards/i,
    /knife to guard/i,
    /hold-down/i,
    /overlap/i,
    /knife head/i,
    /knife drive belt/i,
    /reel bush/i,
    /tines/i,
  ];
  const HEADERS = {
    df10: [...ANY, ...CUTTING, /tension indicator/i, /storage/i, /dirt/i, /centre belt/i],
    gf7: [
      ...ANY,
      ...CUTTING,
      /wobble drive/i,
      /torque/i,
      /to floor/i,
      /stripper/i,
      /fingers/i,
      /timing/i,
      /auger drive chain/i,
    ],
    rc12: [
      ...ANY,
      /tightener/i,
      /gathering chain/i,
      /sprocket/i,
      /stalk rolls: gap/i,
      /edges/i,
      /chopping knives/i,
      /divider/i,
      /end drive chain/i,
    ],
  };
  test.each(Object.entries(HEADERS))('%s speaks of everything its kind needs', (file, words) => {
    const said = sheets[file as 'df10'].checks.map((c) => `${c.component}: ${c.measures}`);
    for (const word of words)
      expect([file, String(word), said.some((s) => word.test(s))]).toEqual([
        file,
        String(word),
        true,
      ]);
  });
  test('every kind and every school of conveyor tension is used somewhere, in both unit styles', () => {
    const all = Object.values(sheets).flatMap((s) => s.checks);
    expect(new Set(all.map((c) => c.kind)).size).toBe(10);
    expect([...new Set(all.map((c) => c.method))]).toEqual(
      expect.arrayContaining([
        'spring-gauge',
        'slat-at-floor',
        'slat-in-window',
        'eye-bolt',
        'hydraulic',
        'tip-to-tip',
        'canister-gap',
        'overlap',
        'draper-band',
        'gonogo',
        'belt-note',
        'belt-push',
      ]),
    );
    expect([...new Set(all.flatMap((c) => ('style' in c ? [c.style] : [])))].sort()).toEqual([
      'inFraction',
      'inThou',
      'mm',
      'plain',
    ]);
  });
  test('settings know the four crops', () => {
    for (const file of ['ax7', 'ax5', 'w4'] as const) {
      const crops = new Set(
        sheets[file].checks.flatMap((c) =>
          c.kind === 'setting' ? c.expected.flatMap((e) => e.crop ?? []) : [],
        ),
      );
      expect([...crops]).toEqual(
        expect.arrayContaining(['malting barley', 'lentils', 'grain sorghum', 'maize']),
      );
    }
  });
  test('the two gearboxes of a header want opposite positions', () => {
    for (const file of ['df10', 'rc12', 'gf7'] as const)
      expect(
        new Set(
          sheets[file].checks
            .filter((c) => c.id.startsWith('header-gearbox'))
            .map((c) => c.position),
        ).size,
      ).toBe(2);
  });
  test('every check says how, why, what happens if left, what to mind, and gives its page', () => {
    for (const c of Object.values(sheets).flatMap((s) => s.checks))
      expect([
        c.id,
        c.how.length > 5,
        c.why.length > 5,
        c.ifLeft.length > 3,
        c.safety.length > 0,
        /page \d+/.test(c.source),
      ]).toEqual([c.id, true, true, true, true, true]);
  });
  test('every suspect of every symptom is a check of some sheet', () => {
    const ids = new Set(Object.values(sheets).flatMap((s) => s.checks.map((c) => c.id)));
    expect(
      SYMPTOMS.flatMap((s) => s.suspects.map((x) => x.check)).filter((id) => !ids.has(id)),
    ).toEqual([]);
  });
});

/** Every combination of a sheet's equipment. */
function buildsOf(sheet: SpecSheet): Record<string, string>[] {
  return sheet.equipment.reduce<Record<string, string>[]>(
    (builds, e) => builds.flatMap((b) => e.options.map((o) => ({ ...b, [e.id]: o.id }))),
    [{}],
  );
}

describe('resolving equipment', () => {
  test.each(FILES)(
    '%s never yields two checks for the same place, component and measure, on any build',
    (file) => {
      for (const build of buildsOf(sheets[file])) {
        const slots = checksOfBuild(sheets[file], build).flatMap((c) =>
          c.places.map((p) => `${c.component}|${c.measures}|${p}`),
        );
        expect([JSON.stringify(build), new Set(slots).size]).toEqual([
          JSON.stringify(build),
          slots.length,
        ]);
      }
    },
  );
  test('two checks of one slot on the same build are refused, on different builds they are not', () => {
    const base = sheets.gf7;
    const [first] = base.checks;
    const equipment = [
      {
        id: 'reel',
        name: 'Reel',
        options: [
          { id: 'metal', name: 'Metal' },
          { id: 'plastic', name: 'Plastic' },
        ],
      },
    ];
    const twin = (when: object) =>
      SpecSheet.safeParse({
        ...base,
        equipment,
        checks: [
          { ...first, when: { reel: ['metal'] } },
          { ...first, id: 'twin', when },
        ],
      });
    expect(twin({ reel: ['plastic'] }).success).toBe(true);
    expect(twin({}).error?.issues[0]?.path).toEqual(['checks', 1, 'when']);
  });
  test('equipment nothing is said of stands at its first option, and an unknown option too', () => {
    const ids = (build: Record<string, string>) =>
      checksOfBuild(sheets.ax7, build)
        .map((c) => c.id)
        .join();
    expect(ids({})).toBe(ids({ 'feeder-drive': 'variable', conveyor: 'chain' }));
    expect(ids({ 'feeder-drive': 'steam' })).toBe(ids({}));
    expect(ids({ conveyor: 'belt' })).toContain('conveyor-belt-tension');
  });
});

/** Any valid sheet: some checks of the shipped ones, with numbers, words and places changed. */
const anySheet = fc.constantFrom(...FILES).chain((file) =>
  fc
    .record({
      picks: fc.uniqueArray(fc.nat(sheets[file].checks.length - 1), {
        minLength: 1,
        maxLength: 12,
      }),
      remark: fc.string({ maxLength: 60 }),
      revision: fc.integer({ min: 1, max: 900 }),
      words: fc.string({ minLength: 1, maxLength: 40 }).filter((s) => s.trim().length > 0),
      minutes: fc.double({ min: 0, max: 500, noNaN: true }),
      places: fc.uniqueArray(
        fc
          .string({ minLength: 1, maxLength: 12 })
          .map((s) => s.trim())
          .filter((s) => s.length > 0),
        { minLength: 1, maxLength: 6 },
      ),
    })
    .map(({ picks, remark, revision, words, minutes, places }) =>
      SpecSheet.parse({
        ...sheets[file],
        revision,
        remark,
        checks: picks
          .map((i) => sheets[file].checks[i]!)
          .map((c, i) => ({
            ...c,
            knockOns: c.knockOns.filter((k) => 'task' in k),
            pairs: [],
            how: i ? c.how : words,
            labour: { ...c.labour, measure: minutes },
            places: c.places.length > 1 ? places : c.places,
          })),
      }),
    ),
);

describe('as a file', () => {
  test.each(FILES)('%s as shipped is printed byte for byte', (file) => {
    const again = SpecSheet.parse(JSON.parse(printSheet(sheets[file])));
    expect(printSheet(again)).toBe(printSheet(sheets[file]));
    expect(again).toEqual(sheets[file]);
  });
  test('any valid sheet comes back identical, in whatever order a database kept its fields', () => {
    const shuffled = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(shuffled)
        : value !== null && typeof value === 'object'
          ? Object.fromEntries(
              Object.entries(value)
                .reverse()
                .map(([k, v]) => [k, shuffled(v)]),
            )
          : value;
    fc.assert(
      fc.property(
        anySheet,
        (sheet) =>
          printSheet(SpecSheet.parse(shuffled(JSON.parse(printSheet(sheet))))) ===
          printSheet(sheet),
      ),
      { numRuns: 60 },
    );
  });
  test('any mutation of a valid sheet is valid or refused with a path', () => {
    const target = fc
      .constantFrom(...FILES)
      .chain((file) => fc.tuple(fc.constant(file), fc.nat(sheets[file].checks.length - 1)));
    fc.assert(
      fc.property(
        target,
        fc.nat(40),
        fc.oneof(
          fc.constantFrom<unknown>(null, -1, 0, NaN, '', [], {}, 'left', ['a', 'a']),
          fc.anything(),
        ),
        ([file, index], field, put) => {
          const check = sheets[file].checks[index]!;
          const keys = Object.keys(check);
          const key = keys[field % keys.length]!;
          const result = SpecSheet.safeParse({
            ...sheets[file],
            checks: sheets[file].checks.map((c, i) => (i === index ? { ...c, [key]: put } : c)),
          });
          return (
            result.success ||
            result.error.issues.every((i) => i.path.length > 0 && i.message.length > 0)
          );
        },
      ),
      { numRuns: 150 },
    );
  });
  test('the schema knows the kinds and their fields', () => {
    const text = JSON.stringify(sheetJsonSchema());
    for (const word of ['measure', 'gonogo', 'strandsPerTravel', 'outOfFamily', 'expected'])
      expect(text).toContain(word);
  });
});

describe('validation in words', () => {
  const refused = (change: object) => {
    const result = Check.safeParse({
      ...madeCheck('measure', { limit: { type: 'band', low: 1, high: 2 } }),
      ...change,
    });
    return result.success
      ? []
      : result.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`);
  };
  test.each([
    [
      { limit: { type: 'band', low: 3, high: 2 } },
      'limit.low: a lowest value below the highest, 2',
    ],
    [{ limit: { type: 'band' } }, 'limit.low: a lowest value, a highest, or both'],
    [
      { limit: { type: 'band', low: 1, high: 2, nominal: 5 } },
      'limit.nominal: a nominal value inside the band',
    ],
    [
      { limit: { type: 'wear', nominal: 5, limit: 3, wornSide: 'larger' } },
      'limit.wornSide: "smaller", as the new size 5 and the limit 3 say',
    ],
    [{ quantity: 'voltage' }, 'unit: a unit of voltage: V'],
    [{ quantity: 'voltage', unit: 'V' }, 'style: "plain" for what is no length'],
    [{ interval: { kind: 'every' } }, 'interval.hours: an interval in hours, in days, or both'],
    [
      { wearRate: { perHour: 0.001, sd: 0.001 } },
      'wearRate: none: a band is set, it does not wear',
    ],
  ])('%j', (change, words) => expect(refused(change)).toContain(words));
});

describe('what changed', () => {
  test('is named check by check, field by field', () => {
    const before = sheets.gf7;
    const after = SpecSheet.parse({
      ...before,
      checks: [
        ...before.checks.slice(2),
        { ...before.checks[0], id: 'new-one', component: 'New one' },
      ].map((c) => (c!.id === 'reel-tines' ? { ...c, allowed: 9, places: ['left', 'right'] } : c)),
    });
    const diff = diffSheets(before, after);
    expect(diff.added).toEqual([{ id: 'new-one', component: 'New one' }]);
    expect(diff.removed.map((c) => c.id)).toEqual(before.checks.slice(0, 2).map((c) => c.id));
    expect(diff.changed).toEqual([
      {
        id: 'reel-tines',
        component: 'Reel tines',
        fields: [
          { field: 'places', before: ['here'], after: ['left', 'right'] },
          { field: 'allowed', before: 4, after: 9 },
        ],
      },
    ]);
  });
  test('nothing, for the same sheet; everything is new where there was none', () => {
    fc.assert(
      fc.property(
        anySheet,
        (sheet) =>
          nothingChanged(diffSheets(sheet, SpecSheet.parse(JSON.parse(JSON.stringify(sheet))))) &&
          diffSheets(undefined, sheet).added.length === sheet.checks.length,
      ),
      { numRuns: 30 },
    );
  });
  test('another order is told', () =>
    expect(
      diffSheets(sheets.gf7, { ...sheets.gf7, checks: [...sheets.gf7.checks].reverse() }),
    ).toMatchObject({ reordered: true, changed: [] }));
});

describe('judged by the revision it was taken under', () => {
  const machine = { model: 'AX7', header: null };
  const tightened = SpecSheet.parse({
    ...sheets.ax7,
    revision: 2,
    checks: sheets.ax7.checks
      .filter((c) => c.id !== 'air-filter')
      .map((c) =>
        c.id === 'fan-drive-belt' ? { ...c, limit: { type: 'wear', nominal: 38, limit: 37.4 } } : c,
      ),
  });
  const width = (revision: number) =>
    reading(
      'fan-drive-belt',
      'belt',
      { kind: 'measure', values: [37.2], typed: [], unit: 'mm' },
      { machineId: MACHINE_ID, sheet: { model: 'AX7', revision } },
    );
  const decision = (revision: number, rejudged = {}) =>
    judgeMachine(
      checksAsRead(checksOfBuild(tightened, {}), [width(revision)], {
        sheets: [tightened],
        earlier: [sheets.ax7],
        rejudged,
      }),
      [width(revision)],
      facts,
    )[0]?.decision;
  test('an older reading keeps its verdict, a new one gets the new limit', () => {
    expect(decision(1)).toBe('holds');
    expect(decision(2)).toBe('replace');
  });
  test('until it is judged anew', () => expect(decision(1, { AX7: 2 })).toBe('replace'));
  test('judging anew names what would change, and that a check is gone', () => {
    const filter = reading('air-filter', 'here', { kind: 'service', amount: null, product: '' });
    const readings = [width(1), filter];
    const judged = { machine, readings, sheets: [sheets.ax7] };
    const now = judgeMachine(checksOfBuild(sheets.ax7, {}), readings, facts);
    expect(rejudge(judged, now, tightened, facts)).toMatchObject([
      { checkId: 'fan-drive-belt', before: 'holds', after: 'replace' },
      { checkId: 'air-filter', after: null },
    ]);
    expect(rejudge(judged, now, sheets.ax7, facts)).toEqual([]);
  });
});
