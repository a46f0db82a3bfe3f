import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { Dimension, Height, Label } from '../../schematics/dimensions';
import type { Palette } from '../../ui';
import { resultOf, type Drawn } from './drawn';
import { fitPair, Pair } from './shapes';

/** The strand as it measures, below the same pitches when new; both from the same pin. */
export function Elongation({ v, results, palette }: Drawn) {
  const e = resultOf(results, 'Elongation') / 100;
  const limit = resultOf(results, 'Limit') / 100;
  const u = results[0]?.uncertainty ?? 0;
  const count = Math.min(12, v['pitches'] ?? 12);
  const full = 300 / (1 + Math.max(limit, e, 0));
  const link = full / count;
  // growth of a few per cent: what lies past the new length is drawn alone, below, much larger
  const most = 1.4 * Math.max(limit, e + u / 100, 0.001);
  const x = (share: number) => 30 + (300 * Math.max(0, share)) / most;
  return (
    <>
      <Strand y={34} x={30} link={link} count={count} color={palette.quiet} />
      <Label x={30} y={16} text="new" anchor="start" palette={palette} />
      <Strand y={78} x={30} link={link * (1 + e)} count={count} color={palette.ink} />
      <Label x={30} y={62} text="as it is, to scale" anchor="start" palette={palette} />
      <Line x1={30 + full} x2={30 + full} y1={20} y2={98} stroke={palette.line} strokeWidth={2} />
      <Line x1={30} x2={330} y1={142} y2={142} stroke={palette.ink} strokeWidth={3} />
      <Rect
        x={x(e - u / 100)}
        width={Math.max(2, x(e + u / 100) - x(e - u / 100))}
        y={130}
        height={24}
        fill={palette.blueTint}
        stroke={palette.blue}
      />
      <Line x1={x(e)} x2={x(e)} y1={124} y2={160} stroke={palette.ink} strokeWidth={5} />
      <Line x1={x(limit)} x2={x(limit)} y1={120} y2={164} stroke={palette.rust} strokeWidth={6} />
      <Line x1={30} x2={30} y1={128} y2={156} stroke={palette.ink} strokeWidth={3} />
      <Label x={30} y={182} text="new" palette={palette} />
      <Label x={x(limit)} y={182} text="limit" strong palette={palette} />
      <Label x={30} y={116} text="growth, enlarged, with its ±" anchor="start" palette={palette} />
    </>
  );
}

interface StrandProps {
  readonly x: number;
  readonly y: number;
  readonly link: number;
  readonly count: number;
  readonly color: string;
}

function Strand({ x, y, link, count, color }: StrandProps) {
  const pins = Array.from({ length: count + 1 }, (_, i) => x + i * link);
  const r = Math.min(7, link / 3);
  return (
    <G stroke={color} strokeWidth={2.4} fill="none">
      {pins.slice(0, -1).map((at, i) => (
        <Rect key={at} x={at} y={y - (i % 2 ? 4 : 7)} width={link} height={i % 2 ? 8 : 14} rx={4} />
      ))}
      {pins.map((at) => (
        <Circle key={at} cx={at} cy={y} r={r} fill={color} />
      ))}
    </G>
  );
}

/** The upper teeth of both sprockets with the chain's rollers on them, to scale. */
export function Sprockets({ v, results, palette }: Drawn) {
  return (
    <>
      {(['larger', 'smaller'] as const).map((which, i) => (
        <Teeth
          key={which}
          x={90 + 180 * i}
          teeth={(which === 'larger' ? v['large'] : v['small']) ?? 15}
          diameter={resultOf(results, `Pitch diameter, ${which}`)}
          climb={resultOf(results, `Climbs, ${which}`)}
          pitch={v['pitch'] ?? 1}
          palette={palette}
          words={`${which}, ${which === 'larger' ? v['large'] : v['small']} teeth`}
        />
      ))}
    </>
  );
}

interface TeethProps {
  readonly x: number;
  readonly teeth: number;
  readonly diameter: number;
  readonly climb: number;
  readonly pitch: number;
  readonly palette: Palette;
  readonly words: string;
}

/** So many pixels are a pitch. */
const TOOTH = 34;

/** Five teeth, or as many as a small sprocket shows from above. */
function Teeth({ x, teeth, diameter, climb, pitch, palette, words }: TeethProps) {
  const scale = TOOTH / pitch;
  const R = (diameter / 2) * scale;
  const cy = 74 + R;
  const step = (2 * Math.PI) / teeth;
  const tip = R + 0.3 * pitch * scale * 0.98;
  const roller = 0.3 * TOOTH;
  const seat = R - roller;
  const at = (r: number, turns: number) =>
    `${(x + r * Math.sin(turns * step)).toFixed(2)} ${(cy - r * Math.cos(turns * step)).toFixed(2)}`;
  const reach = Math.min(2, Math.floor(teeth / 4));
  const slots = Array.from({ length: 2 * reach + 1 }, (_, i) => i - reach);
  const outline = slots
    .map(
      (k) =>
        `L ${at(seat, k - 0.16)} A ${roller} ${roller} 0 0 0 ${at(seat, k + 0.16)} L ${at(tip, k + 0.42)} L ${at(tip, k + 0.58)}`,
    )
    .join(' ');
  return (
    <G>
      <Path
        d={`M ${at(tip, -reach - 0.42)} ${outline} L ${at(Math.max(4, R - 40), reach + 0.58)} L ${at(Math.max(4, R - 40), -reach - 0.42)} Z`}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={2.4}
        strokeLinejoin="round"
      />
      {slots.map((k) => (
        <Circle
          key={k}
          cx={x + (R + climb * scale) * Math.sin(k * step)}
          cy={cy - (R + climb * scale) * Math.cos(k * step)}
          r={roller * 0.94}
          fill={palette.card}
          stroke={palette.ink}
          strokeWidth={3}
        />
      ))}
      <Label x={x} y={186} text={words} palette={palette} />
    </G>
  );
}

/** The slot of the adjuster: where it stands, and where links taken out would set it. */
export function TakeUp({ v, results, palette }: Drawn) {
  const [A, a, reserve] = [v['travel'] ?? 1, v['used'] ?? 0, v['reserve'] ?? 0];
  const x = (mm: number) => 30 + (300 * Math.min(A, Math.max(0, mm))) / A;
  const moves = results.filter((r) => / out/.test(r.label));
  return (
    <>
      <Rect
        x={24}
        y={62}
        width={312}
        height={44}
        rx={22}
        fill={palette.card}
        stroke={palette.ink}
        strokeWidth={3}
      />
      <Rect
        x={x(A - reserve)}
        y={64}
        width={x(A) - x(A - reserve)}
        height={40}
        fill={palette.rustTint}
      />
      <Label x={x(A - reserve / 2)} y={26} text="reserve" palette={palette} />
      {moves.map((r) => (
        <G key={r.label}>
          <Circle
            cx={x(A - r.value)}
            cy={84}
            r={13}
            fill="none"
            stroke={r.tone === 'good' ? palette.pine : palette.quiet}
            strokeWidth={r.tone === 'good' ? 5 : 3}
            strokeDasharray="4 4"
          />
          <Label
            x={x(A - r.value)}
            y={132}
            text={/^\d+/.exec(r.label)?.[0] ?? ''}
            strong={r.tone === 'good'}
            palette={palette}
          />
        </G>
      ))}
      <Circle cx={x(a)} cy={84} r={15} fill={palette.ink} />
      <Label x={x(a)} y={48} text="now" strong palette={palette} />
      {moves.length ? (
        <Label x={30} y={156} text="with so many half links out" anchor="start" palette={palette} />
      ) : null}
      <Dimension x1={30} x2={330} y={174} text={`${A} mm of travel`} palette={palette} />
    </>
  );
}

/** Both sprockets and the chain round them, to scale. */
export function Loop({ v, palette }: Drawn) {
  const [p, z1, z2, C] = [v['pitch'] ?? 1, v['large'] ?? 5, v['small'] ?? 5, v['centre'] ?? 1];
  const radius = (z: number) => p / Math.sin(Math.PI / z) / 2;
  const { a, b } = fitPair([radius(z1), radius(z2), C], { width: 320, height: 140, y: 82 });
  return (
    <>
      <Pair a={a} b={b} palette={palette} />
      <Dimension x1={a.x} x2={b.x} y={174} text={`${C} mm`} palette={palette} />
    </>
  );
}

/** A strand between two sprockets that hangs through, to scale. */
export function Sag({ v, results, palette }: Drawn) {
  const s = v['span'] ?? 1;
  const f = v['wanted'] === undefined ? (v['sag'] ?? 0) : resultOf(results, 'Sag at that tension');
  const scale = 260 / s;
  const deep = Math.min(120, f * scale);
  return (
    <>
      <Line
        x1={50}
        x2={310}
        y1={40}
        y2={40}
        stroke={palette.quiet}
        strokeWidth={2}
        strokeDasharray="4 6"
      />
      <Path
        d={`M 50 40 Q 180 ${40 + 2 * deep} 310 40`}
        stroke={palette.ink}
        strokeWidth={6}
        fill="none"
      />
      <Circle
        cx={50}
        cy={40}
        r={14}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={3}
      />
      <Circle
        cx={310}
        cy={40}
        r={14}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={3}
      />
      <Height x={180} y1={40} y2={40 + deep} text="" palette={palette} />
      <Label x={180} y={68 + deep} text={`${f.toFixed(1)} mm`} strong palette={palette} />
      <Dimension x1={50} x2={310} y={174} text={`${s} mm`} palette={palette} />
    </>
  );
}
