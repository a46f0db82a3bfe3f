import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { printNumber } from '@green-tally/core/units';
import type { Palette } from '../ui';
import { aimLines, type Aim } from './aim';
import { Arrow, Dimension, Ground, Height, Label, LimitLine, Lines, Pulley, Scale } from './parts';

interface DrawingProps {
  readonly aim: Aim;
  readonly palette: Palette;
}

/** How far a limit lies from the new size, 0 to 1, for drawing it to scale inside the part. */
const worn = ({ nominal, limit }: Aim): number =>
  nominal && limit !== undefined ? Math.max(0.05, Math.min(0.95, limit / nominal)) : 0.7;

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

/** A hold-down over the knife: the gap between them. */
export function HoldDown({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Path
        d="M40 46 H170 Q196 46 196 66 H176 Q172 60 160 60 H40 Z"
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Rect x={60} y={88} width={200} height={14} fill={palette.ink} />
      <Ground x1={40} x2={280} y={118} palette={palette} />
      <Height x={210} y1={64} y2={88} text="" palette={palette} />
      <Lines x={226} y={56} lines={aimLines(aim)} palette={palette} />
      <Label x={60} y={36} text="hold-down" palette={palette} anchor="start" />
      <Label x={60} y={154} text="knife" palette={palette} anchor="start" />
    </G>
  );
}

/** A section in its guard: the edge, and the gap at the point. */
export function SectionGuard({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Path
        d="M40 130 V56 L90 16 L140 56 V130 Z"
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Path
        d="M52 130 L84 46 H96 L128 130 Z"
        fill={palette.card}
        stroke={palette.blue}
        strokeWidth={2.6}
        strokeLinejoin="round"
      />
      <Path d="M60 110 l6 -4 m-2 -8 l6 -4 m-2 -8 l6 -4" stroke={palette.ink} strokeWidth={2} />
      <Lines
        x={170}
        y={52}
        lines={[...aimLines(aim), 'section sharp, whole,', 'square in its guard']}
        palette={palette}
      />
    </G>
  );
}

/** A rasp bar on its drum: height of the bar, to its limit. */
export function RaspBar({ aim, palette }: DrawingProps) {
  const full = 46;
  const height = full * worn(aim);
  return (
    <G>
      <Path d="M20 150 Q130 90 240 150" fill="none" stroke={palette.ink} strokeWidth={4} />
      <Path
        d={`M84 118 V${118 - full} q6 -8 12 0 t12 0 t12 0 t12 0 t12 0 t12 0 V112 Q130 106 84 118 Z`}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <LimitLine x1={70} y1={116 - height} x2={184} y2={116 - height} palette={palette} />
      <Height x={196} y1={118 - full} y2={114} text="" palette={palette} />
      <Lines x={216} y={80} lines={aimLines(aim)} palette={palette} />
      <Label x={130} y={42} text="opposite pairs" palette={palette} />
    </G>
  );
}

/** A reversible knife from the side: height left over its worn edge. */
export function KnifeEdge({ aim, palette }: DrawingProps) {
  const length = 190;
  const left = length * worn(aim);
  return (
    <G>
      <Path
        d={`M36 60 h${length} q14 22 0 44 h-${length} Z`}
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Path d={`M36 60 h${length}`} stroke={palette.blue} strokeWidth={5} />
      <Path d={`M36 104 h${length}`} stroke={palette.ink} strokeWidth={3} strokeDasharray="9 4" />
      <Circle cx={54} cy={82} r={7} fill={palette.tray} stroke={palette.ink} strokeWidth={2.4} />
      <LimitLine x1={36 + left} y1={48} x2={36 + left} y2={116} palette={palette} />
      <Label x={36} y={44} text="good edge" palette={palette} anchor="start" strong />
      <Label
        x={36}
        y={132}
        text="worn edge: turn once, then renew"
        palette={palette}
        anchor="start"
      />
      <Lines x={256} y={76} lines={aimLines(aim)} palette={palette} />
    </G>
  );
}

/** A rotor end on: knives in opposite pairs, one missing, its mate shaded. */
export function KnifeCount({ aim, palette }: DrawingProps) {
  const { check } = aim;
  const count = check.kind === 'count' ? check : undefined;
  const pairs = Array.from({ length: 6 }, (_, i) => (i * 60 * Math.PI) / 180);
  return (
    <G>
      <Circle cx={110} cy={86} r={22} fill={palette.tray} stroke={palette.ink} strokeWidth={2.4} />
      {pairs.map((a, i) => {
        const missing = i === 1;
        const mate = i === 4 && count?.renew === 'opposite';
        const [dx, dy] = [Math.cos(a), Math.sin(a)];
        const edge = `M${110 + 24 * dx - 6 * dy} ${86 + 24 * dy + 6 * dx} L${110 + 74 * dx - 6 * dy} ${86 + 74 * dy + 6 * dx} L${110 + 74 * dx + 6 * dy} ${86 + 74 * dy - 6 * dx} L${110 + 24 * dx + 6 * dy} ${86 + 24 * dy - 6 * dx} Z`;
        return (
          <Path
            key={a}
            d={edge}
            fill={missing ? 'none' : mate ? palette.rustTint : palette.card}
            stroke={missing || mate ? palette.rust : palette.ink}
            strokeWidth={2.4}
            strokeDasharray={missing ? '4 4' : undefined}
          />
        );
      })}
      <Lines
        x={206}
        y={40}
        palette={palette}
        lines={[
          `${count?.total ?? ''} ${count?.counted ?? ''}`,
          'dashed: one missing',
          ...(count?.renew === 'opposite'
            ? ['shaded: its mate,', 'renewed with it']
            : count?.renew === 'set'
              ? ['one bad: renew', 'the whole set']
              : ['renewed one by one']),
          ...(count?.turnFrom ? [`turn from ${count.turnFrom} worn`] : []),
        ]}
      />
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
        ? [`${check.total} ${check.counted}`]
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
