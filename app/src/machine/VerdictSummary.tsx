import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { takeUpOf } from '@green-tally/core/contracts';
import { headSentence, type CheckVerdict } from '@green-tally/core/verdict';
import { printAs, printHours, printNumber } from '@green-tally/core/units';
import { BandStrip, DecisionBadge, Quiet, Row, Strong, Tap, TallyStrip } from '../ui';

/** The place of a check that speaks loudest: its decision, then its wear. */
export function worstPlace(verdict: CheckVerdict) {
  const same = verdict.places.filter((p) => p.decision === verdict.decision);
  return [...same].sort((a, b) => (b.wear ?? 0) - (a.wear ?? 0))[0];
}

interface VerdictSummaryProps {
  readonly verdict: CheckVerdict;
  readonly machineId: string;
}

/** One check on a machine: its name, decision, strip and the sentence with the numbers. */
export function VerdictSummary({ verdict, machineId }: VerdictSummaryProps) {
  const router = useRouter();
  const { check } = verdict;
  const worst = worstPlace(verdict);
  if (!worst) return null;
  const others = verdict.places.filter((p) => p.decision === verdict.decision).length;
  const where =
    check.places.length > 1
      ? `${check.kind === 'series' ? 'worst: ' : ''}${worst.place}${others > 1 ? `, and ${others - 1} more` : ''}`
      : '';
  const forecast = worst.forecast;
  return (
    <Tap
      label={`${check.component}: ${headSentence(check, worst.findings)}`}
      onPress={() => router.push(`/walk/${machineId}/${check.id}`)}
    >
      <View style={{ gap: 4 }}>
        <Row style={{ justifyContent: 'space-between' }}>
          <View style={{ flex: 1, minWidth: 150 }}>
            <Strong>{check.component}</Strong>
            {where ? <Quiet>{where}</Quiet> : null}
          </View>
          <DecisionBadge decision={verdict.decision} />
        </Row>
        <CheckStrip verdict={verdict} />
        <Quiet>{headSentence(check, worst.findings)}</Quiet>
        {forecast && verdict.decision === 'holds' && Number.isFinite(forecast.hours10) ? (
          <Quiet>{`Reaches its limit in about ${printNumber(forecast.hours10, 0)} to ${printHours(forecast.hours90)}.`}</Quiet>
        ) : null}
      </View>
    </Tap>
  );
}

/** The strip that fits a check: wear on the tally strip, tension and travel on its sibling, counts on neither. */
export function CheckStrip({ verdict, place }: { verdict: CheckVerdict; place?: string }) {
  const { check } = verdict;
  const worst = verdict.places.find((p) => p.place === place) ?? worstPlace(verdict);
  if (!worst) return null;
  if (check.kind === 'measure' || check.kind === 'series') {
    if (check.limit.type === 'band') return <MeasuredBand verdict={verdict} />;
    return worst.ticks.length ? (
      <TallyStrip name={check.component} ticks={worst.ticks} forecast={worst.forecast} />
    ) : null;
  }
  const takeUp = takeUpOf(check);
  if (!takeUp) return null;
  const ticks = verdict.places.flatMap((p) =>
    p.travelLeft === undefined ? [] : [{ label: p.place, value: p.travelLeft }],
  );
  return ticks.length ? (
    <BandStrip
      name={`${check.component}, travel left`}
      from={0}
      to={takeUp.total}
      low={takeUp.reserve}
      high={takeUp.total}
      ticks={ticks}
    />
  ) : null;
}

/** Readings of a check that is set, on its band. */
function MeasuredBand({ verdict: { check, places } }: { verdict: CheckVerdict }) {
  if ((check.kind !== 'measure' && check.kind !== 'series') || check.limit.type !== 'band')
    return null;
  const ticks = places.flatMap((p) =>
    p.value === undefined ? [] : [{ label: p.place, value: p.value }],
  );
  if (!ticks.length) return null;
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
