import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { headSentence, type CheckVerdict } from '@green-tally/core/verdict';
import { printHours, printNumber } from '@green-tally/core/units';
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
  const where = check.places.length > 1 ? `${check.kind === 'series' ? 'worst: ' : ''}${worst.place}${others > 1 ? `, and ${others - 1} more` : ''}` : '';
  const forecast = worst.forecast;
  return (
    <Tap label={`${check.component}: ${headSentence(check, worst.findings)}`} onPress={() => router.push(`/walk/${machineId}/${check.id}`)}>
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
        {forecast && verdict.decision === 'holds' && Number.isFinite(forecast.hours10) ? <Quiet>{`Reaches its limit in about ${printNumber(forecast.hours10, 0)} to ${printHours(forecast.hours90)}.`}</Quiet> : null}
      </View>
    </Tap>
  );
}

/** The strip that fits a check: wear on the tally strip, tension and travel on its sibling, counts on neither. */
export function CheckStrip({ verdict, place }: { verdict: CheckVerdict; place?: string }) {
  const { check } = verdict;
  const worst = verdict.places.find((p) => p.place === place) ?? worstPlace(verdict);
  if (!worst) return null;
  if (check.kind === 'measure' || check.kind === 'series') return worst.ticks.length ? <TallyStrip name={check.component} ticks={worst.ticks} forecast={worst.forecast} /> : null;
  if (check.kind === 'count') return null;
  const ticks = verdict.places.flatMap((p) => (p.travelLeft === undefined ? [] : [{ label: p.place, value: p.travelLeft }]));
  return ticks.length ? <BandStrip name={`${check.component}, travel left`} from={0} to={check.takeUp.total} low={check.takeUp.reserve} high={check.takeUp.total} ticks={ticks} /> : null;
}
