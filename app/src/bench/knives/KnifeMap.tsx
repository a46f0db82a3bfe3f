import { StyleSheet, View } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import { KNIFE_STATES, placeWords, type KnifeState } from '@green-tally/core/bench';
import { Quiet, Row, SPACE, Tap, usePalette, type Palette } from '../../ui';

interface KnifeMapProps {
  readonly states: readonly KnifeState[];
  readonly along: number;
  readonly chosen: number | undefined;
  /** places that the plan renews */
  readonly renewed: readonly number[];
  readonly onChoose: (place: number) => void;
}

/** The rotor unrolled: a line for each row of hangers. What a knife is stands in its shape. */
export function KnifeMap({ states, along, chosen, renewed, onChoose }: KnifeMapProps) {
  const palette = usePalette();
  const rows = Math.ceil(states.length / along);
  return (
    <View style={styles.map} testID="knife map">
      {Array.from({ length: rows }, (_, row) => (
        <View key={row} style={styles.row}>
          {states.slice(row * along, (row + 1) * along).map((state, k) => {
            const i = row * along + k;
            return (
              <Tap
                key={i}
                label={`${placeWords(i, along)}: ${KNIFE_STATES[state].title}${renewed.includes(i) ? ', renew it' : ''}`}
                role="radio"
                selected={chosen === i}
                onPress={() => onChoose(i)}
                style={[
                  styles.cell,
                  { backgroundColor: chosen === i ? palette.blueTint : 'transparent' },
                ]}
              >
                <Knife state={state} renew={renewed.includes(i)} palette={palette} />
              </Tap>
            );
          })}
        </View>
      ))}
      <Row gap={SPACE.m}>
        {(['m', 'd', '1', '2', 'n'] as const).map((state) => (
          <View key={state} style={styles.key}>
            <View style={styles.sample}>
              <Knife state={state} renew={false} palette={palette} />
            </View>
            <Quiet>{KNIFE_STATES[state].title.toLowerCase()}</Quiet>
          </View>
        ))}
        <View style={styles.key}>
          <View style={styles.sample}>
            <Knife state="." renew palette={palette} />
          </View>
          <Quiet>renew it</Quiet>
        </View>
      </Row>
    </View>
  );
}

interface KnifeProps {
  readonly state: KnifeState;
  readonly renew: boolean;
  readonly palette: Palette;
}

function Knife({ state, renew, palette }: KnifeProps) {
  const bad = KNIFE_STATES[state].spent;
  const ink = bad ? palette.rust : state === 'n' ? palette.pine : palette.ink;
  return (
    <Svg width="100%" height="100%" viewBox="0 0 24 44" preserveAspectRatio="none" aria-hidden>
      <Rect
        x={2}
        y={2}
        width={20}
        height={40}
        rx={4}
        fill={
          renew
            ? palette.rustTint
            : state === 'n'
              ? palette.pineTint
              : state === '.' || state === 'm'
                ? palette.card
                : palette.tray
        }
        stroke={ink}
        strokeWidth={state === '.' ? 1.8 : 3}
        {...(state === 'm' ? { strokeDasharray: '4 3' } : {})}
      />
      {state === '1' || state === '2' ? (
        <Line x1={6} y1={10} x2={18} y2={20} stroke={ink} strokeWidth={3} />
      ) : null}
      {state === '2' ? <Line x1={18} y1={26} x2={6} y2={36} stroke={ink} strokeWidth={3} /> : null}
      {state === 'd' ? (
        <>
          <Line x1={6} y1={14} x2={18} y2={30} stroke={ink} strokeWidth={3} />
          <Line x1={18} y1={14} x2={6} y2={30} stroke={ink} strokeWidth={3} />
        </>
      ) : null}
      {state === 'n' ? <Line x1={6} y1={12} x2={18} y2={12} stroke={ink} strokeWidth={4} /> : null}
    </Svg>
  );
}

const styles = StyleSheet.create({
  map: { gap: SPACE.s },
  row: { flexDirection: 'row', gap: 2 },
  cell: { flex: 1, minWidth: 0, height: 56, minHeight: 56, padding: 1, borderRadius: 4 },
  key: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs },
  sample: { width: 16, height: 30 },
});
