import { benchFor } from '../benchFor';
import { takeUpOf, type Check, type CheckOf, type Reading, type TakeUp } from '../contracts';
import { live } from '../history';
import { wearLimitsOf } from '../kinds';
import { printNumber } from '../units';
import type { BenchTexts } from './bench';

const text = (value: number | undefined): string | undefined =>
  value === undefined ? undefined : printNumber(value, 4);

/** What is not there stays away, so that the bench's own figure stands. */
const given = (texts: Readonly<Record<string, string | undefined>>): BenchTexts =>
  Object.fromEntries(
    Object.entries(texts).flatMap(([id, t]) => (t === undefined ? [] : [[id, t]])),
  );

/** What a bench is opened with from a check: its sheet's figures, and what was read of it last. */
export function benchTexts(check: Check, readings: readonly Reading[]): BenchTexts {
  const place = benchFor(check);
  if (!place) return {};
  const last = live(readings)
    .filter((r) => r.checkId === check.id && ['measure', 'travel'].includes(r.value.kind))
    .reduce<Reading | undefined>((a, b) => (a && a.takenAt > b.takenAt ? a : b), undefined);
  return given({ ...ofSheet(check, place.bench), ...ofReading(check, place.field, last) });
}

function ofReading(check: Check, field: string | null, last: Reading | undefined) {
  const takeUp = takeUpOf(check);
  if (last?.value.kind === 'travel')
    return {
      used: takeUp && text(Math.max(0, takeUp.total - last.value.left)),
      out: text(last.value.linksOut),
    };
  const value = last?.value;
  // core's own unit, which is the bench's as well
  return field && value?.kind === 'measure' ? { [field]: text(value.values.at(-1)) } : {};
}

type Texts = Readonly<Record<string, string | undefined>>;

/** The figures of a check's sheet, by the names of a bench's fields. */
function ofSheet(check: Check, bench: string): Texts {
  const takeUp = takeUpOf(check);
  return {
    ...(takeUp && bench === 'chain' ? ofAdjuster(takeUp) : {}),
    ...(check.kind === 'measure' || check.kind === 'series' ? ofLimit(check, bench) : {}),
    ...(bench === 'chain' ? { uncertainty: text(check.tool.resolution) } : {}),
    ...(check.kind === 'count' && check.total ? ofSet(check.total, check.parts[0]?.soldIn) : {}),
  };
}

const ofAdjuster = (takeUp: TakeUp): Texts => ({
  travel: text(takeUp.total),
  reserve: text(takeUp.reserve),
  strands: text(takeUp.strandsPerTravel),
  pitch: text(takeUp.pitch),
  loop: text(takeUp.loopPitches),
  limit: text(takeUp.limitPercent),
});

/** Most rotors have four rows of hangers; a number that four does not divide hangs in two. */
const ofSet = (total: number, soldIn: number | undefined): Texts => {
  const rows = total % 4 ? 2 : 4;
  return { rows: text(rows), along: text(Math.ceil(total / rows)), set: text(soldIn) };
};

function ofLimit(check: CheckOf<'measure' | 'series'>, bench: string): Texts {
  const { limit } = check;
  if (limit.type === 'elongation')
    return {
      pitch: text(limit.pitch),
      pitches: text(limit.pitches),
      // the one that its verdict goes by, of the sheet or by the shop rule
      limit: text(wearLimitsOf(check)?.limitPercent),
      large: text(limit.largerSprocketTeeth),
    };
  if (limit.type === 'wear' && bench === 'belt') return { section: text(limit.nominal) };
  if (limit.type === 'wear' && bench === 'sprocket')
    return { nominal: text(limit.nominal), limit: text(limit.limit) };
  if (limit.type === 'band' && bench === 'drive')
    return { gapLow: text(limit.low), gapHigh: text(limit.high), gap: text(limit.nominal) };
  return {};
}
