import { Circle, G, Path, Rect } from 'react-native-svg';
import { aimLines } from './aim';
import { Height, Label, LimitLine, Lines } from './dimensions';
import { type DrawingProps, worn } from './drawing';
import { Ground } from './machineParts';

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
