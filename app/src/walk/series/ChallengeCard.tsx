import { StyleSheet, View } from 'react-native';
import type { MeasuredCheck } from '@green-tally/core/contracts';
import { printAs } from '@green-tally/core/units';
import { Buttons, Glyph, Press, Row, SPACE, Strong, usePalette } from '../../ui';
import type { Challenge } from './useSeries';

interface ChallengeCardProps {
  readonly check: MeasuredCheck;
  readonly challenge: Challenge;
  readonly onRetake: () => void;
  readonly onKeep: () => void;
}

/** A value out of the family: taken again, or kept by a person's word. */
export function ChallengeCard({ check, challenge, onRetake, onKeep }: ChallengeCardProps) {
  const palette = usePalette();
  return (
    <View role="alert" style={styles.challenge}>
      <Row>
        <Glyph decision="remeasure" color={palette.violet} />
        <Strong style={styles.grows} testID="challenge">
          {challengeWords(check, challenge)}
        </Strong>
      </Row>
      <Buttons>
        <Press style={styles.grows} title="Retake" onPress={onRetake} />
        <Press style={styles.grows} fill="violet" title="Keep it" onPress={onKeep} />
      </Buttons>
    </View>
  );
}

function challengeWords(check: MeasuredCheck, { taken, by, typed }: Challenge): string {
  const [more, less] = check.limit.type === 'elongation' ? ['longer', 'shorter'] : ['more', 'less'];
  const place = taken.place.charAt(0).toUpperCase() + taken.place.slice(1);
  return `${place}, ${typed}: ${printAs(Math.abs(by), check, 1)} ${by > 0 ? more : less} than its neighbours.`;
}

const styles = StyleSheet.create({ challenge: { gap: SPACE.s }, grows: { flex: 1 } });
