import { type ReactNode } from 'react';
import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { Label } from './dimensions';
import { type Coloured } from './drawing';

/** A coil spring on its rod, lying level. */
export function Spring({
  x1,
  x2,
  y,
  palette,
  turns = 8,
}: Coloured & {
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  readonly turns?: number;
}) {
  const path = Array.from(
    { length: turns + 1 },
    (_, i) => `${i ? 'L' : 'M'}${x1 + (i * (x2 - x1)) / turns} ${y + (i % 2 ? -16 : 16)}`,
  ).join(' ');
  return <Path d={path} stroke={palette.ink} strokeWidth={3} fill="none" strokeLinejoin="round" />;
}

/** The slot of an adjuster with its bolt, and what of it is left. */
export function Slot({
  x,
  y,
  width,
  text,
  palette,
}: Coloured & {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly text: string;
}) {
  return (
    <G>
      <Rect
        x={x}
        y={y - 8}
        width={width}
        height={16}
        rx={8}
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Circle cx={x + width * 0.3} cy={y} r={10} fill={palette.ink} />
      <Line
        x1={x + width * 0.3 + 12}
        y1={y + 16}
        x2={x + width}
        y2={y + 16}
        stroke={palette.blue}
        strokeWidth={2.4}
      />
      <Label x={x - 8} y={y + 6} text={text} palette={palette} anchor="end" />
    </G>
  );
}

/** A pulley or sheave end on. */
export function Pulley({
  x,
  y,
  r,
  palette,
}: Coloured & { readonly x: number; readonly y: number; readonly r: number }) {
  return (
    <G stroke={palette.ink} strokeWidth={2.4}>
      <Circle cx={x} cy={y} r={r} fill={palette.tray} />
      <Circle cx={x} cy={y} r={Math.max(4, r * 0.22)} fill={palette.card} />
    </G>
  );
}

/** A toothed wheel end on; `hook` leans the teeth. */
export function Sprocket({
  x,
  y,
  r,
  teeth,
  palette,
  hook = 0,
}: Coloured & {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly teeth: number;
  readonly hook?: number;
}) {
  const at = (radius: number, angle: number) =>
    `${x + radius * Math.cos(angle)} ${y + radius * Math.sin(angle)}`;
  const step = (2 * Math.PI) / teeth;
  const outline = Array.from(
    { length: teeth },
    (_, i) =>
      `${i ? 'L' : 'M'}${at(r * 0.76, i * step - step * 0.32)} L${at(r, i * step - step * 0.1 + hook)} L${at(r, i * step + step * 0.1 + hook)} L${at(r * 0.76, i * step + step * 0.32)}`,
  ).join(' ');
  return (
    <G stroke={palette.ink} strokeWidth={2.2} strokeLinejoin="round">
      <Path d={`${outline} Z`} fill={palette.tray} />
      <Circle cx={x} cy={y} r={r * 0.22} fill={palette.card} />
    </G>
  );
}

/** Chain links lying level between two ends. */
export function Chain({
  x1,
  x2,
  y,
  links,
  palette,
}: Coloured & {
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  readonly links: number;
}) {
  const step = (x2 - x1) / links;
  const pins = Array.from({ length: links + 1 }, (_, i) => x1 + i * step);
  const end = Math.min(5, step * 0.3);
  return (
    <G stroke={palette.ink}>
      {pins.slice(0, -1).map((x, i) => (
        <Rect
          key={x}
          x={x - end}
          y={y - (i % 2 ? 8 : 12)}
          width={step + 2 * end}
          height={i % 2 ? 16 : 24}
          rx={8}
          fill={i % 2 ? palette.card : palette.tray}
          strokeWidth={2}
        />
      ))}
      {pins.map((x) => (
        <Circle
          key={x}
          cx={x}
          cy={y}
          r={Math.min(5, step * 0.28)}
          fill={palette.card}
          strokeWidth={2.2}
        />
      ))}
    </G>
  );
}

/** A floor, frame or housing: a line with ground under it. */
export function Ground({
  x1,
  x2,
  y,
  palette,
  children,
}: Coloured & {
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  readonly children?: ReactNode;
}) {
  const marks = Array.from(
    { length: Math.floor((x2 - x1) / 14) },
    (_, i) => `M${x1 + 12 + i * 14} ${y} l-9 9`,
  ).join(' ');
  return (
    <G stroke={palette.ink}>
      <Line x1={x1} y1={y} x2={x2} y2={y} strokeWidth={3} />
      <Path d={marks} strokeWidth={1.6} />
      {children}
    </G>
  );
}
