import { useRouter } from 'expo-router';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { Decision, MachineFile } from '@green-tally/core/contracts';
import { loudest, needsHand } from '@green-tally/core/findings';
import { type CheckVerdict, DECISION_WORDS } from '@green-tally/core/verdict';
import { checksFor } from '@green-tally/core/walk';
import { Card, DECISION_FILL, FONT, Quiet, Tap, usePalette } from '../ui';

/** Where each station lies on the drawing, in its 360 × 190 units. */
const PLACE: Readonly<Record<number, readonly [number, number]>> = {
  1: [30, 148],
  2: [34, 128],
  3: [78, 112],
  4: [104, 118],
  5: [132, 84],
  6: [176, 104],
  7: [216, 134],
  8: [190, 66],
  9: [236, 92],
  10: [262, 116],
  11: [278, 66],
  12: [318, 112],
  13: [150, 44],
  14: [128, 150],
};
const KEY = 48;

interface MachineDrawingProps {
  readonly file: MachineFile;
  readonly verdicts: readonly CheckVerdict[];
}

/** Our own side view of a combine and its header, of no real machine, with its stations to tap; filled where work is due. */
export function MachineDrawing({ file, verdicts }: MachineDrawingProps) {
  const palette = usePalette();
  const router = useRouter();
  const checks = checksFor(file.machine, file.sheets);
  const stations = [...new Set(checks.map((c) => c.station))].sort((a, b) => a - b);
  const stateOf = (station: number): { decision: Decision | undefined; name: string } => {
    const own = verdicts.filter((v) => v.check.station === station);
    return {
      decision: own.length ? loudest(own.map((v) => v.decision)) : undefined,
      name: checks.find((c) => c.station === station)?.stationName ?? '',
    };
  };
  return (
    <Card>
      <View style={{ width: '100%', maxWidth: 620, alignSelf: 'center', aspectRatio: 360 / 190 }}>
        <Svg width="100%" height="100%" viewBox="0 0 360 190" aria-hidden>
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
            <Path
              d="M136 90 L122 90 L114 78 L120 44 L156 40 L166 76 L136 76 Z"
              fill={palette.card}
            />
            <Path d="M122 76 L126 50 L148 47 L154 76 Z" fill={palette.paper} strokeWidth={1.6} />
            <Path d="M170 76 L178 48 L262 48 L270 76 Z" />
            <Path d="M270 76 L274 60 L296 60 L296 78 Z" />
            <Path d="M312 94 L340 104 L336 140 L312 136 Z" />
            <Path d="M224 48 L226 38 L318 30 L326 36 L320 42 L236 48" fill={palette.card} />
          </G>
          {file.machine.header ? (
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
          {stations.map((station) => {
            const [x, y] = PLACE[station] ?? [180, 100];
            const { decision } = stateOf(station);
            const fill = decision ? DECISION_FILL[decision] : undefined;
            return (
              <G key={station}>
                <Circle
                  cx={x}
                  cy={y}
                  r={13}
                  fill={fill ? palette[fill] : palette.card}
                  stroke={fill ? palette.card : palette.ink}
                  strokeWidth={2.4}
                  strokeDasharray={decision ? undefined : '3 3'}
                />
                <SvgText
                  x={x}
                  y={y + 5}
                  fontSize={14}
                  fontFamily={FONT.bold}
                  textAnchor="middle"
                  fill={fill ? palette.onFill : palette.ink}
                >
                  {station}
                </SvgText>
              </G>
            );
          })}
        </Svg>
        {stations.map((station) => {
          const [x, y] = PLACE[station] ?? [180, 100];
          const { decision, name } = stateOf(station);
          const check = checks.find((c) => c.station === station);
          return (
            <View
              key={station}
              style={{
                position: 'absolute',
                left: `${(x / 360) * 100}%`,
                top: `${(y / 190) * 100}%`,
                marginLeft: -KEY / 2,
                marginTop: -KEY / 2,
              }}
            >
              <Tap
                label={`Station ${station}, ${name}: ${decision ? DECISION_WORDS[decision] : 'not measured'}`}
                onPress={() => router.push(`/walk/${file.machine.id}/${check?.id ?? ''}`)}
                style={{ width: KEY, height: KEY, borderRadius: KEY / 2 }}
              >
                <View />
              </Tap>
            </View>
          );
        })}
      </View>
      <Quiet>
        {verdicts.some((v) => needsHand(v.decision))
          ? 'Tap a station. Filled: work is due there.'
          : 'Tap a station. Dashed: not measured yet.'}
      </Quiet>
    </Card>
  );
}
