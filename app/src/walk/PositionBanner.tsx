import { format } from 'date-fns/format';
import { StyleSheet, View } from 'react-native';
import type { Check } from '@green-tally/core/contracts';
import { Body, Card, Press, Quiet, RADIUS, SPACE, Strong, Tap, TYPE, usePalette } from '../ui';

interface PositionBannerProps {
  readonly check: Check;
  /** when it was confirmed, "" when not */
  readonly confirmedAt: string;
  readonly onConfirm: () => void;
  readonly onMoved: () => void;
}

/**
 * How the machine must stand: confirmed once, void when it was moved. A reading in another position
 * is void.
 */
export function PositionBanner({ check, confirmedAt, onConfirm, onMoved }: PositionBannerProps) {
  const palette = usePalette();
  if (!confirmedAt)
    return (
      <Card edge="violet" fill="violetTint" testID="position">
        <Strong>Set the machine like this</Strong>
        <Body style={TYPE.said}>{`${check.position}.`}</Body>
        {check.safety.map((s) => (
          <Quiet key={s}>{s}</Quiet>
        ))}
        <Press
          fill="pine"
          title="It stands like this"
          testID="confirm position"
          onPress={onConfirm}
        />
      </Card>
    );
  return (
    <View style={[styles.set, { backgroundColor: palette.pineTint }]} testID="position">
      <Quiet style={styles.words}>
        {`${check.position} · confirmed ${format(new Date(confirmedAt), 'HH:mm')}`}
      </Quiet>
      <Tap
        label="The machine was moved: confirm the position again"
        onPress={onMoved}
        style={styles.moved}
      >
        <Strong tone="pine">moved?</Strong>
      </Tap>
    </View>
  );
}

const styles = StyleSheet.create({
  set: {
    borderRadius: RADIUS.m,
    paddingHorizontal: SPACE.m,
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
  },
  words: { flex: 1 },
  moved: { justifyContent: 'center', paddingHorizontal: SPACE.xs },
});
