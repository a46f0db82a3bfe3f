import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Polygon, Polyline, Text as SvgText } from 'react-native-svg';
import { chanceWords } from '@green-tally/core/findings';
import type { StripTick, WearForecast } from '@green-tally/core/kinds';
import { printHours, printNumber } from '@green-tally/core/units';
import { FONT, usePalette } from '../ui';

/** Wear of one place against machine hours, and where it goes until harvest's end. */
export interface Ahead {
  readonly name: string;
  /** oldest first, one or more */
  readonly ticks: readonly Pick<StripTick, 'readingId' | 'wear' | 'hours' | 'struck'>[];
  readonly forecast: Pick<WearForecast, 'low' | 'middle' | 'high' | 'chance'>;
  /** machine hours now, and hours to be threshed until harvest ends */
  readonly now: number;
  readonly season: number;
}

const HEIGHT = 190;
const EDGE = { left: 46, right: 16, top: 18, bottom: 26 };
const percent = (wear: number): string => `${printNumber(wear * 100, 0)} %`;

/** What is drawn, in words: each reading, and the forecast. */
export function chartText({ name, ticks, forecast, now, season }: Ahead): string {
  // repeats of one look that came to the same are said once
  const said = ticks
    .filter((t) => !t.struck)
    .map((t) => `${percent(t.wear)} at ${printHours(t.hours)}`);
  const read = [...new Set(said)].join(', ');
  const last = ticks.filter((t) => !t.struck).at(-1)?.wear ?? 0;
  const { low, middle, high, chance } = forecast;
  return (
    `${name}: ${read ? `read ${read}; ` : ''}at harvest's end, ${printHours(now + season)}, about ${percent(middle)}, ` +
    `${percent(low)} to ${percent(high)}; ${last >= 1 ? 'past its limit already' : `past its limit then with a chance of ${chanceWords(chance)}`}.`
  );
}

/**
 * Readings of the life that runs, and the fan from now to harvest's end (10 to 90 %); the limit is
 * the line across.
 */
export function ForecastChart(ahead: Ahead) {
  const palette = usePalette();
  const [width, setWidth] = useState(320);
  const { ticks, forecast, now, season } = ahead;
  const live = ticks.filter((t) => !t.struck);
  const last = live.at(-1);
  const from = Math.min(now, ...ticks.map((t) => t.hours));
  const end = now + season;
  const most = Math.max(1.1, forecast.high, ...ticks.map((t) => t.wear));
  const least = Math.min(0, ...ticks.map((t) => t.wear));
  const x = (hours: number) =>
    EDGE.left + ((hours - from) / Math.max(1, end - from)) * (width - EDGE.left - EDGE.right);
  const y = (wear: number) =>
    HEIGHT - EDGE.bottom - ((wear - least) / (most - least)) * (HEIGHT - EDGE.top - EDGE.bottom);
  const at = (hours: number, wear: number) => `${x(hours)},${y(wear)}`;
  const tone = forecast.high >= 1 ? palette.rust : palette.pine;
  const start = last ?? { hours: from, wear: 0 };
  return (
    <View
      role="img"
      aria-label={chartText(ahead)}
      onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
      style={{ height: HEIGHT, width: '100%' }}
    >
      <Svg width={width} height={HEIGHT} aria-hidden>
        <Line
          {...{ x1: EDGE.left, x2: width - EDGE.right, y1: y(1), y2: y(1) }}
          stroke={palette.ink}
          strokeWidth={3}
        />
        <Line
          {...{ x1: EDGE.left, x2: width - EDGE.right, y1: y(0), y2: y(0) }}
          stroke={palette.line}
          strokeWidth={2}
        />
        <Line
          {...{ x1: x(now), x2: x(now), y1: EDGE.top, y2: HEIGHT - EDGE.bottom }}
          stroke={palette.quiet}
          strokeWidth={2}
          strokeDasharray="2 5"
        />
        <Polygon
          points={`${at(start.hours, start.wear)} ${at(end, forecast.low)} ${at(end, forecast.high)}`}
          fill={tone}
          opacity={0.28}
        />
        <Polyline
          points={`${at(start.hours, start.wear)} ${at(end, forecast.middle)}`}
          stroke={tone}
          strokeWidth={3}
          strokeDasharray="6 4"
          fill="none"
        />
        <Polyline
          points={live.map((t) => at(t.hours, t.wear)).join(' ')}
          stroke={palette.ink}
          strokeWidth={2}
          fill="none"
        />
        {ticks.map((t) => (
          <G key={t.readingId}>
            <Circle
              cx={x(t.hours)}
              cy={y(t.wear)}
              r={5}
              fill={t.struck ? 'none' : palette.ink}
              stroke={palette.ink}
              strokeWidth={2}
            />
          </G>
        ))}
        <Words x={4} y={y(1) + 4} said="limit" />
        <Words x={4} y={y(0) + 4} said="new" />
        <Words x={EDGE.left} y={HEIGHT - 6} said={printHours(from)} />
        {end > from ? (
          <Words
            x={width - EDGE.right}
            y={HEIGHT - 6}
            said={`${printHours(end)}, harvest's end`}
            end
          />
        ) : null}
        <Words x={x(now)} y={12} said="now" end={x(now) > width - 60} />
      </Svg>
    </View>
  );
}

interface WordsProps {
  readonly x: number;
  readonly y: number;
  readonly said: string;
  readonly end?: boolean;
}

function Words({ x, y, said, end = false }: WordsProps) {
  const palette = usePalette();
  return (
    <SvgText
      {...{ x, y }}
      fill={palette.quiet}
      fontFamily={FONT.regular}
      fontSize={13}
      textAnchor={end ? 'end' : 'start'}
    >
      {said}
    </SvgText>
  );
}
