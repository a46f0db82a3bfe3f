import { addDays } from 'date-fns/addDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import type { Yard } from '@green-tally/core/contracts';
import { Card, FONT, Quiet, usePalette } from '../ui';
import { dayWords } from './words';

/**
 * The season on one line: each crop's window, and a tick for the latest day each machine's work can
 * start.
 */
export function SeasonLine({ yard: { today, all } }: { yard: Pick<Yard, 'today' | 'all'> }) {
  const palette = usePalette();
  const [width, setWidth] = useState(320);
  if (!all || all.crops.length === 0) return null;
  const from = parseISO(today);
  const rows = all.crops;
  const ends = rows.map((r) => r.end).sort();
  const span = Math.max(14, differenceInCalendarDays(parseISO(ends.at(-1) ?? today), from));
  const x = (day: string) =>
    8 +
    Math.max(0, Math.min(1, differenceInCalendarDays(parseISO(day), from) / span)) * (width - 16);
  const line = 20 + rows.length * 28 + 8;
  const said = rows.map((w) => `${w.crop} ${dayWords(w.start)} to ${dayWords(w.end)}`);
  const working = all.starts.reduce((sum, s) => sum + s.machines, 0);
  const first = all.starts[0]?.on ?? today;
  const text =
    `Season from ${dayWords(today)}: ${said.join(', ')}. ` +
    `${working} machines with work; the first must start by ${dayWords(first)}.`;
  return (
    <Card>
      <View role="img" aria-label={text} onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
        <Svg width={width} height={line + 22} aria-hidden>
          <SvgText x={8} y={14} fontSize={15} fontFamily={FONT.regular} fill={palette.quiet}>
            {dayWords(today)}
          </SvgText>
          <SvgText
            x={width - 8}
            y={14}
            fontSize={15}
            fontFamily={FONT.regular}
            fill={palette.quiet}
            textAnchor="end"
          >
            {dayWords(formatISO(addDays(from, span), { representation: 'date' }))}
          </SvgText>
          {rows.map(({ crop, ...w }, i) => {
            const long = Math.max(6, x(w.end) - x(w.start));
            const within = long > crop.length * 9 + 12;
            const filled = i === 0;
            // beside its window: before it where there is room, else after it
            const before = x(w.start) > crop.length * 9 + 16;
            return (
              <G key={crop}>
                <Rect
                  x={x(w.start)}
                  y={20 + i * 28}
                  width={long}
                  height={23}
                  rx={5}
                  fill={filled ? palette.pine : palette.pineTint}
                  stroke={palette.pine}
                  strokeWidth={2}
                />
                <SvgText
                  x={within ? x(w.start) + 8 : before ? x(w.start) - 8 : x(w.end) + 8}
                  y={37 + i * 28}
                  fontSize={15}
                  fontFamily={FONT.semi}
                  fill={within && filled ? palette.onFill : palette.ink}
                  textAnchor={within || !before ? 'start' : 'end'}
                >
                  {crop}
                </SvgText>
              </G>
            );
          })}
          <Line x1={8} y1={line} x2={width - 8} y2={line} stroke={palette.ink} strokeWidth={3} />
          <Line x1={8} y1={line - 16} x2={8} y2={line + 16} stroke={palette.rust} strokeWidth={5} />
          {all.starts.map(({ on, late }) => (
            <Line
              key={`${on} ${late}`}
              x1={x(on)}
              y1={line - 11}
              x2={x(on)}
              y2={line + 11}
              stroke={late ? palette.rust : palette.ink}
              strokeWidth={late ? 6 : 3}
            />
          ))}
        </Svg>
      </View>
      <Quiet>Each tick: the latest day a machine's work can start</Quiet>
    </Card>
  );
}
