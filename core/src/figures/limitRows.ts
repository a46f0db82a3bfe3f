import {
  takeUpOf,
  type Check,
  type CheckOf,
  type MeasuredCheck,
  type SpecSheet,
} from '../contracts';
import { atPlace } from '../kinds';
import { printAs, printNumber } from '../units';

/** Where a figure of a starter comes from, until somebody has looked it up. */
export const NO_PAGE = 'Maker’s manual, page not entered';

/** The columns that are filled in. Their meaning by row is in `asks`. */
export const LIMIT_COLUMNS = ['new', 'low', 'high', 'limit', 'unit', 'page'] as const;
export type LimitColumn = (typeof LIMIT_COLUMNS)[number];
export type LimitCells = Readonly<Record<LimitColumn, string>>;

/** Which figures of a check a row is about. */
export type LimitPart = 'limit' | 'mark' | 'slot' | 'chain' | 'amount' | 'total' | 'options';

/** One row of a sheet's figures, as they are written. */
export interface LimitRow {
  /** unique in its sheet: check, place and part */
  readonly key: string;
  readonly checkId: string;
  readonly station: number;
  readonly component: string;
  readonly measures: string;
  /** the place it is of; empty: all places */
  readonly place: string;
  readonly part: LimitPart;
  readonly cells: LimitCells;
  /** what each column holds in this row; columns that hold nothing are not named */
  readonly asks: Partial<Readonly<Record<LimitColumn, string>>>;
  /** columns without which the row is not entered */
  readonly needs: readonly LimitColumn[];
  /** it is all there */
  readonly entered: boolean;
}

/**
 * The figures of a sheet that come from the maker's manual, front to back: limits, adjusters,
 * amounts, numbers and settings. What has none is not listed.
 */
export function limitRows(sheet: SpecSheet): LimitRow[] {
  return sheet.checks.flatMap((check) => [
    ...rowsOf(check, ''),
    ...Object.keys(check.perPlace ?? {})
      .filter((place) => ownFigures(check, place))
      .flatMap((place) => rowsOf(atPlace(check, place), place)),
  ]);
}

/**
 * How many rows of a sheet are entered, of how many. Marks are not counted: exactly at the mark is
 * right until the book allows more.
 */
export function limitProgress(rows: readonly Pick<LimitRow, 'entered' | 'part'>[]): {
  readonly entered: number;
  readonly all: number;
} {
  const counted = rows.filter((r) => r.part !== 'mark');
  return { entered: counted.filter((r) => r.entered).length, all: counted.length };
}

/** Whether a place has figures of its own, not only a part or a name. */
const ownFigures = (check: Check, place: string): boolean => {
  const own = check.perPlace?.[place] ?? {};
  return ['limit', 'amount', 'total', 'takeUp'].some((field) => field in own);
};

const EMPTY: LimitCells = { new: '', low: '', high: '', limit: '', unit: '', page: '' };

function rowsOf(check: Check, place: string): LimitRow[] {
  const row = made(check, place);
  switch (check.kind) {
    case 'measure':
    case 'series':
      return [limitRow(check, row), ...travelRows(check, row)];
    case 'mark':
      return [markRow(check, row), ...travelRows(check, row)];
    case 'feel':
      return travelRows(check, row);
    case 'count':
      return [row('total', { new: said(check.total) }, { new: `how many ${check.counted}` })];
    case 'service':
      return check.asks === 'done'
        ? []
        : [
            row(
              'amount',
              { low: said(check.amount), high: said(check.most), unit: check.asks },
              { low: check.asks, high: 'never more than' },
              ['low'],
            ),
          ];
    case 'setting':
      return [
        row(
          'options',
          { new: printOptions(check.expected) },
          { new: `crop: ${check.options.join(' or ')}; next crop: …` },
        ),
      ];
    case 'gonogo':
    case 'condition':
    case 'level':
      return [];
  }
}

type Making = (
  part: LimitPart,
  cells: Partial<LimitCells>,
  asks: LimitRow['asks'],
  needs?: readonly LimitColumn[],
) => LimitRow;

function made(check: Check, place: string): Making {
  const { id, station, component, measures, source } = check;
  return (part, cells, asks, needs = ['new']) => {
    const all = { ...EMPTY, ...cells, page: source === NO_PAGE ? '' : source };
    return {
      key: `${id}|${place}|${part}`,
      checkId: id,
      station,
      component,
      measures,
      place,
      part,
      cells: all,
      asks: { ...asks, page: 'book and page' },
      needs,
      entered: needs.length ? needs.every((c) => all[c] !== '') : all.low !== '' || all.high !== '',
    };
  };
}

const said = (value: number | undefined): string =>
  value === undefined ? '' : printNumber(value, 6);

function limitRow(check: MeasuredCheck, row: Making): LimitRow {
  const { limit, unit } = check;
  const form = limit.type === 'open' ? limit.wants : limit.type;
  const at = (value: number | undefined) =>
    value === undefined ? '' : bare(printAs(value, check, 4));
  switch (form) {
    case 'wear': {
      const { nominal, limit: worn } = limit.type === 'wear' ? limit : NO_WEAR;
      return row(
        'limit',
        { new: at(nominal), limit: at(worn), unit },
        { new: 'size when new', limit: 'at it, it is out', unit: 'unit' },
        ['new', 'limit'],
      );
    }
    case 'elongation': {
      const { pitch, limitPercent } = limit.type === 'elongation' ? limit : NO_CHAIN;
      return row(
        'limit',
        { new: at(pitch), limit: said(limitPercent), unit },
        { new: 'one pitch', limit: '% longer', unit: 'unit' },
        // an entered chain without a limit goes by the shop's rule
        limit.type === 'elongation' ? ['new'] : ['new', 'limit'],
      );
    }
    case 'band': {
      const { low, nominal, high } = limit.type === 'band' ? limit : NO_BAND;
      return row(
        'limit',
        { low: at(low), new: at(nominal), high: at(high), limit: at(check.maxDifference), unit },
        {
          low: 'lowest',
          new: 'best, if the book says',
          high: 'highest',
          ...(check.places.length > 1 ? { limit: 'places may differ by' } : {}),
          unit: 'unit',
        },
        [],
      );
    }
  }
}

const NO_WEAR = { nominal: undefined, limit: undefined };
const NO_CHAIN = { pitch: undefined, limitPercent: undefined };
const NO_BAND = { low: undefined, nominal: undefined, high: undefined };

const markRow = ({ gauge, maxSideDifference }: CheckOf<'mark'>, row: Making): LimitRow =>
  row(
    'mark',
    {
      low: said(gauge.short),
      high: said(gauge.past),
      limit: said(maxSideDifference),
      unit: 'mm',
    },
    {
      low: 'short of its mark that is still fine',
      high: 'past its mark that is still fine',
      limit: 'sides may differ by',
    },
    ['low', 'high', 'limit'],
  );

/** The number alone: the unit has a column of its own. */
const bare = (printed: string): string => printed.replace(/ \S+$/, '');

function travelRows(check: Check, row: Making): LimitRow[] {
  const takeUp = takeUpOf(check);
  if (!takeUp && !('takeUpToEnter' in check && check.takeUpToEnter)) return [];
  return [
    row(
      'slot',
      { new: said(takeUp?.total), low: said(takeUp?.reserve), unit: 'mm' },
      { new: 'whole travel of the adjuster', low: 'travel to keep for harvest' },
      ['new', 'low'],
    ),
    row(
      'chain',
      {
        new: said(takeUp?.pitch),
        high: said(takeUp?.loopPitches),
        limit: said(takeUp?.limitPercent),
        unit: 'mm',
      },
      { new: 'one pitch', high: 'pitches in the loop', limit: '% longer' },
      ['new', 'high', 'limit'],
    ),
  ];
}

/** "malting barley: fitted; lentils: stored"; a header after a +, nothing before the colon for all. */
const printOptions = (
  expected: readonly { crop?: string | undefined; header?: string | undefined; option: string }[],
): string =>
  expected
    .map(({ crop, header, option }) =>
      `${[crop ?? '', header ? `+ ${header}` : ''].join(' ').trim()}: ${option}`.replace(
        /^: /,
        'any: ',
      ),
    )
    .join('; ');
