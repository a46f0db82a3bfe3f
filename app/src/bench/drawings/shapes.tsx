import { Circle, G, Line, Path } from 'react-native-svg';
import type { Palette } from '../../ui';

/** A wheel on its shaft, px. */
export interface Wheel {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** The outline of a belt or chain that runs round two wheels on one level. */
export function openLoop(a: Wheel, b: Wheel): string {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const apart = Math.hypot(dx, dy);
  const turn = Math.atan2(dy, dx);
  const lean = Math.acos(Math.max(-1, Math.min(1, (a.r - b.r) / apart)));
  const at = (w: Wheel, angle: number) =>
    `${(w.x + w.r * Math.cos(angle)).toFixed(2)} ${(w.y + w.r * Math.sin(angle)).toFixed(2)}`;
  const large = lean > Math.PI / 2 ? 1 : 0;
  return [
    `M ${at(a, turn - lean)}`,
    `L ${at(b, turn - lean)}`,
    `A ${b.r} ${b.r} 0 ${large} 1 ${at(b, turn + lean)}`,
    `L ${at(a, turn + lean)}`,
    `A ${a.r} ${a.r} 0 ${1 - large} 1 ${at(a, turn - lean)} Z`,
  ].join(' ');
}

interface PairProps {
  readonly a: Wheel;
  readonly b: Wheel;
  readonly palette: Palette;
  /** what runs round them, so thick */
  readonly thick?: number;
  readonly dashed?: boolean;
}

/** Two wheels and what runs round them. */
export function Pair({ a, b, palette, thick = 5, dashed = false }: PairProps) {
  return (
    <G fill="none">
      {[a, b].map((w) => (
        <G key={w.x}>
          <Circle cx={w.x} cy={w.y} r={w.r} stroke={palette.line} strokeWidth={3} />
          <Circle cx={w.x} cy={w.y} r={3} fill={palette.ink} />
        </G>
      ))}
      <Path
        d={openLoop(a, b)}
        stroke={dashed ? palette.quiet : palette.ink}
        strokeWidth={thick}
        strokeLinejoin="round"
        {...(dashed ? { strokeDasharray: '3 6' } : {})}
      />
    </G>
  );
}

/** How to draw two wheels of these radii at this distance, all in one unit, inside a frame. */
export function fitPair(
  [r1, r2, apart]: readonly [number, number, number],
  frame: { readonly width: number; readonly height: number; readonly y: number },
): { readonly a: Wheel; readonly b: Wheel; readonly scale: number } {
  const scale = Math.min(frame.width / (r1 + r2 + apart), frame.height / (2 * Math.max(r1, r2)));
  const left = 180 - ((r1 + r2 + apart) * scale) / 2;
  return {
    a: { x: left + r1 * scale, y: frame.y, r: r1 * scale },
    b: { x: left + (r1 + apart) * scale, y: frame.y, r: r2 * scale },
    scale,
  };
}

interface ArrowProps {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly color: string;
}

/** A line with a head. */
export function Arrow({ from: [x1, y1], to: [x2, y2], color }: ArrowProps) {
  const angle = Math.atan2(y2 - y1, x2 - x1);
  const wing = (by: number) =>
    `${(x2 - 10 * Math.cos(angle + by)).toFixed(1)} ${(y2 - 10 * Math.sin(angle + by)).toFixed(1)}`;
  return (
    <G stroke={color} strokeWidth={3} fill="none" strokeLinecap="round">
      <Line x1={x1} y1={y1} x2={x2} y2={y2} />
      <Path d={`M ${wing(0.5)} L ${x2} ${y2} L ${wing(-0.5)}`} />
    </G>
  );
}
