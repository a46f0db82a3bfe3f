import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import type { KnifePlan, Unbalance } from '@green-tally/core/knives';
import { printNumber } from '@green-tally/core/units';
import { Quiet, SPACE, Strong, usePalette } from '../../ui';

interface PlanesProps {
  readonly before: Unbalance;
  readonly perPlane: number;
  readonly after: KnifePlan['after'] | undefined;
}

/** The unbalance at both bearings against what is permitted: as it is, and after the plan. */
export function Planes({ before, perPlane, after }: PlanesProps) {
  return (
    <View style={styles.both}>
      {(['left', 'right'] as const).map((side) => (
        <Plane
          key={side}
          side={side}
          before={before[side]}
          after={after?.[side]}
          perPlane={perPlane}
        />
      ))}
    </View>
  );
}

interface PlaneProps {
  readonly side: 'left' | 'right';
  readonly before: Unbalance['left'];
  readonly after: Unbalance['left'] | undefined;
  readonly perPlane: number;
}

const SIZE = 140;

function Plane({ side, before, after, perPlane }: PlaneProps) {
  const palette = usePalette();
  const most = Math.max(perPlane * 1.2, before.size, after?.size ?? 0);
  const scale = (0.44 * SIZE) / most;
  const mid = SIZE / 2;
  const times = (size: number) =>
    size <= perPlane
      ? `inside, ${Math.round(100 * (1 - size / perPlane))} % spare`
      : `${printNumber(size / perPlane, size < 10 * perPlane ? 1 : 0)} times too much`;
  const words = `As it is: ${times(before.size)}`;
  const then = after ? `After the plan: ${times(after.size)}` : '';
  const vector = (u: Unbalance['left'], color: string, width: number) => (
    <>
      <Line
        x1={mid}
        y1={mid}
        x2={mid + u.x * scale}
        y2={mid - u.y * scale}
        stroke={color}
        strokeWidth={width}
      />
      <Circle cx={mid + u.x * scale} cy={mid - u.y * scale} r={width + 1} fill={color} />
    </>
  );
  return (
    <View style={styles.plane} testID={`plane ${side}`}>
      <View role="img" aria-label={`${side} bearing. ${words}. ${then}`}>
        <Svg width={SIZE} height={SIZE} aria-hidden>
          <Circle
            cx={mid}
            cy={mid}
            r={0.48 * SIZE}
            fill="none"
            stroke={palette.line}
            strokeWidth={2}
          />
          <Circle
            cx={mid}
            cy={mid}
            r={Math.max(3, perPlane * scale)}
            fill={palette.pineTint}
            stroke={palette.pine}
            strokeWidth={2.5}
          />
          {vector(before, before.size > perPlane ? palette.rust : palette.ink, 5)}
          {after ? vector(after, palette.pine, 3) : null}
        </Svg>
      </View>
      <Strong>{`${side === 'left' ? 'Left' : 'Right'} bearing`}</Strong>
      <Strong tone={before.size > perPlane ? 'rust' : 'pine'}>{words}</Strong>
      {then ? <Quiet>{then}</Quiet> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  both: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  plane: { flex: 1, minWidth: 140, alignItems: 'center' },
});
