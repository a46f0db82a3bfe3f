import {
  SpecSheet,
  takeUpOf,
  type Check,
  type CheckOf,
  type MeasuredCheck,
  type OpenLimit,
} from '../contracts';
import { NO_PAGE } from './limitRows';

/** The model a sheet is for. */
export interface NewModel {
  readonly model: string;
  readonly maker: string;
}

/**
 * A sheet with all its checks, positions, methods and cautions, and none of its figures: no limits,
 * adjusters, amounts, numbers, settings by crop, products or parts. Readings are taken by it and
 * prove nothing until the figures are entered. How often a check is taken stays as is usual.
 */
export function starterOf(sheet: SpecSheet, { model, maker }: NewModel): SpecSheet {
  return SpecSheet.parse({
    ...sheet,
    model,
    maker,
    revision: 1,
    remark: '',
    checks: sheet.checks.flatMap((check, i) =>
      standsTwice(check, sheet.checks.slice(0, i)) ? [] : [withoutFigures(check)],
    ),
  });
}

/** A sheet for another model, figures and all. */
export const copyOf = (sheet: SpecSheet, { model, maker }: NewModel): SpecSheet =>
  SpecSheet.parse({
    ...sheet,
    model,
    maker,
    revision: 1,
    remark: `From ${sheet.model}, revision ${sheet.revision}.`,
  });

/** One of several versions of a check, told apart by serials: a starter knows only the first. */
const standsTwice = ({ id, fits }: Check, before: readonly Check[]): boolean =>
  fits !== undefined && before.some((b) => b.fits && id.startsWith(b.id));

/** Sides that differ by more than can be read are unequal, until the book allows more; mm. */
const STRICT = { maxSideDifference: 1 };

const MANUALS = 'as the maker’s manual says';

function withoutFigures(check: Check): object {
  const { costs: _costs, perPlace, versions, ...rest } = check;
  const bare = {
    ...rest,
    fits: undefined,
    parts: [],
    source: NO_PAGE,
    tool: { ...check.tool, name: check.tool.name.replace(/ [A-Z]\d$/, '') },
    ...placesOf(perPlace),
    ...versionsOf(versions),
  };
  switch (check.kind) {
    case 'measure':
    case 'series':
      return { ...bare, ...openMeasured(check) };
    case 'mark':
      return {
        ...bare,
        ...STRICT,
        gauge: { ...check.gauge, short: 0, past: 0 },
        ...openTravel(check),
      };
    case 'feel':
      return { ...bare, ...openTravel(check) };
    case 'count':
      return { ...bare, total: undefined, allowed: 0 };
    case 'level':
      return { ...bare, product: MANUALS };
    case 'service':
      return { ...bare, amount: undefined, most: undefined, ...productOf(check) };
    case 'setting':
      return { ...bare, expected: [] };
    case 'gonogo':
    case 'condition':
      return bare;
  }
}

/** What is poured or pressed in is the manual's; a thing that is only done keeps its words. */
const productOf = ({ asks, product }: CheckOf<'service'>): object =>
  asks === 'done' ? { product } : { product: MANUALS };

function openMeasured(check: MeasuredCheck): object {
  const { limit } = check;
  return {
    limit: openLimit(limit),
    wearRate: undefined,
    drift: undefined,
    maxDifference: undefined,
    newTolerance: undefined,
    plausible: undefined,
    ...openTravel(check),
  };
}

const openLimit = (limit: MeasuredCheck['limit']): OpenLimit =>
  limit.type === 'open'
    ? limit
    : {
        type: 'open',
        wants: limit.type,
        ...(limit.type === 'elongation' ? { pitches: limit.pitches } : {}),
      };

const openTravel = (check: Check): object =>
  takeUpOf(check) ? { takeUp: undefined, takeUpToEnter: true } : {};

/** Of what differs at a place only where it is read stays, and that its limit is its own. */
function placesOf(perPlace: Check['perPlace']): object {
  const kept = Object.entries(perPlace ?? {}).flatMap(([place, differs]) => {
    const { eye, limit } = differs as { eye?: string; limit?: MeasuredCheck['limit'] };
    const own = { ...(eye ? { eye } : {}), ...(limit ? { limit: openLimit(limit) } : {}) };
    return Object.keys(own).length ? [[place, own] as const] : [];
  });
  return { perPlace: kept.length ? Object.fromEntries(kept) : undefined };
}

/** Of what differs by a school its ways stay: how often, and what is renewed with what. */
function versionsOf(versions: Check['versions']): object {
  const kept = (versions ?? []).flatMap((version) => {
    if (version.serials || version.built) return [];
    const { when, interval, ...differs } = version;
    const own = {
      ...(interval ? { interval } : {}),
      ...('renew' in differs ? { renew: differs.renew } : {}),
      ...('damaged' in differs ? { damaged: differs.damaged } : {}),
    };
    return Object.keys(own).length ? [{ when, ...own }] : [];
  });
  return { versions: kept.length ? kept : undefined };
}
