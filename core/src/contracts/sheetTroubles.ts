import { Check, type Part } from './check';
import { fitsMeet, type Fits } from './fits';
import type { Equipment, School } from './sheet';
import type { Position } from './positions';

/** What is wrong at a path below a sheet or a check. */
export interface Trouble {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

interface Sheet {
  readonly machine: 'combine' | 'header';
  readonly equipment: readonly Equipment[];
  readonly schools: readonly School[];
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
  { equipment, schools }: Sheet,
  path: readonly (string | number)[],
): Trouble[] {
  return Object.entries(when).flatMap(([id, options]) => {
    const known = [...equipment, ...schools].find((e) => e.id === id);
    if (!known)
      return [
        {
          path: [...path, 'when', id],
          message: `equipment or a school of this sheet: ${[...equipment, ...schools].map((e) => e.id).join(', ') || 'it names none'}`,
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

/**
 * Parts that need themselves, directly or round a corner, and numbers that take one another's place
 * in a circle: nobody could order them.
 */
export function partTroubles({ checks }: Pick<Sheet, 'checks'>): Trouble[] {
  const leads = new Map<string, Set<string>>();
  const all = checks.flatMap((check, i) =>
    partsOf(check).map(({ part, path }) => ({ part, path: ['checks', i, ...path] })),
  );
  for (const { part } of all) {
    const to = leads.get(part.number) ?? new Set();
    for (const next of leadsTo(part)) to.add(next);
    leads.set(part.number, to);
  }
  const round = circling(leads);
  return all.flatMap(({ part, path }) =>
    round.has(part.number)
      ? [
          {
            path,
            message: `parts that end somewhere: what ${part.number} needs, or is replaced by, leads round in a circle`,
          },
        ]
      : [],
  );
}

/** Numbers from which one comes round in a circle: those left when all that end somewhere are taken out. */
function circling(leads: ReadonlyMap<string, ReadonlySet<string>>): ReadonlySet<string> {
  const open = new Map(
    [...leads].map(([n, to]) => [n, [...to].filter((t) => leads.has(t)).length]),
  );
  const before = new Map<string, string[]>();
  for (const [number, to] of leads)
    for (const next of to) {
      const known = before.get(next);
      if (known) known.push(number);
      else before.set(next, [number]);
    }
  const ended = [...open].flatMap(([n, count]) => (count === 0 ? [n] : []));
  for (let n = ended.pop(); n !== undefined; n = ended.pop()) {
    open.delete(n);
    for (const earlier of before.get(n) ?? []) {
      const left = (open.get(earlier) ?? 0) - 1;
      open.set(earlier, left);
      if (left === 0) ended.push(earlier);
    }
  }
  return new Set(open.keys());
}

function partsOf(check: Check): { part: Part; path: (string | number)[] }[] {
  const at = (parts: readonly Part[] | undefined, path: (string | number)[]) =>
    (parts ?? []).map((part, j) => ({ part, path: [...path, 'parts', j] }));
  return [
    ...at(check.parts, []),
    ...Object.entries(check.perPlace ?? {}).flatMap(([p, d]) => at(d.parts, ['perPlace', p])),
    ...(check.versions ?? []).flatMap((v, k) => at(v.parts, ['versions', k])),
  ];
}

const leadsTo = ({ needs = [], supersededBy }: Part): string[] => [
  ...needs.map((n) => n.number),
  ...(supersededBy ? [supersededBy.number] : []),
];
