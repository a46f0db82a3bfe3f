import { SpecSheet } from '../contracts';
import { built } from '../testing/sheet';
import { FILES, sheets } from '../testing/shipped';
import { checksOfBuild } from '../walk';

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
        const slots = checksOfBuild(sheets[file], built(build)).flatMap((c) =>
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
    const base = sheets.tarn7;
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
      checksOfBuild(sheets.ouzel7, built(build))
        .map((c) => c.id)
        .join();
    expect(ids({})).toBe(ids({ 'feeder-drive': 'variable', conveyor: 'chain' }));
    expect(ids({ 'feeder-drive': 'steam' })).toBe(ids({}));
    expect(ids({ conveyor: 'belt' })).toContain('conveyor-belt-tension');
  });
});
