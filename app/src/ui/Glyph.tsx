import Svg, { Circle, G, Line, Path } from 'react-native-svg';
import type { Decision } from '@green-tally/core/contracts';
import type { Palette } from './theme';

/** Colour a decision is filled with; what holds or is only watched stays ink on paper. */
export const DECISION_FILL: Readonly<Record<Decision, keyof Palette | undefined>> = {
  holds: undefined,
  watch: undefined,
  adjust: 'blue',
  shorten: 'blue',
  turn: 'rust',
  replace: 'rust',
  remeasure: 'violet',
  due: undefined,
};

interface GlyphProps {
  readonly decision: Decision;
  readonly color: string;
  readonly size?: number;
}

/**
 * A decision's glyph: four tally strokes, changed by what has to be done. Told apart without
 * colour.
 */
export function Glyph({ decision, color, size = 24 }: GlyphProps) {
  return (
    <Svg width={size * 1.25} height={size} viewBox="0 0 30 24" aria-hidden>
      <G stroke={color} strokeWidth={2.6} strokeLinecap="round" fill="none">
        {STROKES[decision](color)}
      </G>
    </Svg>
  );
}

const upright = (...xs: number[]) => xs.map((x) => <Line key={x} x1={x} y1={3} x2={x} y2={21} />);

const STROKES: Readonly<Record<Decision, (color: string) => React.ReactNode>> = {
  holds: () => upright(5, 11.5, 18, 24.5),
  watch: () => (
    <>
      {upright(5, 11.5, 18)}
      <Line x1={24.5} y1={3} x2={24.5} y2={21} strokeDasharray="1.5 5.6" />
    </>
  ),
  adjust: () => (
    <>
      {upright(3, 27)}
      <Path d="M8 12h14M12 7l-5 5 5 5M18 7l5 5-5 5" />
    </>
  ),
  shorten: () => (
    <>
      {upright(4, 10)}
      <Path d="M10 12h10" />
      {upright(20, 26)}
    </>
  ),
  turn: () => (
    <>
      <Path d="M5 20c-2-8 1-14 6-16M11 4l-5 .5M11 4l-.5 5" />
      <Line x1={15} y1={21} x2={20} y2={3} />
      <Line x1={21.5} y1={21} x2={26.5} y2={3} />
    </>
  ),
  replace: () => (
    <>
      {upright(6, 12, 18, 24)}
      <Line x1={2} y1={19} x2={28} y2={5} />
    </>
  ),
  due: () => (
    <>
      {upright(3, 27)}
      <Path d="M9 6h12v12H9zM9 11h12M13 3v5M17 3v5" />
    </>
  ),
  remeasure: (color) => (
    <>
      {upright(3, 27)}
      <Path d="M11 9c0-5 8-5 8 0 0 3-4 3-4 6" />
      <Circle cx={15} cy={20} r={1.2} fill={color} />
    </>
  ),
};
