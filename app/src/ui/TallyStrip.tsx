import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import type { StripTick, WearForecast } from '@green-tally/core/kinds';
import { printNumber } from '@green-tally/core/units';
import { FONT, usePalette } from './theme';

interface TallyStripProps {
  /** what wears, for the text equivalent */
  readonly name: string;
  /** readings, oldest first */
  readonly ticks: readonly Pick<StripTick, 'wear' | 'struck' | 'readingId'>[];
  readonly forecast?: Pick<WearForecast, 'low' | 'middle' | 'high'> | undefined;
}

const HEIGHT = 62;
const PAD = 14;
/** The stop stands at this share of the width; what is past it lies on the broken part. */
const STOP = 0.84;
const FURTHEST = 1.18;

/** Where a wear fraction lies on a strip of a width, px; held within the drawing. */
export function stripX(wear: number, width: number): number {
  const run = (width - 2 * PAD) * STOP;
  return PAD + run * Math.max(-0.02, Math.min(wear, FURTHEST));
}

/** The text equivalent of a strip. */
export function stripText({ name, ticks, forecast }: TallyStripProps): string {
  const live = ticks.filter((t) => !t.struck);
  const newest = live.at(-1);
  const percent = (wear: number) => `${printNumber(wear * 100, 0)} %`;
  const now = newest
    ? `${percent(newest.wear)} of the way to the limit, ${live.length} reading${live.length === 1 ? '' : 's'}`
    : 'no reading yet';
  const ahead = forecast
    ? `; at harvest's end about ${percent(forecast.middle)}, ${percent(forecast.low)} to ${percent(forecast.high)}`
    : '';
  return `${name}: ${now}${ahead}.`;
}

/**
 * The tally strip: left end new, a hard stop at the limit, each reading a tick at its wear
 * fraction, the newest longest,
 * struck ones crossed; the forecast at harvest's end an open tick with its 10–90 % bar. Past the
 * stop the strip breaks.
 */
export function TallyStrip(props: TallyStripProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(320);
  const live = props.ticks.filter((t) => !t.struck);
  const newest = live.at(-1);
  const middle = 24;
  const stop = stripX(1, width);
  const x = (wear: number) => stripX(wear, width);
  const pastStop = (newest?.wear ?? 0) >= 1;
  const { forecast } = props;
  const ahead = forecast && forecast.high >= 1 ? palette.rust : palette.quiet;
  return (
    <View
      role="img"
      aria-label={stripText(props)}
      onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
      style={{ height: HEIGHT, width: '100%' }}
    >
      <Svg width={width} height={HEIGHT} aria-hidden>
        {forecast ? (
          <Rect
            x={x(forecast.low)}
            y={middle - 5}
            width={Math.max(2, x(forecast.high) - x(forecast.low))}
            height={10}
            fill={ahead}
            opacity={0.32}
          />
        ) : null}
        <Line x1={PAD} y1={middle} x2={stop} y2={middle} stroke={palette.ink} strokeWidth={3} />
        <Line
          x1={stop + 8}
          y1={middle}
          x2={width - PAD / 2}
          y2={middle}
          stroke={palette.ink}
          strokeWidth={3}
          strokeDasharray="3 7"
        />
        <Line
          x1={PAD}
          y1={middle - 10}
          x2={PAD}
          y2={middle + 10}
          stroke={palette.ink}
          strokeWidth={2}
        />
        {forecast ? (
          <Line
            x1={x(forecast.middle)}
            y1={middle - 16}
            x2={x(forecast.middle)}
            y2={middle + 16}
            stroke={ahead}
            strokeWidth={3}
            strokeDasharray="4 3"
          />
        ) : null}
        {props.ticks.map((tick) => {
          const long = tick.readingId === newest?.readingId;
          return (
            <G key={tick.readingId}>
              <Line
                x1={x(tick.wear)}
                y1={middle - (long ? 18 : 10)}
                x2={x(tick.wear)}
                y2={middle + (long ? 18 : 10)}
                stroke={palette.ink}
                strokeWidth={long ? 5 : 2.5}
              />
              {tick.struck ? (
                <Line
                  x1={x(tick.wear) - 8}
                  y1={middle + 8}
                  x2={x(tick.wear) + 8}
                  y2={middle - 8}
                  stroke={palette.ink}
                  strokeWidth={2.5}
                />
              ) : null}
            </G>
          );
        })}
        <Rect
          x={stop - 4}
          y={middle - 18}
          width={8}
          height={36}
          fill={palette.rust}
          stroke={pastStop ? palette.card : 'none'}
        />
        <SvgText x={PAD - 6} y={58} fontSize={15} fontFamily={FONT.regular} fill={palette.quiet}>
          new
        </SvgText>
        <SvgText
          x={stop}
          y={58}
          fontSize={15}
          fontFamily={FONT.bold}
          fill={palette.rust}
          textAnchor="middle"
        >
          limit
        </SvgText>
      </Svg>
    </View>
  );
}
