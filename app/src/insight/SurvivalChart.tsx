import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Polygon, Polyline, Text as SvgText } from 'react-native-svg';
import type { ClassPage } from '@green-tally/core/contracts/insight';
import { printHours, printNumber } from '@green-tally/core/units';
import { FONT, usePalette } from '../ui';

type Steps = ClassPage['survival'];

const HEIGHT = 200;
const EDGE = { left: 46, right: 14, top: 12, bottom: 26 };

/** What share of parts still runs, by hours, in words. */
export const survivalWords = (steps: Steps): string =>
  steps
    .map((s) => `${printNumber(100 * s.share, 0)} % run on after ${printHours(s.hours)}`)
    .join('; ');

/** The share of parts that still run, by hours since they were fitted, with its range. */
export function SurvivalChart({ steps }: { steps: Steps }) {
  const palette = usePalette();
  const [width, setWidth] = useState(320);
  const last = steps.at(-1)?.hours ?? 1;
  const x = (hours: number) =>
    EDGE.left + (hours / (last * 1.05)) * (width - EDGE.left - EDGE.right);
  const y = (share: number) => EDGE.top + (1 - share) * (HEIGHT - EDGE.top - EDGE.bottom);
  const stairs = (of: (s: Steps[number]) => number): string[] => {
    let before = 1;
    const points = [`${x(0)},${y(1)}`];
    for (const step of steps) {
      points.push(`${x(step.hours)},${y(before)}`, `${x(step.hours)},${y(of(step))}`);
      before = of(step);
    }
    return [...points, `${x(last * 1.05)},${y(before)}`];
  };
  return (
    <View
      role="img"
      aria-label={`Still running: ${survivalWords(steps)}`}
      onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
      style={{ height: HEIGHT, width: '100%' }}
    >
      <Svg width={width} height={HEIGHT} aria-hidden>
        {[0, 0.5, 1].map((share) => (
          <Line
            key={share}
            {...{ x1: EDGE.left, x2: width - EDGE.right, y1: y(share), y2: y(share) }}
            stroke={share === 0.5 ? palette.quiet : palette.line}
            strokeWidth={2}
            strokeDasharray={share === 0.5 ? '4 4' : undefined}
          />
        ))}
        <Polygon
          points={[...stairs((s) => s.high), ...stairs((s) => s.low).reverse()].join(' ')}
          fill={palette.pineTint}
        />
        <Polyline
          points={stairs((s) => s.share).join(' ')}
          fill="none"
          stroke={palette.pine}
          strokeWidth={3}
        />
        {[
          { share: 1, said: 'all' },
          { share: 0.5, said: 'half' },
          { share: 0, said: 'none' },
        ].map(({ share, said }) => (
          <SvgText
            key={said}
            x={4}
            y={y(share) + 4}
            fontFamily={FONT.regular}
            fontSize={13}
            fill={palette.quiet}
          >
            {said}
          </SvgText>
        ))}
        <SvgText
          x={width - EDGE.right}
          y={HEIGHT - 6}
          textAnchor="end"
          fontFamily={FONT.regular}
          fontSize={13}
          fill={palette.quiet}
        >
          {printHours(last)}
        </SvgText>
      </Svg>
    </View>
  );
}
