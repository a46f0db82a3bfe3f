import { StyleSheet, View } from 'react-native';
import { printHours, printNumber } from '@green-tally/core/units';
import {
  verdictSentence,
  worstPlace,
  type CheckVerdict,
  type PlaceVerdict,
} from '@green-tally/core/verdict';
import { DecisionBadge, Go, Quiet, Row, SPACE, Strong } from '../ui';
import { CheckStrip } from './CheckStrip';

interface VerdictSummaryProps {
  readonly verdict: CheckVerdict;
  readonly machineId: string;
}

/** One check on a machine: its name, decision, strip and the sentence with the numbers. */
export function VerdictSummary({ verdict, machineId }: VerdictSummaryProps) {
  const { check, decision } = verdict;
  const worst = worstPlace(verdict);
  if (!worst) return null;
  const where = whereWords(verdict, worst);
  const { forecast } = worst;
  return (
    <Go
      to={`/walk/${machineId}/${check.id}`}
      label={`${check.component}: ${verdictSentence(verdict)}`}
    >
      <View style={styles.summary}>
        <Row apart>
          <View style={styles.name}>
            <Strong>{check.component}</Strong>
            {where ? <Quiet>{where}</Quiet> : null}
          </View>
          <DecisionBadge decision={decision} />
        </Row>
        <CheckStrip verdict={verdict} />
        <Quiet>{verdictSentence(verdict)}</Quiet>
        {forecast && decision === 'holds' && Number.isFinite(forecast.hours10) ? (
          <Quiet>
            {`Reaches its limit in about ${printNumber(forecast.hours10, 0)} to ${printHours(forecast.hours90)}.`}
          </Quiet>
        ) : null}
      </View>
    </Go>
  );
}

/** Which place it is about, and how many more say the same; nothing where there is only one. */
function whereWords({ check, places, decision }: CheckVerdict, worst: PlaceVerdict): string {
  if (check.places.length === 1 || worst.decision !== decision) return '';
  const same = places.filter((p) => p.decision === decision).length;
  const lead = check.kind === 'series' ? 'worst: ' : '';
  return `${lead}${worst.place}${same > 1 ? `, and ${same - 1} more` : ''}`;
}

const styles = StyleSheet.create({
  summary: { gap: SPACE.xs },
  name: { flex: 1, minWidth: 150 },
});
