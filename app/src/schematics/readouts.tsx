import { printNumber } from '@green-tally/core/units';
import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { aimLines } from './aim';
import { Arrow, Label, Lines, Scale } from './dimensions';
import { type DrawingProps } from './drawing';

/** An oil level at its eye. */
export function LevelEye({ aim, palette }: DrawingProps) {
  const { check } = aim;
  return (
    <G>
      <Rect
        x={40}
        y={24}
        width={130}
        height={120}
        rx={10}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Circle cx={105} cy={84} r={34} fill={palette.card} stroke={palette.ink} strokeWidth={4} />
      <Path
        d="M72 84 A34 34 0 0 0 138 84 Z"
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={2}
      />
      <Line
        x1={60}
        y1={84}
        x2={150}
        y2={84}
        stroke={palette.blue}
        strokeWidth={2.4}
        strokeDasharray="6 4"
      />
      <Lines
        x={188}
        y={62}
        lines={[
          'level at the middle',
          ...(check.kind === 'level'
            ? [
                check.eye,
                ...(check.colours.length ? [`not ${check.colours.slice(0, 2).join(' or ')}`] : []),
              ]
            : []),
        ]}
        palette={palette}
      />
    </G>
  );
}

/** A meter with the band that is right. */
export function Meter({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Rect
        x={130}
        y={14}
        width={100}
        height={62}
        rx={10}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Rect
        x={144}
        y={26}
        width={72}
        height={26}
        rx={4}
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={2}
      />
      <Path
        d="M160 76 C150 100 120 96 96 104 M200 76 C210 100 240 96 264 104"
        stroke={palette.ink}
        strokeWidth={3}
        fill="none"
      />
      {aim.limit === undefined ? (
        <Scale
          low={aim.low}
          high={aim.high}
          write={aim.write}
          x={70}
          y={124}
          width={220}
          palette={palette}
        />
      ) : (
        <Label x={180} y={136} text={aimLines(aim).join(' · ')} palette={palette} strong />
      )}
    </G>
  );
}

/** A wrench on a bolt with the torque it must click at. */
export function Torque({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Path
        d="M70 40 l26 15 v30 l-26 15 l-26 -15 v-30 Z"
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Rect
        x={96}
        y={62}
        width={210}
        height={16}
        rx={8}
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Arrow x1={290} y1={40} x2={290} y2={58} palette={palette} />
      {aim.limit === undefined && (aim.low !== undefined || aim.high !== undefined) ? (
        <Scale
          low={aim.low}
          high={aim.high}
          write={aim.write}
          x={90}
          y={122}
          width={200}
          palette={palette}
        />
      ) : (
        <Label x={180} y={130} text="crosswise, in steps" palette={palette} strong />
      )}
    </G>
  );
}

/** What to look for. */
export function Look({ aim, palette }: DrawingProps) {
  const { check } = aim;
  const what =
    check.kind === 'condition'
      ? check.looksFor
      : check.kind === 'count'
        ? [`${check.total ?? ''} ${check.counted}`.trim()]
        : [check.measures];
  return (
    <G>
      <Path
        d="M30 84 Q90 26 150 84 Q90 142 30 84 Z"
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={2.6}
        strokeLinejoin="round"
      />
      <Circle cx={90} cy={84} r={24} fill={palette.tray} stroke={palette.ink} strokeWidth={2.6} />
      <Circle cx={90} cy={84} r={9} fill={palette.ink} />
      <Lines
        x={176}
        y={96 - 10 * Math.min(5, what.length)}
        lines={what.slice(0, 6)}
        palette={palette}
      />
    </G>
  );
}

/** A setting: its options, in order. */
export function Setting({ aim, palette }: DrawingProps) {
  const options = aim.check.kind === 'setting' ? aim.check.options.slice(0, 5) : [];
  return (
    <G>
      <Line x1={70} y1={24} x2={70} y2={146} stroke={palette.ink} strokeWidth={4} />
      {options.map((option, i) => {
        const y = 34 + (i * 100) / Math.max(1, options.length - 1);
        return (
          <G key={option}>
            <Circle
              cx={70}
              cy={y}
              r={9}
              fill={i ? palette.card : palette.pineTint}
              stroke={i ? palette.ink : palette.pine}
              strokeWidth={2.4}
            />
            <Label
              x={94}
              y={y + 5}
              text={option}
              palette={palette}
              anchor="start"
              strong={i === 0}
            />
          </G>
        );
      })}
    </G>
  );
}

/** A grease fitting or a filler, and how much. */
export function Grease({ aim, palette }: DrawingProps) {
  const { check } = aim;
  const service = check.kind === 'service' ? check : undefined;
  return (
    <G>
      <Rect
        x={40}
        y={96}
        width={150}
        height={40}
        rx={6}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Path
        d="M104 96 v-18 h-8 v-10 h38 v10 h-8 v18 Z"
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Arrow x1={115} y1={20} x2={115} y2={60} palette={palette} />
      <Lines
        x={206}
        y={66}
        lines={[
          service?.amount === undefined
            ? 'as the book says'
            : `${printNumber(service.amount, 1)} ${service.amount === 1 && service.asks === 'strokes' ? 'stroke' : service.asks}`,
          ...(service?.most === undefined ? [] : [`never over ${printNumber(service.most, 1)}`]),
          ...(service ? [service.product] : []),
        ]}
        palette={palette}
      />
    </G>
  );
}
