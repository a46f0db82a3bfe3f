import { takeUpOf } from '../contracts';
import { type ReportStrip } from '../contracts/report';
import { worstPlace, type CheckVerdict, type PlaceVerdict } from '../verdict';

/** The strip that fits a verdict, as a report draws it; null where there is no line to lay it on. */
export function reportStrip(verdict: CheckVerdict): ReportStrip | null {
  const { check, places } = verdict;
  const worst = worstPlace(verdict);
  if (!worst) return null;
  if (check.kind === 'mark' || check.kind === 'feel') {
    const takeUp = takeUpOf(check);
    const ticks = ticksOf(places, (p) => p.travelLeft);
    if (!takeUp || !ticks.length) return null;
    return {
      kind: 'band',
      from: 0,
      to: takeUp.total,
      low: takeUp.reserve,
      high: takeUp.total,
      ticks,
      unit: 'mm',
    };
  }
  if (check.kind !== 'measure' && check.kind !== 'series') return null;
  const { limit } = check;
  if (limit.type !== 'band') {
    if (!worst.ticks.length) return null;
    const ticks = worst.ticks.map(({ wear, struck }) => ({ wear, struck }));
    const { forecast } = worst;
    return {
      kind: 'wear',
      ticks,
      forecast: forecast
        ? { low: forecast.low, middle: forecast.middle, high: forecast.high }
        : null,
    };
  }
  const ticks = ticksOf(places, (p) => p.value);
  if (!ticks.length) return null;
  const values = ticks.map((t) => t.value);
  const low = limit.low ?? Math.min(0, ...values);
  const high = limit.high ?? Math.max(low * 1.5, ...values);
  const margin = (high - low) / 2;
  return {
    ...{ kind: 'band', low, high, ticks, unit: check.quantity === 'length' ? 'mm' : check.unit },
    from: Math.max(0, Math.min(low - margin, ...values)),
    to: Math.max(high + margin, ...values),
  };
}

const ticksOf = (
  places: readonly PlaceVerdict[],
  valueOf: (place: PlaceVerdict) => number | undefined,
): { label: string; value: number }[] =>
  places.flatMap((p) => {
    const value = valueOf(p);
    return value === undefined ? [] : [{ label: p.place, value }];
  });
