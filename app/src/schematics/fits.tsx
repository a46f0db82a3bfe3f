import { Circle, G, Path, Rect } from 'react-native-svg';
import { aimLines } from './aim';
import { Arrow, Dimension, Height, Label, LimitLine, Lines, Scale } from './dimensions';
import { type DrawingProps, worn } from './drawing';

/** A sprocket tooth: how thick it is left, hooked or not. */
export function Tooth({ aim, palette }: DrawingProps) {
  const half = 44;
  const left = half * worn(aim);
  return (
    <G>
      <Path
        d={`M20 150 Q70 150 ${130 - half} 96 L${130 - 14} 24 H${130 + 14} L${130 + half} 96 Q190 150 240 150 Z`}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <LimitLine x1={130 - left} y1={104} x2={130 - left * 0.4} y2={30} palette={palette} />
      <LimitLine x1={130 + left} y1={104} x2={130 + left * 0.4} y2={30} palette={palette} />
      <Dimension x1={130 - half} x2={130 + half} y={96} text="" palette={palette} />
      <Lines x={216} y={60} lines={[...aimLines(aim), 'across the tooth']} palette={palette} />
    </G>
  );
}

/** A profile gauge against its part. */
export function GoNoGo({ aim, palette }: DrawingProps) {
  const { check } = aim;
  const fits = check.kind !== 'gonogo' || check.good === 'fits';
  return (
    <G>
      <Path
        d="M40 140 V96 L96 96 L122 130 H168 L194 96 H250 V140 Z"
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Path
        d={`M88 ${fits ? 86 : 62} L116 ${fits ? 122 : 98} H174 L202 ${fits ? 86 : 62} V34 H88 Z`}
        fill={palette.blueTint}
        stroke={palette.blue}
        strokeWidth={2.6}
        strokeLinejoin="round"
      />
      <Label x={145} y={64} text="gauge" palette={palette} strong />
      <Lines
        x={262}
        y={70}
        lines={['good when it', fits ? 'fits' : 'does not fit']}
        palette={palette}
      />
    </G>
  );
}

/** A gap between two parts, with the band it must lie in. */
export function Clearance({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Rect
        x={40}
        y={22}
        width={280}
        height={24}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Rect
        x={40}
        y={74}
        width={280}
        height={24}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={2.4}
      />
      <Height
        x={180}
        y1={46}
        y2={74}
        text={aim.limit === undefined ? '' : `limit ${aim.write(aim.limit)}`}
        palette={palette}
      />
      {aim.limit === undefined ? (
        <Scale
          low={aim.low}
          high={aim.high}
          write={aim.write}
          x={70}
          y={126}
          width={220}
          palette={palette}
        />
      ) : (
        <Label x={180} y={136} text={`new ${aim.write(aim.nominal)}`} palette={palette} />
      )}
    </G>
  );
}

/** Play of a shaft in its bush: push one way, then the other. */
export function Play({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Circle cx={120} cy={84} r={58} fill={palette.tray} stroke={palette.ink} strokeWidth={2.4} />
      <Circle cx={120} cy={84} r={38} fill={palette.card} stroke={palette.ink} strokeWidth={2.4} />
      <Circle
        cx={120}
        cy={92}
        r={28}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={2.4}
      />
      <Arrow x1={120} y1={92} x2={120} y2={58} palette={palette} />
      <Arrow x1={120} y1={92} x2={120} y2={122} palette={palette} />
      <Lines x={204} y={76} lines={[...aimLines(aim), 'up and down']} palette={palette} />
    </G>
  );
}
