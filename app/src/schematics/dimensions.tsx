import { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { FONT } from '../ui';
import { type Coloured } from './drawing';

interface DimensionProps extends Coloured {
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  readonly text: string;
  /** where the words stand */
  readonly above?: boolean;
}

/** A level dimension line with its ends and words. */
export function Dimension({ x1, x2, y, text, palette, above = false }: DimensionProps) {
  return (
    <G stroke={palette.blue} strokeWidth={2.4}>
      <Line x1={x1} y1={y} x2={x2} y2={y} />
      <Line x1={x1} y1={y - 8} x2={x1} y2={y + 8} />
      <Line x1={x2} y1={y - 8} x2={x2} y2={y + 8} />
      <SvgText
        x={(x1 + x2) / 2}
        y={above ? y - 10 : y + 22}
        fontSize={16}
        fontFamily={FONT.bold}
        fill={palette.blue}
        stroke="none"
        textAnchor="middle"
      >
        {text}
      </SvgText>
    </G>
  );
}

interface HeightProps extends Coloured {
  readonly x: number;
  readonly y1: number;
  readonly y2: number;
  readonly text: string;
}

/** An upright dimension line, its words to the right. */
export function Height({ x, y1, y2, text, palette }: HeightProps) {
  return (
    <G stroke={palette.blue} strokeWidth={2.4}>
      <Line x1={x} y1={y1} x2={x} y2={y2} />
      <Line x1={x - 8} y1={y1} x2={x + 8} y2={y1} />
      <Line x1={x - 8} y1={y2} x2={x + 8} y2={y2} />
      <SvgText
        x={x + 14}
        y={(y1 + y2) / 2 + 6}
        fontSize={16}
        fontFamily={FONT.bold}
        fill={palette.blue}
        stroke="none"
      >
        {text}
      </SvgText>
    </G>
  );
}

interface LabelProps extends Coloured {
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly strong?: boolean;
}

/** A word on a drawing. */
export function Label({ x, y, text, palette, anchor = 'middle', strong = false }: LabelProps) {
  return (
    <SvgText
      x={x}
      y={y}
      fontSize={15}
      fontFamily={strong ? FONT.bold : FONT.regular}
      fill={strong ? palette.ink : palette.quiet}
      textAnchor={anchor}
    >
      {text}
    </SvgText>
  );
}

/** Lines of words, one below the other, from the left. */
export function Lines({
  x,
  y,
  lines,
  palette,
}: Coloured & { readonly x: number; readonly y: number; readonly lines: readonly string[] }) {
  return (
    <>
      {lines.map((text, i) => (
        <Label
          key={text}
          x={x}
          y={y + 20 * i}
          text={text}
          palette={palette}
          anchor="start"
          strong={i === 0}
        />
      ))}
    </>
  );
}

/** An arrow: where to push, pull or look. */
export function Arrow({
  x1,
  y1,
  x2,
  y2,
  palette,
  dashed = false,
}: Coloured & {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly dashed?: boolean;
}) {
  const angle = Math.atan2(y2 - y1, x2 - x1);
  const tip = (turn: number) =>
    `${x2 - 11 * Math.cos(angle + turn)} ${y2 - 11 * Math.sin(angle + turn)}`;
  return (
    <G stroke={palette.blue} strokeWidth={3.2} fill="none" strokeLinecap="round">
      <Line x1={x1} y1={y1} x2={x2} y2={y2} strokeDasharray={dashed ? '6 5' : undefined} />
      <Path d={`M${tip(0.5)} L${x2} ${y2} L${tip(-0.5)}`} />
    </G>
  );
}

interface ScaleProps extends Coloured {
  readonly low: number | undefined;
  readonly high: number | undefined;
  readonly write: (value: number) => string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

/** A scale with the band that is right on it, to the numbers of the sheet. */
export function Scale({ low, high, write, x, y, width, palette }: ScaleProps) {
  const top = (high ?? (low ?? 1) * 1.6) * 1.25;
  const bottom = low === undefined ? 0 : Math.max(0, low - (top - low) * 0.4);
  const at = (v: number) => x + ((v - bottom) / (top - bottom)) * width;
  const [from, to] = [low === undefined ? x : at(low), high === undefined ? x + width : at(high)];
  return (
    <G>
      <Line x1={x} y1={y} x2={x + width} y2={y} stroke={palette.ink} strokeWidth={3} />
      {Array.from({ length: 11 }, (_, i) => (
        <Line
          key={i}
          x1={x + (i * width) / 10}
          y1={y - (i % 5 ? 5 : 9)}
          x2={x + (i * width) / 10}
          y2={y}
          stroke={palette.ink}
          strokeWidth={1.8}
        />
      ))}
      <Rect
        x={from}
        y={y - 13}
        width={Math.max(4, to - from)}
        height={26}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={2.4}
      />
      {low === undefined ? null : (
        <Label
          x={from}
          y={y + 32}
          text={write(low)}
          palette={palette}
          strong
          anchor={to - from < 90 ? 'end' : 'middle'}
        />
      )}
      {high === undefined ? null : (
        <Label
          x={to}
          y={y + 32}
          text={write(high)}
          palette={palette}
          strong
          anchor={to - from < 90 ? 'start' : 'middle'}
        />
      )}
    </G>
  );
}

/** A limit: a dashed line in the colour of wear. */
export function LimitLine({
  x1,
  y1,
  x2,
  y2,
  palette,
}: Coloured & {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}) {
  return (
    <Line
      x1={x1}
      y1={y1}
      x2={x2}
      y2={y2}
      stroke={palette.rust}
      strokeWidth={2.4}
      strokeDasharray="5 4"
    />
  );
}
