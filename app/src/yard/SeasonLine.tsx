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
export function SeasonLine({ yard }: { yard: Yard }) {
  const palette = usePalette();
  const [width, setWidth] = useState(320);
  if (yard.rows.length === 0) return null;
  const from = parseISO(yard.today);
  const ends = yard.rows.map((r) => r.machine.harvest.end).sort();
  const span = Math.max(14, differenceInCalendarDays(parseISO(ends.at(-1) ?? yard.today), from));
  const x = (day: string) =>
    8 +
    Math.max(0, Math.min(1, differenceInCalendarDays(parseISO(day), from) / span)) * (width - 16);
  const crops = new Map<string, { start: string; end: string }>();
  for (const {
    machine: { harvest },
  } of yard.rows) {
    const window = crops.get(harvest.crop);
    crops.set(harvest.crop, {
      start: !window || harvest.start < window.start ? harvest.start : window.start,
      end: !window || harvest.end > window.end ? harvest.end : window.end,
    });
  }
  const rows = [...crops.entries()].sort((a, b) => a[1].start.localeCompare(b[1].start));
  const line = 20 + rows.length * 28 + 8;
  const working = yard.rows.filter((r) => r.hoursOpen > 0);
  const said = rows.map(([crop, w]) => `${crop} ${dayWords(w.start)} to ${dayWords(w.end)}`);
  const first = working.map((r) => r.mustStartBy).sort()[0] ?? yard.today;
  const text =
    `Season from ${dayWords(yard.today)}: ${said.join(', ')}. ` +
    `${working.length} machines with work; the first must start by ${dayWords(first)}.`;
  return (
    <Card>
      <View role="img" aria-label={text} onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
        <Svg width={width} height={line + 22} aria-hidden>
          <SvgText x={8} y={14} fontSize={15} fontFamily={FONT.regular} fill={palette.quiet}>
            {dayWords(yard.today)}
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
          {rows.map(([crop, w], i) => {
            const long = Math.max(6, x(w.end) - x(w.start));
            const within = long > crop.length * 9 + 12;
            const filled = i === 0;
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
                  x={within ? x(w.start) + 8 : x(w.start) - 8}
                  y={37 + i * 28}
                  fontSize={15}
                  fontFamily={FONT.semi}
                  fill={within && filled ? palette.onFill : palette.ink}
                  textAnchor={within ? 'start' : 'end'}
                >
                  {crop}
                </SvgText>
              </G>
            );
          })}
          <Line x1={8} y1={line} x2={width - 8} y2={line} stroke={palette.ink} strokeWidth={3} />
          <Line x1={8} y1={line - 16} x2={8} y2={line + 16} stroke={palette.rust} strokeWidth={5} />
          {working.map((r) => (
            <Line
              key={r.machine.id}
              x1={x(r.mustStartBy)}
              y1={line - 11}
              x2={x(r.mustStartBy)}
              y2={line + 11}
              stroke={r.late ? palette.rust : palette.ink}
              strokeWidth={r.late ? 6 : 3}
            />
          ))}
        </Svg>
      </View>
      <Quiet>Each tick: the latest day a machine's work can start</Quiet>
    </Card>
  );
}
