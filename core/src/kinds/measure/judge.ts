import type { MeasuredCheck } from '../../contracts';
import { elongation } from '../../chain';
import { judgeRepeats, middleOf, type Finding } from '../../findings';
import { repeatsOf, type PlaceHistory } from '../../history';
import { NOT_MEASURED, shown, type MachineFacts, type Seen, type Shown } from '../kind';
import { withTravel } from '../travel/judge';
import { judgeBand, placesFinding } from './band';
import { forecastDrift } from './drift';
import { forecastWear } from './forecast';
import { toolOf } from './toolOf';
import { priorFor, sheetRate } from './prior';
import { implausibleMeasure } from './plausible';
import { willItLast } from './worthLeaving';
import {
  judgeWear,
  shrinkFinding,
  ticksOf,
  wearLimitsOf,
  type StripTick,
  type WearLimits,
} from './wear';

/**
 * What one or several repeats say against the wear limit or band, and what the travel left adds
 * where there is an adjuster.
 */
export function judgeMeasured(check: MeasuredCheck, seen: Seen, facts: MachineFacts): Shown {
  if (seen.main.value.kind !== 'measure') return shown([NOT_MEASURED]);
  const limits = wearLimitsOf(check);
  const own = limits ? judgeWorn(check, limits, seen, facts) : judgeSet(check, seen, facts);
  return withTravel(check, { seen, facts, own });
}

function judgeSet(check: MeasuredCheck, seen: Seen, facts: MachineFacts): Shown {
  const { readings, main, renewedAt } = seen;
  if (check.limit.type === 'open') return judgeOpen(check, seen);
  if (check.limit.type !== 'band') return shown([NOT_MEASURED]);
  const { findings, value, expandedValue } = judgeBand(check.limit, {
    values: repeatsOf(readings),
    tool: toolOf(readings, check),
    inService: renewedAt === undefined ? undefined : Math.max(0, main.hours - renewedAt),
  });
  const inside = findings.every((f) => f.id === 'inside');
  const lasting = inside ? forecastDrift(check, seen, { facts, expandedValue }) : undefined;
  const later = lasting ? willItLast(check, lasting, seen, facts) : [];
  return shown(later.length ? later : findings, {
    value,
    expandedValue,
    forecast: lasting?.forecast,
  });
}

/** Without a limit a reading is kept, with its ±, and proves nothing. */
function judgeOpen(check: MeasuredCheck, { readings }: Seen): Shown {
  const long = check.limit.type === 'open' && check.limit.wants === 'elongation';
  const repeats = judgeRepeats(repeatsOf(readings), toolOf(readings, check), long, true);
  return shown([], { value: repeats.value, expandedValue: repeats.expanded });
}

function judgeWorn(
  check: MeasuredCheck,
  limits: WearLimits,
  seen: Seen,
  facts: MachineFacts,
): Shown {
  const { main } = seen;
  const worn = judgeWear(check, limits, repeatsOf(seen.readings), toolOf(seen.readings, check));
  const doubtful = cannotBe(check, seen.place);
  const life = ticksOf(limits, seen.place, { until: main.takenAt }).filter(
    (t) => !t.struck && !doubtful.has(t.readingId),
  );
  const prior = priorFor(check, 'wear', { sheet: sheetRate(check), rates: facts.rates });
  const forecast = prior
    ? forecastWear(prior, life, {
        expanded: worn.expanded,
        newAt: seen.renewedAt,
        now: seen.now,
        season: facts.seasonHours,
      })
    : undefined;
  const { limit } = check;
  return shown(
    [
      ...worn.findings,
      ...(shrinkFinding(life, worn.expanded) ?? []),
      ...(forecast && !worn.findings.some((f) => f.id === 'pastLimit' || f.id === 'limitReached')
        ? willItLast(check, { wear: worn.wear, forecast }, seen, facts)
        : []),
    ],
    {
      wear: worn.wear,
      expanded: worn.expanded,
      value: worn.value,
      expandedValue: worn.expandedValue,
      forecast,
      elongation:
        limit.type === 'elongation'
          ? elongation(worn.value, limit.pitches, limit.pitch)
          : undefined,
    },
  );
}

/** Readings that were kept though they cannot well be: nothing is forecast from them. */
const cannotBe = (check: MeasuredCheck, { live }: PlaceHistory): ReadonlySet<string> =>
  new Set(live.flatMap((r) => (implausibleMeasure(check, r.value) ? [r.id] : [])));

/** Places that must agree, where the sheet says by how much. */
export function judgeBetween(
  check: MeasuredCheck,
  places: readonly PlaceHistory[],
): Finding | undefined {
  return check.maxDifference === undefined
    ? undefined
    : placesFinding(
        check.maxDifference,
        places.map((p) => ({ place: p.place, value: valueInForce(p) })),
      );
}

/** Median of what was measured in the state that counts; undefined when nothing was. */
function valueInForce({ inForce }: PlaceHistory): number | undefined {
  const values = repeatsOf(inForce);
  return values.length ? middleOf(values) : undefined;
}

/** Ticks of the life that runs now, where the check wears. */
export function stripOf(check: MeasuredCheck, place: PlaceHistory): readonly StripTick[] {
  const limits = wearLimitsOf(check);
  return limits ? ticksOf(limits, place) : NO_TICKS;
}

const NO_TICKS: readonly StripTick[] = [];
