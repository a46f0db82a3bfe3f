import { printNumber } from '@green-tally/core/units';
import { G, Line, Path, Rect } from 'react-native-svg';
import { SlotBelow } from './adjusters';
import { type DrawingProps } from './drawing';
import { Arrow, Dimension, Label, Lines, Scale } from './dimensions';
import { Chain, Ground, Pulley, Sprocket } from './machineParts';

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
