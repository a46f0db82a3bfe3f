import { SpecSheet } from '../contracts';
import { built } from '../testing/sheet';
import { sheets } from '../testing/shipped';
import { checksOfBuild } from '../walk';
import { SYMPTOMS } from '../symptoms';

describe('the demo sheets hold the whole walk', () => {
  test.each(['ouzel7', 'ouzel5', 'ouzel9', 'corrie4', 'corrie6'] as const)(
    '%s has a hundred checks and more, on every build',
    (file) => {
      expect(sheets[file].checks.length).toBeGreaterThanOrEqual(100);
      for (const build of buildsOf(sheets[file]))
        expect(checksOfBuild(sheets[file], built(build)).length).toBeGreaterThanOrEqual(100);
    },
  );
  test.each(['merle10', 'merle12', 'tarn7', 'tarn5'] as const)('%s has fifty and more', (file) =>
    expect(sheets[file].checks.length).toBeGreaterThanOrEqual(50),
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
  test.each(['ouzel7', 'ouzel5', 'ouzel9', 'corrie4', 'corrie6'] as const)(
    '%s speaks of everything the walk names',
    (file) => {
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
    },
  );
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
    merle10: [...ANY, ...CUTTING, /tension indicator/i, /storage/i, /dirt/i, /centre belt/i],
    tarn7: [
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
    merle12: [
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
    const said = sheets[file as 'merle10'].checks.map((c) => `${c.component}: ${c.measures}`);
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
    for (const file of ['ouzel7', 'ouzel5', 'ouzel9', 'corrie4', 'corrie6'] as const) {
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
  test('each header has its own rule for its oils, and none is shared by all', () => {
    const rules = (['merle10', 'merle12', 'tarn7', 'tarn5'] as const).map((file) =>
      sheets[file].checks
        .filter((c) => c.kind === 'level' && c.product.startsWith('Gear oil'))
        .map((c) => `${c.id}: ${c.position}`)
        .join(),
    );
    expect(new Set(rules).size).toBe(4);
  });
  const ways = Object.values(sheets).flatMap((sheet) =>
    sheet.schools.flatMap((school) =>
      school.options.map((o) => [sheet.model, school.id, o.id, sheet] as const),
    ),
  );
  test.each(ways)('%s by school %s: %s decides which checks there are', (_, id, chosen, sheet) => {
    const schools = sheet.schools.map((s) => (s.id === id ? { ...s, chosen } : s));
    const there = checksOfBuild(SpecSheet.parse({ ...sheet, schools }), built());
    const ids = there.map((t) => t.id);
    const others = there.filter((c) => c.when[id] && !c.when[id].includes(chosen));
    expect(others.map((c) => c.id)).toEqual([]);
    // what work brings along is on this machine too
    const brought = there.flatMap((c) =>
      c.knockOns.flatMap((k) => ('check' in k && !ids.includes(k.check) ? [k.check] : [])),
    );
    expect(brought).toEqual([]);
  });
  test('every sheet has schools', () =>
    expect(Object.values(sheets).filter((s) => s.schools.length < 2)).toEqual([]));
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
