import { printNumber } from '@green-tally/core/units';
import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { type Aim } from './aim';
import { Arrow, Label } from './dimensions';
import { type DrawingProps } from './drawing';
import { Slot, Spring } from './machineParts';

const slotText = ({ slot }: Aim): string =>
  slot ? `slot left, of ${printNumber(slot.total, 0)} mm` : '';
const tolerance = ({ gauge }: Aim, what: string): string =>
  gauge.past > 0
    ? `${what} here, to ${printNumber(gauge.past, 1)} mm past`
    : `${what} exactly here`;
const slotWidth = (aim: Aim): number => Math.min(120, (aim.slot?.total ?? 0) * 1.6);

export function SlotBelow({ aim, palette }: DrawingProps) {
  return aim.slot ? (
    <Slot
      x={336 - slotWidth(aim)}
      y={134}
      width={slotWidth(aim)}
      text={slotText(aim)}
      palette={palette}
    />
  ) : null;
}

/**
 * Spring gauge: where the washer should stand, the tolerance past it, and the slot behind, to the
 * sheet's scale.
 */
export function SpringGauge({ aim, palette }: DrawingProps) {
  const scale = 150 / aim.gauge.length;
  const end = 40 + aim.gauge.length * scale;
  return (
    <G>
      <Line x1={20} y1={62} x2={340} y2={62} stroke={palette.ink} strokeWidth={6} />
      <Spring x1={48} x2={end - 8} y={62} palette={palette} />
      <Rect x={36} y={38} width={6} height={48} fill={palette.ink} />
      <Rect
        x={40}
        y={92}
        width={end - 40}
        height={12}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={2}
      />
      <Rect
        x={end}
        y={34}
        width={Math.max(4, aim.gauge.past * scale)}
        height={70}
        fill={palette.blueTint}
        stroke={palette.blue}
        strokeWidth={1.5}
        strokeDasharray="4 3"
      />
      <Rect x={end - 4} y={38} width={8} height={48} fill={palette.blue} />
      <Label x={44} y={124} text="gauge" palette={palette} anchor="start" />
      <Label x={end + 2} y={24} text={tolerance(aim, 'washer')} palette={palette} strong />
      <SlotBelow aim={aim} palette={palette} />
    </G>
  );
}

/** Two pointers that must meet tip to tip. */
export function TipToTip({ aim, palette }: DrawingProps) {
  const past = Math.max(4, aim.gauge.past * 3);
  return (
    <G>
      <Path
        d="M170 58 L60 36 V80 Z"
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Path
        d="M176 58 L286 36 V80 Z"
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      <Rect
        x={173}
        y={40}
        width={past}
        height={36}
        fill={palette.blueTint}
        stroke={palette.blue}
        strokeWidth={1.5}
        strokeDasharray="4 3"
      />
      <Label x={60} y={102} text="fixed" palette={palette} anchor="start" />
      <Label x={286} y={102} text="on the arm" palette={palette} anchor="end" />
      <Label x={173} y={24} text={tolerance(aim, 'tips meet')} palette={palette} strong />
      <SlotBelow aim={aim} palette={palette} />
    </G>
  );
}

/** A canister over its spring: any gap means loose. */
export function CanisterGap({ palette }: DrawingProps) {
  return (
    <G>
      <Line x1={20} y1={70} x2={340} y2={70} stroke={palette.ink} strokeWidth={6} />
      <Rect
        x={90}
        y={42}
        width={120}
        height={56}
        rx={8}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Spring x1={100} x2={200} y={70} palette={palette} turns={10} />
      <Rect x={212} y={36} width={12} height={68} fill={palette.ink} />
      <Arrow x1={214} y1={128} x2={211} y2={102} palette={palette} />
      <Label x={214} y={146} text="no gap here" palette={palette} strong />
      <Label x={150} y={28} text="canister closed against its stop" palette={palette} />
    </G>
  );
}

/** Two plates whose ends must lie over each other. */
export function Overlap({ aim, palette }: DrawingProps) {
  const past = Math.max(6, aim.gauge.past * 3);
  return (
    <G>
      <Rect
        x={40}
        y={44}
        width={150}
        height={22}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Rect
        x={170}
        y={66}
        width={150}
        height={22}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={2.4}
      />
      <Rect
        x={170}
        y={36}
        width={20 + past}
        height={60}
        fill="none"
        stroke={palette.blue}
        strokeWidth={2}
        strokeDasharray="5 4"
      />
      <Label x={180} y={24} text={tolerance(aim, 'ends flush')} palette={palette} strong />
      <Label x={40} y={116} text="arm" palette={palette} anchor="start" />
      <Label x={320} y={116} text="frame" palette={palette} anchor="end" />
      <SlotBelow aim={aim} palette={palette} />
    </G>
  );
}

/** An eye-bolt that must stand between two marks. */
export function EyeBolt({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Line x1={30} y1={70} x2={330} y2={70} stroke={palette.ink} strokeWidth={8} />
      <Circle cx={186} cy={70} r={17} fill={palette.card} stroke={palette.ink} strokeWidth={5} />
      <Rect
        x={150}
        y={36}
        width={72}
        height={68}
        fill="none"
        stroke={palette.pine}
        strokeWidth={2.4}
        strokeDasharray="5 4"
      />
      <Line x1={150} y1={32} x2={150} y2={108} stroke={palette.pine} strokeWidth={4} />
      <Line x1={222} y1={32} x2={222} y2={108} stroke={palette.pine} strokeWidth={4} />
      <Label x={186} y={24} text="between the marks" palette={palette} strong />
      <SlotBelow aim={aim} palette={palette} />
    </G>
  );
}

/** A hydraulic tensioner: looked at, never adjusted. */
export function Hydraulic({ palette }: DrawingProps) {
  return (
    <G>
      <Rect
        x={50}
        y={54}
        width={130}
        height={40}
        rx={6}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Rect
        x={180}
        y={66}
        width={110}
        height={16}
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Circle cx={302} cy={74} r={14} fill={palette.card} stroke={palette.ink} strokeWidth={2.4} />
      <Rect
        x={216}
        y={54}
        width={22}
        height={40}
        fill={palette.blueTint}
        stroke={palette.blue}
        strokeWidth={1.8}
        strokeDasharray="4 3"
      />
      <Label x={227} y={44} text="rod inside its band" palette={palette} strong />
      <Arrow x1={116} y1={130} x2={116} y2={98} palette={palette} dashed />
      <Label x={180} y={150} text="look for a leak; do not adjust" palette={palette} />
    </G>
  );
}
