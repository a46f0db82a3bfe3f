import { G, Line, Text as SvgText } from 'react-native-svg';
import { FONT, type Palette } from '../../ui';

interface DimensionProps {
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  readonly text: string;
  readonly palette: Palette;
  /** where the words stand */
  readonly above?: boolean;
}

/** A dimension line with its ends and words. */
export function Dimension({ x1, x2, y, text, palette, above = false }: DimensionProps) {
  return (
    <G stroke={palette.blue} strokeWidth={2.4}>
      <Line x1={x1} y1={y} x2={x2} y2={y} />
      <Line x1={x1} y1={y - 8} x2={x1} y2={y + 8} />
      <Line x1={x2} y1={y - 8} x2={x2} y2={y + 8} />
      <SvgText x={(x1 + x2) / 2} y={above ? y - 10 : y + 22} fontSize={16} fontFamily={FONT.bold} fill={palette.blue} stroke="none" textAnchor="middle">{text}</SvgText>
    </G>
  );
}

interface LabelProps {
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly palette: Palette;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly strong?: boolean;
}

/** A word on a drawing. */
export function Label({ x, y, text, palette, anchor = 'middle', strong = false }: LabelProps) {
  return <SvgText x={x} y={y} fontSize={15} fontFamily={strong ? FONT.bold : FONT.regular} fill={strong ? palette.ink : palette.quiet} textAnchor={anchor}>{text}</SvgText>;
}
