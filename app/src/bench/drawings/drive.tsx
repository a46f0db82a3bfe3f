import { Circle, G, Path } from 'react-native-svg';
import { Dimension, Label } from '../../schematics/dimensions';
import type { Palette } from '../../ui';
import { resultOf, type Drawn } from './drawn';
import { Arrow, fitPair, openLoop, Pair } from './shapes';

interface SheavesProps extends Drawn {
  readonly driver: number;
  readonly driven: number;
  /** where a new belt would ride, dashed */
  readonly before?: readonly [driver: number, driven: number];
  readonly words: string;
}

/** Both sheaves from the side with the belt where it rides, and the driver's groove cut open; to scale. */
function Sheaves({ v, driver, driven, before, words, palette }: SheavesProps) {
  const C = v['centre'] ?? 1;
  const all = [driver, driven, ...(before ?? [])];
  const most = Math.max(...all);
  const scale = Math.min(216 / (C + 2 * most), 130 / (2 * most));
  const wheel = (r: number, x: number) => ({ x, y: 82, r: r * scale });
  const left = 16 + most * scale;
  const [a, b] = [wheel(driver, left), wheel(driven, left + C * scale)];
  return (
    <>
      {[a, b].map((w) => (
        <Circle
          key={w.x}
          cx={w.x}
          cy={w.y}
          r={Math.min(most * scale + 6, w.r + 10)}
          fill={palette.pineTint}
          stroke={palette.pine}
          strokeWidth={2}
        />
      ))}
      <Pair a={a} b={b} palette={palette} thick={6} />
      {before ? (
        <Path
          d={openLoop(wheel(before[0], a.x), wheel(before[1], b.x))}
          fill="none"
          stroke={palette.rust}
          strokeWidth={3}
          strokeDasharray="4 5"
        />
      ) : null}
      <Label x={a.x} y={172} text={`r ${driver.toFixed(1)}`} palette={palette} />
      <Label x={b.x} y={172} text={`r ${driven.toFixed(1)}`} palette={palette} />
      <Groove v={v} palette={palette} />
      <Label x={16} y={194} text={words} anchor="start" strong palette={palette} />
    </>
  );
}

/** The driver's two halves apart by the gap, the belt between them; enlarged, to scale in itself. */
function Groove({ v, palette }: { v: Drawn['v']; palette: Palette }) {
  const [w, x, angle] = [v['beltWidth'] ?? 1, v['gap'] ?? 0, v['groove'] ?? 30];
  const tan = Math.tan((angle * Math.PI) / 360);
  const scale = 56 / Math.max(w, x, 1);
  const mid = 312;
  const foot = 146;
  const half = (width: number) => (width * scale) / 2;
  const rise = Math.max(8, Math.min(96, (half(w) - half(x)) / tan));
  const tall = Math.min(26, rise);
  const side = (s: 1 | -1) =>
    `M ${mid + s * half(x)} ${foot} L ${mid + s * (half(x) + tan * (rise + 14))} ${foot - rise - 14}`;
  const low = Math.max(2, half(w) - tall * tan);
  const top = foot - rise;
  return (
    <G fill="none">
      <Path d={side(-1)} stroke={palette.pine} strokeWidth={5} />
      <Path d={side(1)} stroke={palette.pine} strokeWidth={5} />
      <Path
        d={`M ${mid - half(w)} ${top} L ${mid + half(w)} ${top} L ${mid + low} ${top + tall} L ${mid - low} ${top + tall} Z`}
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={3}
      />
      <Label x={mid} y={172} text={`gap ${x}`} palette={palette} />
    </G>
  );
}

/** The drive at the gap that stands there. */
export function DriveAtGap(props: Drawn) {
  const { results } = props;
  return (
    <Sheaves
      {...props}
      driver={resultOf(results, 'Belt rides')}
      driven={resultOf(results, 'and in the driven')}
      words={`${resultOf(results, 'Driven turns').toFixed(0)} rpm`}
    />
  );
}

/** Speeds from the slowest to the fastest, and the one that is wanted. */
export function DriveForSpeed({ v, results, palette }: Drawn) {
  const [slow, fast] = [resultOf(results, 'Slowest'), resultOf(results, 'Fastest')];
  const wanted = v['wanted'];
  const x = (rpm: number) => 40 + (280 * (rpm - slow)) / Math.max(1e-9, fast - slow);
  const gap = results.find((r) => r.label.startsWith('Gap for'));
  return (
    <>
      <Path
        d="M 40 96 L 320 74 L 320 118 L 40 100 Z"
        fill={palette.pineTint}
        stroke={palette.pine}
      />
      <Label x={40} y={142} text={`${slow.toFixed(0)} rpm`} palette={palette} />
      <Label x={320} y={142} text={`${fast.toFixed(0)} rpm`} palette={palette} />
      <Label x={40} y={162} text={`gap ${v['gapHigh']}`} palette={palette} />
      <Label x={320} y={162} text={`gap ${v['gapLow']}`} palette={palette} />
      {wanted !== undefined && gap ? (
        <>
          <Arrow from={[x(wanted), 36]} to={[x(wanted), 68]} color={palette.ink} />
          <Label
            x={Math.min(280, Math.max(80, x(wanted)))}
            y={26}
            text={`${wanted} rpm at gap ${gap.value.toFixed(2)}`}
            strong
            palette={palette}
          />
        </>
      ) : null}
    </>
  );
}

/** Where the worn belt rides, and dashed where a new one does. */
export function DriveWorn(props: Drawn) {
  const { v, results, palette } = props;
  const tan = Math.tan(((v['groove'] ?? 30) * Math.PI) / 360);
  const ride = (width: number) => (v['driverR0'] ?? 0) + (width - (v['gap'] ?? 0)) / (2 * tan);
  const rpm = resultOf(results, 'Driven turns');
  const lost = resultOf(results, 'Lost');
  const driven = (radius: number, speed: number) =>
    (radius * (v['driverRpm'] ?? 1) * (1 - (v['slip'] ?? 0) / 100)) / Math.max(1e-9, speed);
  const [now, then] = [ride(v['worn'] ?? 0), ride(v['beltWidth'] ?? 0)];
  return (
    <Sheaves
      {...props}
      v={{ ...v, beltWidth: v['worn'] ?? 0 }}
      palette={palette}
      driver={now}
      driven={driven(now, rpm)}
      before={[then, driven(then, rpm + lost)]}
      words={`${rpm.toFixed(0)} rpm, dashed: a new belt`}
    />
  );
}

/** The speeds of both builds, and of the wrong figure, beside each other. */
export function DriveBuilds({ results, palette }: Drawn) {
  const most = Math.max(...results.map((r) => r.value), 1);
  return (
    <>
      {results.map((r, i) => (
        <G key={r.label}>
          <Label x={20} y={30 + 58 * i} text={r.label} anchor="start" palette={palette} />
          <Path
            d={`M 20 ${40 + 58 * i} h ${(260 * r.value) / most} v 18 h ${(-260 * r.value) / most} Z`}
            fill={r.tone ? palette.violetTint : palette.pineTint}
            stroke={r.tone ? palette.violet : palette.pine}
            strokeWidth={2.5}
          />
          <Label
            x={28 + (260 * r.value) / most}
            y={54 + 58 * i}
            text={`${r.value.toFixed(0)}`}
            anchor="start"
            strong
            palette={palette}
          />
        </G>
      ))}
    </>
  );
}

/** The upper belt before, dashed, and after the assembly has moved; to scale. */
export function Domino({ v, palette }: Drawn) {
  const [D, d] = [v['upperLarge'] ?? 1, v['upperSmall'] ?? 1];
  const [C, moved, towards] = [v['upperCentre'] ?? 1, v['moved'] ?? 0, v['towards'] ?? 0];
  const { a, b, scale } = fitPair([D / 2, d / 2, C], { width: 310, height: 130, y: 84 });
  const angle = (towards * Math.PI) / 180;
  const there = {
    ...b,
    x: b.x - moved * scale * Math.cos(angle),
    y: b.y + moved * scale * Math.sin(angle),
  };
  return (
    <>
      <Pair a={a} b={there} palette={palette} thick={6} />
      <Path
        d={openLoop(a, b)}
        fill="none"
        stroke={palette.rust}
        strokeWidth={3}
        strokeDasharray="4 5"
      />
      <Circle cx={there.x} cy={there.y} r={5} fill={palette.blue} />
      {moved ? (
        <Arrow
          from={[b.x, b.y + 40]}
          to={[b.x - 34 * Math.cos(angle), b.y + 40 + 34 * Math.sin(angle)]}
          color={palette.blue}
        />
      ) : null}
      <Dimension x1={a.x} x2={b.x} y={174} text={`${C} mm before`} palette={palette} />
    </>
  );
}
