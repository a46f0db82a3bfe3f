import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { Check, Decision, MachineFile } from '@green-tally/core/contracts';
import { loudest, needsHand } from '@green-tally/core/findings';
import { type CheckVerdict, DECISION_WORDS } from '@green-tally/core/verdict';
import { checksFor } from '@green-tally/core/walk';
import { Card, DECISION_FILL, FONT, Quiet, Tap, usePalette } from '../ui';
import { HEIGHT, KEY_SHARE, keysOf, RADIUS_OF_KEY, WIDTH, type StationKey } from './stationKeys';

interface MachineDrawingProps {
  readonly file: MachineFile;
  readonly verdicts: readonly CheckVerdict[];
}

/**
 * Our own side view of a combine and its header, of no real machine, with its stations to tap;
 * filled where work is due.
 */
export function MachineDrawing({ file, verdicts }: MachineDrawingProps) {
  const router = useRouter();
  const checks = checksFor(file.machine, file.sheets);
  const stations = stationsOf(checks, verdicts);
  return (
    <Card>
      <View style={styles.drawing}>
        <Svg width="100%" height="100%" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
          <SideView header={Boolean(file.machine.header)} />
          {stations.map((s) => (
            <KeyDrawn key={s.number} station={s} />
          ))}
        </Svg>
        {stations.map((s) => (
          <View
            key={s.number}
            style={[
              styles.target,
              { left: `${s.left * 100}%` },
              s.above ? styles.top : styles.foot,
            ]}
          >
            <Tap
              label={`Station ${s.number}, ${s.name}: ${s.decision ? DECISION_WORDS[s.decision] : 'not measured'}`}
              onPress={() => router.push(`/walk/${file.machine.id}/${s.first}`)}
              style={styles.key}
            >
              <View />
            </Tap>
          </View>
        ))}
      </View>
      <Quiet>
        {verdicts.some((v) => needsHand(v.decision))
          ? 'Tap a number. Filled: work is due there.'
          : 'Tap a number. Dashed: not measured yet.'}
      </Quiet>
    </Card>
  );
}

interface Station extends StationKey {
  readonly name: string;
  /** id of its first check */
  readonly first: string;
  readonly decision: Decision | undefined;
}

function stationsOf(
  checks: readonly Check[],
  verdicts: readonly CheckVerdict[],
): readonly Station[] {
  return keysOf([...new Set(checks.map((c) => c.station))]).map((key) => {
    const first = checks.find((c) => c.station === key.number);
    const own = verdicts.filter((v) => v.check.station === key.number).map((v) => v.decision);
    return {
      ...key,
      name: first?.stationName ?? '',
      first: first?.id ?? '',
      decision: own.length ? loudest(own) : undefined,
    };
  });
}

/** A station's number in its row, with the line to where it lies. */
function KeyDrawn({ station: { number, decision, key, at } }: { station: Station }) {
  const palette = usePalette();
  const fill = decision ? DECISION_FILL[decision] : undefined;
  return (
    <G>
      <Line
        x1={key[0]}
        y1={key[1]}
        x2={at[0]}
        y2={at[1]}
        stroke={palette.quiet}
        strokeWidth={1.2}
      />
      <Circle cx={at[0]} cy={at[1]} r={3.4} fill={fill ? palette[fill] : palette.ink} />
      <Circle
        cx={key[0]}
        cy={key[1]}
        r={RADIUS_OF_KEY}
        fill={fill ? palette[fill] : palette.card}
        stroke={fill ? palette.card : palette.ink}
        strokeWidth={2.2}
        strokeDasharray={decision ? undefined : '3 3'}
      />
      <SvgText
        x={key[0]}
        y={key[1] + 5.5}
        fontSize={16}
        fontFamily={FONT.bold}
        textAnchor="middle"
        fill={fill ? palette.onFill : palette.ink}
      >
        {number}
      </SvgText>
    </G>
  );
}

function SideView({ header }: { header: boolean }) {
  const palette = usePalette();
  return (
    <G transform="translate(0 38)">
      <G
        stroke={palette.ink}
        strokeWidth={2.2}
        strokeLinejoin="round"
        strokeLinecap="round"
        fill={palette.tray}
      >
        <Path d="M14 152 L8 132 L30 118 L58 118 L62 156 L22 156 Z" />
        <Path d="M62 124 L70 120 L136 96 L142 122 L74 150 L62 150 Z" />
        <Path d="M136 76 L292 76 L312 92 L312 138 L136 138 Z" />
        <Path d="M136 90 L122 90 L114 78 L120 44 L156 40 L166 76 L136 76 Z" fill={palette.card} />
        <Path d="M122 76 L126 50 L148 47 L154 76 Z" fill={palette.paper} strokeWidth={1.6} />
        <Path d="M170 76 L178 48 L262 48 L270 76 Z" />
        <Path d="M270 76 L274 60 L296 60 L296 78 Z" />
        <Path d="M312 94 L340 104 L336 140 L312 136 Z" />
        <Path d="M224 48 L226 38 L318 30 L326 36 L320 42 L236 48" fill={palette.card} />
      </G>
      {header ? (
        <G stroke={palette.ink} strokeWidth={2} fill="none">
          <Path d="M30 118 L24 104 L40 98 L52 118" />
          <Line x1={8} y1={132} x2={58} y2={128} />
        </G>
      ) : null}
      <G stroke={palette.ink} strokeWidth={2.4} fill={palette.card}>
        <Circle cx={158} cy={150} r={32} />
        <Circle cx={158} cy={150} r={13} />
        <Circle cx={282} cy={160} r={20} />
        <Circle cx={282} cy={160} r={8} />
      </G>
      <Line x1={2} y1={183} x2={358} y2={183} stroke={palette.line} strokeWidth={3} />
      <G stroke={palette.quiet} strokeWidth={1.4} fill="none">
        <Path d="M78 140 L136 116" strokeDasharray="4 3" />
        <Rect x={170} y={92} width={120} height={16} rx={8} />
        <Path d="M150 126 H300" strokeDasharray="6 4" />
      </G>
    </G>
  );
}

const styles = StyleSheet.create({
  drawing: { width: '100%', maxWidth: 620, alignSelf: 'center', aspectRatio: WIDTH / HEIGHT },
  target: { position: 'absolute', width: `${KEY_SHARE * 100}%`, height: '17%' },
  top: { top: 0 },
  foot: { bottom: 0 },
  key: { width: '100%', height: '100%' },
});
