import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Rect, Text as SvgText } from 'react-native-svg';
import { chanceWords } from '@green-tally/core/findings';
import { FONT, usePalette } from './theme';

interface ChanceLineProps {
  /** chance that it goes in harvest, 0 to 1 */
  readonly chance: number;
  /** chance from which it is worth doing now, 0 to 1 */
  readonly from: number;
}

const HEIGHT = 64;
const PAD = 14;
const MIDDLE = 32;

/** How likely it goes, on a line from never to surely, against the chance from which it is worth it. */
export function ChanceLine({ chance, from }: ChanceLineProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(320);
  const x = (p: number) => PAD + Math.max(0, Math.min(1, p)) * (width - 2 * PAD);
  const worth = chance >= from;
  const mark = (p: number) => (p > 0.75 ? 'end' : p < 0.25 ? 'start' : 'middle');
  return (
    <View
      role="img"
      aria-label={`Chance that it goes: ${chanceWords(chance)}. Worth doing now from ${chanceWords(Math.min(1, from))} on.`}
      onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
      style={{ height: HEIGHT, width: '100%' }}
    >
      <Svg width={width} height={HEIGHT} aria-hidden>
        <Rect
          x={x(from)}
          y={MIDDLE - 6}
          width={Math.max(0, x(1) - x(from))}
          height={12}
          fill={palette.tray}
        />
        <Line x1={x(0)} y1={MIDDLE} x2={x(1)} y2={MIDDLE} stroke={palette.ink} strokeWidth={3} />
        <Line
          x1={x(from)}
          y1={MIDDLE - 11}
          x2={x(from)}
          y2={MIDDLE + 11}
          stroke={palette.ink}
          strokeWidth={3}
        />
        <Circle
          cx={x(chance)}
          cy={MIDDLE}
          r={9}
          fill={worth ? palette.rust : palette.card}
          stroke={worth ? palette.rust : palette.ink}
          strokeWidth={3}
        />
        <SvgText
          x={x(chance)}
          y={14}
          fontSize={15}
          fontFamily={FONT.semi}
          fill={palette.ink}
          textAnchor={mark(chance)}
        >
          {`goes: ${chanceWords(chance)}`}
        </SvgText>
        <SvgText
          x={x(from)}
          y={60}
          fontSize={15}
          fontFamily={FONT.regular}
          fill={palette.quiet}
          textAnchor={mark(from)}
        >
          {`worth it from ${chanceWords(Math.min(1, from))}`}
        </SvgText>
      </Svg>
    </View>
  );
}
