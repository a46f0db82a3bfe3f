import type { CheckKind, CheckOf, MeasuredCheck, TakeUp } from '@green-tally/core/contracts';
import { printAs } from '@green-tally/core/units';
import { worstPlace, type CheckVerdict, type PlaceVerdict } from '@green-tally/core/verdict';
import { BandStrip, TallyStrip } from '../ui';

/** What each kind of check is drawn as; nothing where there is no line to lay it on. */
const STRIPS: {
  readonly [K in CheckKind]: (
    check: CheckOf<K>,
    places: readonly PlaceVerdict[],
    worst: PlaceVerdict,
  ) => React.ReactNode;
} = {
  measure: (check, places, worst) => measuredStrip(check, places, worst),
  series: (check, places, worst) => measuredStrip(check, places, worst),
  mark: (check, places) => travelStrip(check, places),
  feel: (check, places) => travelStrip(check, places),
  gonogo: () => null,
  count: () => null,
  condition: () => null,
  level: () => null,
  setting: () => null,
  service: () => null,
};

/**
 * The strip that fits a check: wear on the tally strip, tension and travel on its sibling, counts
 * on neither.
 */
export function CheckStrip({ verdict }: { verdict: CheckVerdict }) {
  const worst = worstPlace(verdict);
  return worst ? stripOf(verdict.check, verdict.places, worst) : null;
}

const stripOf = <K extends CheckKind>(
  check: CheckOf<K> & { kind: K },
  places: readonly PlaceVerdict[],
  worst: PlaceVerdict,
): React.ReactNode => STRIPS[check.kind](check, places, worst);

function measuredStrip(check: MeasuredCheck, places: readonly PlaceVerdict[], worst: PlaceVerdict) {
  if (check.limit.type === 'band') return bandStrip(check, places);
  return worst.ticks.length ? (
    <TallyStrip name={check.component} ticks={worst.ticks} forecast={worst.forecast} />
  ) : null;
}

/** Readings of a check that is set, on its band. */
function bandStrip(check: MeasuredCheck, places: readonly PlaceVerdict[]) {
  const ticks = ticksOf(places, (p) => p.value);
  if (!ticks.length || check.limit.type !== 'band') return null;
  const values = ticks.map((t) => t.value);
  const low = check.limit.low ?? Math.min(0, ...values);
  const high = check.limit.high ?? Math.max(low * 1.5, ...values);
  const margin = (high - low) / 2;
  return (
    <BandStrip
      name={`${check.component}, ${check.measures}`}
      from={Math.max(0, Math.min(low - margin, ...values))}
      to={Math.max(high + margin, ...values)}
      low={low}
      high={high}
      ticks={ticks}
      write={(v) => printAs(v, check, 2)}
    />
  );
}

function travelStrip(
  { component, takeUp }: { component: string; takeUp?: TakeUp | undefined },
  places: readonly PlaceVerdict[],
) {
  const ticks = ticksOf(places, (p) => p.travelLeft);
  return takeUp && ticks.length ? (
    <BandStrip
      name={`${component}, travel left`}
      from={0}
      to={takeUp.total}
      low={takeUp.reserve}
      high={takeUp.total}
      ticks={ticks}
    />
  ) : null;
}

const ticksOf = (
  places: readonly PlaceVerdict[],
  valueOf: (place: PlaceVerdict) => number | undefined,
) =>
  places.flatMap((p) => {
    const value = valueOf(p);
    return value === undefined ? [] : [{ label: p.place, value }];
  });
