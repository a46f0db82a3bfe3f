import type { Check } from '@green-tally/core/contracts';
import { parseQuantity, printAs, printNumber, UnitParseError } from '@green-tally/core/units';
import { printSold, readSold } from './partLine';
import { writingOf } from './writing';

/*
 * What differs at one place, or on some machines, as a line of text:
 *
 *   inner | amount = 10; most = 14
 *   outer | limit.limit = 22 mm; part = LM-2 Inner belt × 2
 *   serials T100 to T199 with conveyor belt | limit.low = 4
 *   built from 2023 | product = Oil 46
 */

/** Numbers that are lengths or forces: written in the check's own unit. */
const IN_UNITS = new Set(['nominal', 'limit', 'low', 'high']);
/** Written as words, whatever they look like. */
const IN_WORDS = new Set([
  'product',
  'eye',
  'type',
  'wants',
  'wornSide',
  'below',
  'above',
  'kind',
  'renew',
  'marked',
  'damaged',
]);

type Differs = Readonly<Record<string, unknown>>;

/** What differs, by paths: "limit.low = 3 mm; part = LM-1 Belt × 2". */
export function printDiffers(differs: Differs, check: Check): string {
  return leaves(differs)
    .flatMap(([path, value]) =>
      path === 'parts' && Array.isArray(value)
        ? value.length
          ? value.map((p: Record<string, unknown>) => `part = ${printPart(p)}`)
          : ['part = none']
        : [`${path} = ${printLeaf(path, value, check)}`],
    )
    .join('; ');
}

/** In braces what more is said of it: its mates, how it is sold; by & where a part line has ;. */
function printPart(part: Record<string, unknown>): string {
  const { number, name, each } = part;
  const mates = part['with'] ? [`mates ${String(part['with'])}`] : [];
  const sold = printSold(part);
  const more = [...mates, ...(sold ? [sold.replaceAll('; ', ' & ')] : [])].join(' & ');
  return `${String(number)} ${String(name)}${each === 1 ? '' : ` × ${String(each)}`}${more ? ` {${more}}` : ''}`;
}

function printLeaf(path: string, value: unknown, check: Check): string {
  if (typeof value !== 'number') return String(value);
  if (!measuredLeaf(path, check)) return printNumber(value, 6);
  const writing = writingOf(check);
  const said = printAs(value, writing, 4);
  const back = parseQuantity(said, writing.quantity, writing.unit).value;
  return Math.abs(back - value) < 1e-9 ? said : printNumber(value, 9);
}

const measuredLeaf = (path: string, check: Check): boolean =>
  (check.kind === 'measure' || check.kind === 'series') &&
  path.startsWith('limit.') &&
  IN_UNITS.has(path.slice('limit.'.length));

/** Every value with its path; lists whole. */
function leaves(value: Differs, path = ''): [string, unknown][] {
  return Object.entries(value).flatMap(([key, v]): [string, unknown][] => {
    const at = path ? `${path}.${key}` : key;
    return typeof v === 'object' && v !== null && !Array.isArray(v)
      ? leaves(v as Differs, at)
      : [[at, v]];
  });
}

export type Told = { readonly value: object } | { readonly trouble: string };

/** Reads what differs; a limit begins from the check's own, of which only some may be written. */
export function readDiffers(said: string, check: Check): Told {
  const built: Record<string, unknown> = {};
  // a text may hold a semicolon of its own: what begins with a name and = is a piece
  for (const piece of said
    .split(/;\s*(?=[\w.]+\s*=|$)/)
    .map((s) => s.trim())
    .filter(Boolean)) {
    const [, path, written] = /^([\w.]+)\s*=\s*(.+)$/.exec(piece) ?? [];
    if (!path || !written)
      return { trouble: `"${piece}" is not what = value, such as amount = 10` };
    if (path === 'part') {
      const part = readPart(written);
      if ('trouble' in part) return part;
      built['parts'] = [...((built['parts'] as object[] | undefined) ?? []), ...part.parts];
      continue;
    }
    const value = readLeaf(path, written, check);
    if (typeof value === 'object') return value;
    if (path.startsWith('limit.') && built['limit'] === undefined)
      built['limit'] = 'limit' in check ? { ...check.limit } : {};
    put(built, path, value);
  }
  return { value: turned(built) };
}

/** The worn side follows the limit. */
function turned(built: Record<string, unknown>): object {
  const limit = built['limit'] as Record<string, unknown> | undefined;
  if (limit?.['type'] !== 'wear' || limit['wornSide'] === undefined) return built;
  const smaller = Number(limit['limit']) < Number(limit['nominal']);
  return { ...built, limit: { ...limit, wornSide: smaller ? 'smaller' : 'larger' } };
}

function readPart(written: string): { parts: object[] } | { trouble: string } {
  if (written === 'none') return { parts: [] };
  const [, number, name, each = '1', more = ''] =
    /^(\S+)\s+(.+?)(?:\s*[×x]\s*(\d+))?(?:\s*\{(.*)\})?$/.exec(written) ?? [];
  const [, mates, said = ''] = /^(?:mates (.+?)(?: & |$))?(.*)$/.exec(more) ?? [];
  const sold = readSold(said.replaceAll(' & ', '; '));
  if ('trouble' in sold) return sold;
  return number && name
    ? { parts: [{ number, name, each: Number(each), ...(mates ? { with: mates } : {}), ...sold }] }
    : { trouble: `"${written}" is not a part: number, name, and × how many` };
}

function readLeaf(
  path: string,
  written: string,
  check: Check,
): string | number | { readonly trouble: string } {
  const last = path.split('.').at(-1) ?? path;
  if (IN_WORDS.has(last)) return written;
  if (measuredLeaf(path, check)) {
    const { quantity, unit } = writingOf(check);
    try {
      return Number(parseQuantity(written, quantity, unit).value.toFixed(9));
    } catch (error) {
      if (error instanceof UnitParseError) return { trouble: `${path}: ${error.message}` };
      throw error;
    }
  }
  const number = Number(written.replace(',', '.'));
  return Number.isFinite(number) ? number : { trouble: `${path}: a number; "${written}" is none` };
}

function put(target: Record<string, unknown>, path: string, value: unknown): void {
  const [first = '', ...rest] = path.split('.');
  if (!rest.length) {
    target[first] = value;
    return;
  }
  const inner = (target[first] ?? {}) as Record<string, unknown>;
  target[first] = inner;
  put(inner, rest.join('.'), value);
}

interface Ends {
  readonly from?: string | number | undefined;
  readonly to?: string | number | undefined;
}
interface Fit {
  readonly serials?: Ends | undefined;
  readonly built?: Ends | undefined;
  readonly when?: Readonly<Record<string, readonly string[]>> | undefined;
}

/** "serials T100 to T199, built from 2023, with conveyor belt". */
export function printFit({ serials, built, when }: Fit): string {
  return [
    ...(serials ? [`serials ${printEnds(serials)}`] : []),
    ...(built ? [`built ${printEnds(built)}`] : []),
    ...Object.entries(when ?? {}).map(([id, options]) => `with ${id} ${options.join(' or ')}`),
  ].join(', ');
}

function printEnds({ from, to }: Ends): string {
  if (from === undefined) return `to ${to ?? ''}`;
  return to === undefined ? `from ${from}` : `${from} to ${to}`;
}

const FIT =
  /^(?:(serials|built)\s+(?:from\s+(\S+)|to\s+(\S+)|(\S+)\s+to\s+(\S+))|with\s+(\S+)\s+(.+))$/;

/** Reads which machines something is of. */
export function readFit(said: string): Told {
  const fit: Record<string, unknown> = {};
  const when: Record<string, string[]> = {};
  for (const piece of said
    .split(',')
    .map((s) => s.trim())
    .filter(Boolean)) {
    const [whole, what, from, to, first, last, equipment, options = ''] = FIT.exec(piece) ?? [];
    if (whole === undefined)
      return {
        trouble: `"${piece}" is not serials T1 to T99, built from 2020, or with equipment option`,
      };
    if (equipment) when[equipment] = options.split(/\s+or\s+/);
    else if (what) fit[what] = endsOf(what, from ?? first, to ?? last);
  }
  return { value: Object.keys(when).length ? { ...fit, when } : fit };
}

function endsOf(what: string, from: string | undefined, to: string | undefined): object {
  const end = (said: string) => (what === 'built' ? Number(said) : said);
  return {
    ...(from === undefined ? {} : { from: end(from) }),
    ...(to === undefined ? {} : { to: end(to) }),
  };
}
