import { Check } from './check';
import { fitsMeet, type Fits } from './fits';
import type { Equipment } from './sheet';
import type { Position } from './positions';

/** What is wrong at a path below a sheet or a check. */
export interface Trouble {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

interface Sheet {
  readonly machine: 'combine' | 'header';
  readonly equipment: readonly Equipment[];
  readonly positions: readonly Position[];
  readonly checks: readonly Check[];
}

type When = Readonly<Record<string, readonly string[]>>;

/** Whether one machine can have both checks: neither equipment nor serial nor year sets them apart. */
export function together(a: Check, b: Check): boolean {
  return whenMeet(a.when, b.when) && fitsMeet(a.fits ?? {}, b.fits ?? {});
}

const whenMeet = (a: When, b: When): boolean =>
  Object.entries(a).every(([id, options]) => !b[id] || options.some((o) => b[id]?.includes(o)));

/**
 * What is wrong with what a check says of single places and of some machines: places that are not
 * there, ranges that overlap, and what would not be a check any more.
 */
export function varyingTroubles(check: Check, sheet: Sheet): Trouble[] {
  const { perPlace = {}, versions = [], ...plain } = check;
  return [
    ...ofHeaders(check.fits, sheet, ['fits']),
    ...Object.entries(perPlace).flatMap(([place, differs]) => {
      const path = ['perPlace', place];
      if (!check.places.includes(place))
        return [{ path, message: `a place of this check: ${check.places.join(', ')}` }];
      return merged(plain, differs, path);
    }),
    ...versions.flatMap(({ serials, built, when = {}, ...differs }, i) => {
      const path = ['versions', i];
      if (!serials && !built && !Object.keys(when).length)
        return [{ path, message: 'serials, years built or equipment that it is for' }];
      return [
        ...ofHeaders({ built }, sheet, path),
        ...unknownEquipment(when, sheet, path),
        ...merged(plain, differs, path),
      ];
    }),
    ...overlaps(versions),
  ];
}

/** A header carries no year: only its serial tells its version. */
const ofHeaders = (
  fits: Fits | undefined,
  { machine }: Sheet,
  path: readonly (string | number)[],
): Trouble[] =>
  fits?.built && machine === 'header'
    ? [{ path: [...path, 'built'], message: 'serials: a header is not known by its year' }]
    : [];

function unknownEquipment(
  when: When,
  { equipment }: Sheet,
  path: readonly (string | number)[],
): Trouble[] {
  return Object.entries(when).flatMap(([id, options]) => {
    const known = equipment.find((e) => e.id === id);
    if (!known)
      return [
        {
          path: [...path, 'when', id],
          message: `equipment of this sheet: ${equipment.map((e) => e.id).join(', ') || 'it names none'}`,
        },
      ];
    const ids = known.options.map((o) => o.id);
    return options.flatMap((o, j) =>
      ids.includes(o)
        ? []
        : [{ path: [...path, 'when', id, j], message: `one of ${ids.join(', ')}` }],
    );
  });
}

/** What differs has to leave a check: the same kind of limit, and all its rules kept. */
function merged(plain: object, differs: object, path: readonly (string | number)[]): Trouble[] {
  if (!Object.keys(differs).length) return [{ path, message: 'something that differs' }];
  const type = limitType(plain);
  if (limitType(differs) !== undefined && limitType(differs) !== type)
    return [{ path: [...path, 'limit'], message: `a limit of the same type, "${type ?? 'none'}"` }];
  const { error } = Check.safeParse({ ...plain, ...differs });
  return (error?.issues ?? []).map((issue) => ({
    path: [...path, ...issue.path.filter((p) => typeof p !== 'symbol')],
    message: issue.message,
  }));
}

function limitType(check: object): string | undefined {
  const limit = 'limit' in check ? check.limit : undefined;
  return typeof limit === 'object' && limit !== null && 'type' in limit
    ? String(limit.type)
    : undefined;
}

/** Two versions that one machine could be both of: nobody could say which counts. */
function overlaps(versions: NonNullable<Check['versions']>): Trouble[] {
  return versions.flatMap((later, j) => {
    const i = versions
      .slice(0, j)
      .findIndex(
        (earlier) => fitsMeet(earlier, later) && whenMeet(earlier.when ?? {}, later.when ?? {}),
      );
    return i < 0
      ? []
      : [
          {
            path: ['versions', j],
            message: `machines of its own: it overlaps with version ${i + 1}`,
          },
        ];
  });
}

/** Positions named twice, and checks that want one the sheet does not describe. */
export function positionTroubles({ positions, checks }: Sheet): Trouble[] {
  if (!positions.length) return [];
  const names = new Set(positions.map((p) => p.name));
  return [
    ...positions.flatMap((p, i) =>
      positions.findIndex((q) => q.name === p.name) < i
        ? [{ path: ['positions', i, 'name'], message: `a name not used before; "${p.name}" is` }]
        : [],
    ),
    ...checks.flatMap((c, i) =>
      names.has(c.position)
        ? []
        : [
            {
              path: ['checks', i, 'position'],
              message: `a position of this sheet: ${[...names].join('; ')}`,
            },
          ],
    ),
  ];
}
