import {
  QUANTITY_UNITS,
  takeUpOf,
  type Check,
  type CheckOf,
  type CheckUnit,
  type MeasuredCheck,
} from '../contracts';
import { InputError, parseQuantity } from '../units';
import type { LimitCells, LimitColumn, LimitRow } from './limitRows';

/** What is wrong in one cell, and the remedy. */
export interface LimitTrouble {
  readonly key: string;
  readonly column: LimitColumn;
  readonly message: string;
}

/** A row with what was typed in it. */
export interface Written {
  readonly row: LimitRow;
  readonly cells: LimitCells;
}

/** What a row says of its check. */
export function tell(
  check: Check,
  one: Written & { readonly beside?: Written | undefined },
  troubles: LimitTrouble[],
): object {
  const reading: Reading = { one, troubles };
  switch (one.row.part) {
    case 'limit':
      return tellLimit(check as MeasuredCheck, reading);
    case 'slot':
    case 'chain':
      return tellTravel(check, reading, one.beside);
    case 'mark':
      return tellMark(check as CheckOf<'mark'>, reading);
    case 'amount':
      return { amount: figure(reading, 'low'), most: figure(reading, 'high') };
    case 'total':
      return { total: figure(reading, 'new') };
    case 'options':
      return { expected: readOptions(check as CheckOf<'setting'>, reading) };
  }
}

interface Reading {
  readonly one: Written;
  readonly troubles: LimitTrouble[];
}

const wrong = ({ one, troubles }: Reading, column: LimitColumn, message: string): undefined => {
  troubles.push({ key: one.row.key, column, message });
  return undefined;
};

/** A plain number, a decimal comma or a point; empty: none. */
function figure(reading: Reading, column: LimitColumn): number | undefined {
  const text = reading.one.cells[column].replace(/\s*%$/, '');
  if (!text) return undefined;
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) && value >= 0
    ? value
    : wrong(reading, column, `a number of 0 or more; "${text}" is none`);
}

/** A quantity in the row's unit, or in the one written beside it. */
function measure(
  check: MeasuredCheck,
  unit: string,
  reading: Reading,
  column: LimitColumn,
): number | undefined {
  const text = reading.one.cells[column];
  if (!text) return undefined;
  try {
    return Number(parseQuantity(text, check.quantity, unit).value.toFixed(9));
  } catch (error) {
    if (error instanceof InputError) return wrong(reading, column, error.message);
    throw error;
  }
}

function tellLimit(check: MeasuredCheck, reading: Reading): object {
  const { one } = reading;
  const form = check.limit.type === 'open' ? check.limit.wants : check.limit.type;
  const unit = unitOf(check, reading);
  if (!unit) return {};
  const read = (column: LimitColumn) => measure(check, unit, reading, column);
  const writing = one.row.place ? {} : { unit, style: styleOf(check, unit) };
  const { new: said, low, high, limit } = one.cells;
  const empty = form === 'band' ? !low && !high : !said && !limit;
  if (empty)
    return {
      ...writing,
      drift: undefined,
      limit: { type: 'open', wants: form, ...pitchesOf(check) },
    };
  switch (form) {
    case 'wear':
      return { ...writing, limit: tellWear(read('new'), read('limit'), reading) };
    case 'elongation':
      return { ...writing, limit: tellChain(check, read('new'), reading) };
    case 'band': {
      const band = { new: read('new'), low: read('low'), high: read('high') };
      const differ = one.row.place ? {} : { maxDifference: read('limit') };
      return { ...writing, ...differ, limit: tellBand(check, band, reading) };
    }
  }
}

function unitOf(check: MeasuredCheck, reading: Reading): CheckUnit | undefined {
  const units: readonly string[] = QUANTITY_UNITS[check.quantity];
  const said = reading.one.cells.unit || check.unit;
  const unit = units.find((u) => u.toLowerCase() === said.toLowerCase());
  return unit
    ? (unit as CheckUnit)
    : wrong(reading, 'unit', `a unit of ${check.quantity}: ${units.join(', ')}`);
}

function styleOf({ quantity, style, unit }: MeasuredCheck, wanted: string): MeasuredCheck['style'] {
  if (quantity !== 'length') return 'plain';
  if (wanted === unit) return style;
  return wanted === 'in' ? 'inThou' : 'mm';
}

const pitchesOf = ({ limit }: MeasuredCheck): object =>
  (limit.type === 'elongation' || limit.type === 'open') && limit.pitches !== undefined
    ? { pitches: limit.pitches }
    : {};

function tellWear(
  nominal: number | undefined,
  limit: number | undefined,
  reading: Reading,
): object | undefined {
  const { cells } = reading.one;
  if (!cells.new) return wrong(reading, 'new', 'the size when new too: it says which way it wears');
  if (!cells.limit) return wrong(reading, 'limit', 'the limit too: at it, it is out');
  if (nominal === undefined || limit === undefined) return undefined;
  if (nominal === limit)
    return wrong(reading, 'limit', 'a limit that differs from the size when new');
  return { type: 'wear', nominal, limit, wornSide: limit < nominal ? 'smaller' : 'larger' };
}

function tellChain(
  check: MeasuredCheck,
  pitch: number | undefined,
  reading: Reading,
): object | undefined {
  const { cells } = reading.one;
  if (!cells.new) return wrong(reading, 'new', 'the length of one pitch too');
  const limitPercent = figure(reading, 'limit');
  if (check.limit.type === 'open' && !cells.limit)
    return wrong(reading, 'limit', 'how many % longer it may be');
  const known = check.limit.type === 'elongation' ? check.limit : { pitches: USUAL_PITCHES };
  return { ...known, ...pitchesOf(check), type: 'elongation', pitch, limitPercent };
}
const USUAL_PITCHES = 10;

function tellBand(
  check: MeasuredCheck,
  { new: nominal, low, high }: Readonly<Record<'new' | 'low' | 'high', number | undefined>>,
  reading: Reading,
): object | undefined {
  const { cells } = reading.one;
  if (low !== undefined && high !== undefined && low >= high)
    return wrong(
      reading,
      'low',
      `a lowest below the highest: ${cells.low} and ${cells.high} stand the wrong way round`,
    );
  const known = check.limit.type === 'band' ? check.limit : { type: 'band' as const };
  return { ...known, low, nominal, high };
}

function tellMark({ gauge, maxSideDifference }: CheckOf<'mark'>, reading: Reading): object {
  return {
    gauge: {
      ...gauge,
      short: figure(reading, 'low') ?? 0,
      past: figure(reading, 'high') ?? 0,
    },
    maxSideDifference: figure(reading, 'limit') ?? maxSideDifference,
  };
}

/** An adjuster is known when slot and chain both are; with neither it is still to be entered. */
function tellTravel(check: Check, slot: Reading, chain: Written | undefined): object {
  if (!chain) return {};
  const loop: Reading = { one: chain, troubles: slot.troubles };
  const cells = [
    [slot, 'new'],
    [slot, 'low'],
    [loop, 'new'],
    [loop, 'high'],
    [loop, 'limit'],
  ] as const;
  const filled = cells.filter(([r, c]) => r.one.cells[c] !== '');
  if (!filled.length) return { takeUp: undefined, takeUpToEnter: true };
  const [total, reserve, pitch, loopPitches, limitPercent] = cells.map(([r, c]) => figure(r, c));
  for (const [r, c] of cells)
    if (r.one.cells[c] === '')
      wrong(r, c, `${r.one.row.asks[c] ?? c} too: slot and chain are entered together`);
  if (total !== undefined && reserve !== undefined && reserve >= total)
    wrong(slot, 'low', `less than the whole travel: ${reserve} and ${total} mm`);
  const known = takeUpOf(check);
  return {
    takeUpToEnter: undefined,
    takeUp: {
      strandsPerTravel: known?.strandsPerTravel ?? 2,
      resolution: known?.resolution ?? 1,
      total,
      reserve,
      pitch,
      loopPitches,
      limitPercent,
    },
  };
}

/** "malting barley: fitted; lentils + Merle 10: stored"; reasons that were there stay. */
function readOptions(
  check: CheckOf<'setting'>,
  reading: Reading,
): CheckOf<'setting'>['expected'] | undefined {
  const pieces = reading.one.cells.new
    .split(';')
    .map((p) => p.trim())
    .filter(Boolean);
  return pieces.flatMap((piece) => {
    const [, who, option] = /^(.+?):\s*(.+)$/.exec(piece) ?? [];
    const known = check.options.find((o) => o.toLowerCase() === option?.toLowerCase());
    if (!who || !known) {
      wrong(reading, 'new', `"${piece}" is not crop: option, one of ${check.options.join(', ')}`);
      return [];
    }
    const [crop = '', header] = who.split('+').map((w) => w.trim());
    const named = {
      ...(crop && crop !== 'any' ? { crop } : {}),
      ...(header ? { header } : {}),
    };
    const was = check.expected.find(
      (e) => e.crop === named.crop && e.header === named.header && e.option === known,
    );
    return [was ?? { ...named, option: known }];
  });
}
