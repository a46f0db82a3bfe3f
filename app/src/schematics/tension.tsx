import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { printNumber } from '@green-tally/core/units';
import type { Palette } from '../ui';
import type { Aim } from './aim';
import {
  Arrow,
  Chain,
  Dimension,
  Ground,
  Label,
  Lines,
  Pulley,
  Scale,
  Slot,
  Spring,
  Sprocket,
} from './parts';

interface DrawingProps {
  readonly aim: Aim;
  readonly palette: Palette;
}

const slotText = ({ slot }: Aim): string =>
  slot ? `slot left, of ${printNumber(slot.total, 0)} mm` : '';
const tolerance = ({ gauge }: Aim, what: string): string =>
  gauge.past > 0
    ? `${what} here, to ${printNumber(gauge.past, 1)} mm past`
    : `${what} exactly here`;
const slotWidth = (aim: Aim): number => Math.min(120, (aim.slot?.total ?? 0) * 1.6);

function SlotBelow({ aim, palette }: DrawingProps) {
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

/** Spring gauge: where the washer should stand, the tolerance past it, and the slot behind, to the sheet's scale. */
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

/** The feeder from the side with its lower strand: which slat touches the floor. */
export function SlatAtFloor({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Pulley x={60} y={66} r={30} palette={palette} />
      <Sprocket x={300} y={54} r={26} teeth={9} palette={palette} />
      <Path
        d="M58 36 L298 28 M70 96 Q170 126 292 80"
        fill="none"
        stroke={palette.ink}
        strokeWidth={3}
      />
      {[0.2, 0.38, 0.56, 0.74].map((t, i) => (
        <Rect
          key={t}
          x={62 + t * 230}
          y={100 + 14 * Math.sin(Math.PI * t) - (t > 0.6 ? 14 : 0)}
          width={6}
          height={14}
          fill={i === 1 ? palette.blue : palette.ink}
        />
      ))}
      <Ground x1={40} x2={320} y={130} palette={palette} />
      <Arrow x1={150} y1={66} x2={152} y2={104} palette={palette} />
      <Label x={160} y={60} text="this slat just touches" palette={palette} strong />
      <Label
        x={160}
        y={162}
        text={
          aim.slot
            ? `keep ${printNumber(aim.slot.reserve, 0)} of ${printNumber(aim.slot.total, 0)} mm slot`
            : aim.check.position
        }
        palette={palette}
      />
    </G>
  );
}

/** A slat seen through the window in the side plate. */
export function SlatInWindow({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Rect
        x={20}
        y={20}
        width={320}
        height={96}
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Rect
        x={120}
        y={34}
        width={120}
        height={68}
        rx={8}
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={2.4}
      />
      <Line
        x1={120}
        y1={68}
        x2={240}
        y2={68}
        stroke={palette.blue}
        strokeWidth={1.8}
        strokeDasharray="6 5"
      />
      <Rect x={132} y={62} width={96} height={12} fill={palette.pine} />
      <Label x={250} y={64} text="slat at" palette={palette} strong anchor="start" />
      <Label x={250} y={84} text="the middle" palette={palette} strong anchor="start" />
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

/** A draper's tension indicator inside its band. */
export function DraperBand({ aim, palette }: DrawingProps) {
  const band = aim.gauge.short + aim.gauge.past;
  return (
    <G>
      <Path d="M50 50 H310 M50 98 H310" stroke={palette.ink} strokeWidth={4} />
      <Pulley x={50} y={74} r={24} palette={palette} />
      <Pulley x={310} y={74} r={24} palette={palette} />
      <Rect
        x={150}
        y={60}
        width={60}
        height={28}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={2.4}
      />
      <Path d="M180 60 l-7 -12 h14 Z" fill={palette.blue} />
      <Label x={180} y={34} text="pointer inside the band" palette={palette} strong />
      <Label
        x={180}
        y={150}
        text={
          aim.low === undefined && band > 0
            ? `band ${printNumber(band, 1)} mm wide; slacken it for storage`
            : 'slacken it for storage'
        }
        palette={palette}
      />
    </G>
  );
}

/** A level drive with its sag at mid-span. */
export function Sag({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Sprocket x={56} y={64} r={30} teeth={10} palette={palette} />
      <Sprocket x={304} y={64} r={24} teeth={8} palette={palette} />
      <Path d="M56 34 L304 40" stroke={palette.ink} strokeWidth={3} fill="none" />
      <Path d="M56 94 Q180 128 304 88" stroke={palette.ink} strokeWidth={3} fill="none" />
      <Line
        x1={56}
        y1={94}
        x2={304}
        y2={88}
        stroke={palette.blue}
        strokeWidth={1.8}
        strokeDasharray="6 5"
      />
      <Arrow x1={180} y1={92} x2={180} y2={108} palette={palette} />
      {aim.low === undefined && aim.high === undefined ? (
        <Label
          x={180}
          y={146}
          text={
            aim.limit === undefined
              ? 'movement at mid-span'
              : `movement at mid-span, limit ${aim.write(aim.limit)}`
          }
          palette={palette}
          strong
        />
      ) : (
        <Scale
          low={aim.low}
          high={aim.high}
          write={aim.write}
          x={90}
          y={136}
          width={180}
          palette={palette}
        />
      )}
    </G>
  );
}

/** Chain feel at the lower sprocket of an elevator: slide sideways, try to pull away. */
export function ElevatorFeel({ aim, palette }: DrawingProps) {
  return (
    <G>
      <Sprocket x={150} y={92} r={44} teeth={10} palette={palette} />
      <Path
        d="M106 12 V92 A44 44 0 0 0 194 92 V12"
        fill="none"
        stroke={palette.ink}
        strokeWidth={7}
        strokeDasharray="12 5"
      />
      <Arrow x1={150} y1={152} x2={116} y2={152} palette={palette} />
      <Arrow x1={150} y1={152} x2={184} y2={152} palette={palette} />
      <Arrow x1={204} y1={92} x2={238} y2={92} palette={palette} dashed />
      <Label x={192} y={158} text="slides by hand" palette={palette} anchor="start" strong />
      <Lines x={246} y={88} lines={['cannot be', 'pulled away']} palette={palette} />
      {aim.slot ? (
        <>
          <Label
            x={206}
            y={30}
            text={`slot ${printNumber(aim.slot.total, 0)} mm, keep`}
            palette={palette}
            anchor="start"
          />
          <Label
            x={206}
            y={48}
            text={`${printNumber(aim.slot.reserve, 0)} mm in reserve`}
            palette={palette}
            anchor="start"
          />
        </>
      ) : null}
    </G>
  );
}

/** Chain over n pitches: the new length, and how much longer the limit is, drawn ten times over. */
export function ChainPitches({ aim, palette }: DrawingProps) {
  const { check, nominal = 1, limit = 1 } = aim;
  const pitches =
    (check.kind === 'measure' || check.kind === 'series') && check.limit.type === 'elongation'
      ? check.limit.pitches
      : 10;
  const run = 270;
  const grown = Math.min(50, ((limit - nominal) / nominal) * run * 8);
  return (
    <G>
      <Chain x1={24} x2={24 + run} y={74} links={Math.min(pitches, 24)} palette={palette} />
      <Dimension
        x1={24}
        x2={24 + run}
        y={34}
        text={`new ${aim.write(nominal)}`}
        palette={palette}
        above
      />
      <Dimension
        x1={24}
        x2={24 + run + grown}
        y={116}
        text={`limit ${aim.write(limit)}${aim.limitPercent ? ` (${printNumber(aim.limitPercent, 2)} %)` : ''}`}
        palette={palette}
      />
      <Label
        x={24}
        y={162}
        text={`${pitches} pitches, same side of both pins`}
        palette={palette}
        anchor="start"
      />
    </G>
  );
}
