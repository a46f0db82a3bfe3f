import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Rect, Text as SvgText } from 'react-native-svg';
import { printNumber } from '@green-tally/core/units';
import { FONT, usePalette } from './theme';

interface BandStripProps {
  readonly name: string;
  /** ends of the strip, mm */
  readonly from: number;
  readonly to: number;
  /** the band that is right, mm */
  readonly low: number;
  readonly high: number;
  readonly ticks: readonly { readonly label: string; readonly value: number }[];
  /** how values are written; mm unless said */
  readonly write?: (value: number) => string;
}

const HEIGHT = 66;
const PAD = 30;

/** The strip's sibling for tension and travel: a band that is right, ticks inside or outside it. */
export function BandStrip({
  name,
  from,
  to,
  low,
  high,
  ticks,
  write = (v) => `${printNumber(v, 1)} mm`,
}: BandStripProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(320);
  const x = (v: number) =>
    PAD + ((Math.max(from, Math.min(to, v)) - from) / (to - from)) * (width - 2 * PAD);
  const inside = (v: number) => v >= low && v <= high;
  const said = ticks.map(
    (t) => `${t.label} ${write(t.value)}, ${inside(t.value) ? 'inside' : 'outside'} the band`,
  );
  const text = `${name}: ${said.join('; ') || 'no reading'}. Band ${write(low)} to ${write(high)}.`;
  const [one, two] = ticks;
  const together =
    one !== undefined && two !== undefined && Math.abs(x(one.value) - x(two.value)) < 14;
  const middle = 30;
  return (
    <View
      role="img"
      aria-label={text}
      onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
      style={{ height: HEIGHT, width: '100%' }}
    >
      <Svg width={width} height={HEIGHT} aria-hidden>
        <Line
          x1={PAD}
          y1={middle}
          x2={width - PAD}
          y2={middle}
          stroke={palette.ink}
          strokeWidth={3}
        />
        <Rect
          x={x(low)}
          y={middle - 12}
          width={Math.max(3, x(high) - x(low))}
          height={24}
          fill={palette.pineTint}
          stroke={palette.pine}
          strokeWidth={2.5}
        />
        {ticks.map((t) => (
          <Line
            key={t.label}
            x1={x(t.value)}
            y1={middle - 17}
            x2={x(t.value)}
            y2={middle + 17}
            stroke={inside(t.value) ? palette.ink : palette.blue}
            strokeWidth={5}
          />
        ))}
        {ticks.length === 2
          ? ticks.map((t, i) => (
              <SvgText
                key={t.label}
                x={x(t.value)}
                y={11}
                fontSize={14}
                fontFamily={FONT.semi}
                fill={palette.ink}
                textAnchor={together ? (i ? 'start' : 'end') : 'middle'}
              >{`${together && i ? ' ' : ''}${t.label.charAt(0).toUpperCase()}${together && !i ? ' ' : ''}`}</SvgText>
            ))
          : null}
        <SvgText
          x={x(low)}
          y={62}
          fontSize={15}
          fontFamily={FONT.regular}
          fill={palette.quiet}
          textAnchor="middle"
        >
          {write(low).replace(/ .*$/, '')}
        </SvgText>
        <SvgText
          x={x(high)}
          y={62}
          fontSize={15}
          fontFamily={FONT.regular}
          fill={palette.quiet}
          textAnchor="middle"
        >
          {write(high)}
        </SvgText>
      </Svg>
    </View>
  );
}
