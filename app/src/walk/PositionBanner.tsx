import { format } from 'date-fns/format';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import type { Check } from '@green-tally/core/contracts';
import { Body, Card, Press, Quiet, Strong, Tap, usePalette } from '../ui';
import { confirmPosition } from './session';

interface PositionBannerProps {
  readonly walkId: string;
  readonly check: Check;
  /** when it was confirmed, "" when not */
  readonly confirmedAt: string;
  readonly now: () => Date;
  readonly onChange: () => void;
}

/** How the machine must stand: confirmed once, void when it was moved. A reading in another position is void. */
export function PositionBanner({ walkId, check, confirmedAt, now, onChange }: PositionBannerProps) {
  const palette = usePalette();
  const set = (at: string) => {
    confirmPosition(walkId, check.position, at);
    onChange();
  };
  if (!confirmedAt) {
    return (
      <Card edge="violet" fill="violetTint" testID="position">
        <Strong>Set the machine like this</Strong>
        <Body style={{ fontSize: 20, lineHeight: 27 }}>{`${check.position}.`}</Body>
        {check.safety.map((s) => (
          <Quiet key={s}>{s}</Quiet>
        ))}
        <Press
          fill="pine"
          title="It stands like this"
          testID="confirm position"
          onPress={() => set(now().toISOString())}
        />
      </Card>
    );
  }
  return (
    <View
      style={{
        backgroundColor: palette.pineTint,
        borderRadius: 14,
        padding: 12,
        flexDirection: 'row',
        alignItems: 'center',
        gap: 10,
      }}
      testID="position"
    >
      <Svg width={30} height={30} viewBox="0 0 24 24" aria-hidden>
        <Path
          d="M3 20h18M6 20v-9l6-5 6 5v4"
          stroke={palette.pine}
          strokeWidth={2.4}
          fill="none"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      </Svg>
      <View style={{ flex: 1 }}>
        <Strong>{check.position}</Strong>
        <Quiet>{`confirmed ${format(new Date(confirmedAt), 'HH:mm')}`}</Quiet>
      </View>
      <Tap
        label="The machine was moved: confirm the position again"
        onPress={() => set('')}
        style={{ justifyContent: 'center', paddingHorizontal: 6 }}
      >
        <Strong tone="pine">moved?</Strong>
      </Tap>
    </View>
  );
}
