import { G, Path } from 'react-native-svg';
import { type Palette } from '../ui';
import { aimLines } from './aim';
import { Arrow, Dimension, Label, LimitLine, Lines, Scale } from './dimensions';
import { type DrawingProps, worn } from './drawing';
import { Pulley } from './machineParts';

/** Belt in its groove: the new width, and the limit inside it to scale. */
export function BeltWidth({ aim, palette }: DrawingProps) {
  const half = (share: number) => 65 * share;
  const mid = 150;
  const limit = half(worn(aim));
  return (
    <G>
      <Path
        d={`M${mid - 111} 40 h34 L${mid - 26} 142 h52 L${mid + 77} 40 h34 V156 H${mid - 111} Z`}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Path
        d={`M${mid - half(1)} 52 H${mid + half(1)} L${mid + half(1) - 26} 102 H${mid - half(1) + 26} Z`}
        fill={palette.ink}
      />
      <LimitLine x1={mid - limit} y1={46} x2={mid - limit} y2={80} palette={palette} />
      <LimitLine x1={mid + limit} y1={46} x2={mid + limit} y2={80} palette={palette} />
      <Dimension
        x1={mid - half(1)}
        x2={mid + half(1)}
        y={28}
        text={aim.nominal === undefined ? 'top width' : `new ${aim.write(aim.nominal)}`}
        palette={palette}
        above
      />
      <Lines
        x={mid + 116}
        y={72}
        lines={aimLines(aim)
          .slice(0, 1)
          .flatMap((t) => t.split(/ (?=\S+ \S+$)/))}
        palette={palette}
      />
    </G>
  );
}

/** The gap of a split sheave, across its rim. */
export function SheaveGap({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Path
        d="M56 40 H98 L132 140 V156 H56 Z"
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Path
        d="M224 40 H182 L148 140 V156 H224 Z"
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Path d="M105 60 H175 L165 90 H115 Z" fill={palette.ink} />
      <Dimension x1={98} x2={182} y={28} text="gap" palette={palette} above />
      <Lines x={236} y={72} lines={aimLines(aim)} palette={palette} />
    </G>
  );
}

function Span({ palette }: { readonly palette: Palette }) {
  return (
    <G>
      <Pulley x={66} y={84} r={40} palette={palette} />
      <Pulley x={300} y={78} r={26} palette={palette} />
      <Path d="M66 124 L300 104" stroke={palette.ink} strokeWidth={4} />
      <Path d="M66 44 L300 52" stroke={palette.ink} strokeWidth={4} />
    </G>
  );
}

/** Pluck the free span and hear its note. */
export function BeltNote({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Span palette={palette} />
      <Path
        d="M110 46 Q182 26 254 50 M110 46 Q182 66 254 50"
        stroke={palette.blue}
        strokeWidth={2}
        fill="none"
        strokeDasharray="5 4"
      />
      <Label x={182} y={24} text="pluck here, once" palette={palette} strong />
      <Scale
        low={aim.low}
        high={aim.high}
        write={aim.write}
        x={110}
        y={136}
        width={150}
        palette={palette}
      />
    </G>
  );
}

/** Push at mid-span with the force gauge. */
export function BeltPush({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Span palette={palette} />
      <Arrow x1={182} y1={12} x2={182} y2={44} palette={palette} />
      <Label x={196} y={24} text="at mid-span" palette={palette} strong anchor="start" />
      <Scale
        low={aim.low}
        high={aim.high}
        write={aim.write}
        x={110}
        y={136}
        width={150}
        palette={palette}
      />
    </G>
  );
}
