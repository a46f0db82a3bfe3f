import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import type { Check } from '@green-tally/core/contracts';
import { printLength, printNumber } from '@green-tally/core/units';
import { limitsOf } from '@green-tally/core/verdict';
import { usePalette, type Palette } from '../../ui';
import { Dimension, Label } from './parts';

/** A drawing of the check's method with its own numbers, 360 × 170 units. */
export function Schematic({ check }: { check: Check }) {
  const palette = usePalette();
  return (
    <View role="img" aria-label={schematicText(check)} style={{ width: '100%', maxWidth: 460, alignSelf: 'center', aspectRatio: 360 / 170 }}>
      <Svg width="100%" height="100%" viewBox="0 0 360 170" aria-hidden>{draw(check, palette)}</Svg>
    </View>
  );
}

/** The drawing in words. */
export function schematicText(check: Check): string {
  if (check.kind === 'measure' || check.kind === 'series') {
    const { nominal, limit } = limitsOf(check);
    return `${check.component}, ${check.measures}: new ${printLength(nominal, check.style, 1)}, limit ${printLength(limit, check.style, 1)}.`;
  }
  if (check.kind === 'mark') return `${check.component}: washer at the end of the gauge, up to ${check.gauge.past} mm past is fine; slot ${check.takeUp.total} mm long.`;
  if (check.kind === 'feel') return `${check.component}: slide it on the lower sprocket; slot ${check.takeUp.total} mm long.`;
  return `${check.component}: ${check.total} knives in opposite pairs.`;
}

function draw(check: Check, palette: Palette) {
  switch (check.kind) {
    case 'measure':
      return check.limit.type === 'elongation' ? <ChainLength check={check} palette={palette} /> : <BeltWidth check={check} palette={palette} />;
    case 'series':
      return check.limit.type === 'elongation' ? <ChainLength check={check} palette={palette} /> : <BeltWidth check={check} palette={palette} />;
    case 'mark':
      return <SpringGauge check={check} palette={palette} />;
    case 'feel':
      return <ElevatorFeel check={check} palette={palette} />;
    case 'count':
      return <KnifeRotor check={check} palette={palette} />;
  }
}

type Of<K extends Check['kind']> = { readonly check: Extract<Check, { kind: K }>; readonly palette: Palette };

/** Chain over n pitches: the new length, and how much longer the limit is, drawn ten times over. */
function ChainLength({ check, palette }: Of<'measure' | 'series'>) {
  const pitches = check.limit.type === 'elongation' ? check.limit.pitches : 10;
  const { nominal, limit, limitPercent } = limitsOf(check);
  const run = 270;
  const step = run / pitches;
  const grown = Math.min(50, ((limit - nominal) / nominal) * run * 8);
  const pins = Array.from({ length: pitches + 1 }, (_, i) => 24 + i * step);
  return (
    <G>
      {pins.slice(0, -1).map((x, i) => <Rect key={x} x={x - 5} y={i % 2 ? 66 : 62} width={step + 10} height={i % 2 ? 16 : 24} rx={8} fill={i % 2 ? palette.card : palette.tray} stroke={palette.ink} strokeWidth={2} />)}
      {pins.map((x) => <Circle key={x} cx={x} cy={74} r={5} fill={palette.card} stroke={palette.ink} strokeWidth={2.4} />)}
      <Dimension x1={24} x2={24 + run} y={34} text={`new ${printLength(nominal, check.style, 1)}`} palette={palette} above />
      <Dimension x1={24} x2={24 + run + grown} y={116} text={`limit ${printLength(limit, check.style, 1)}${limitPercent ? ` (${printNumber(limitPercent, 2)} %)` : ''}`} palette={palette} />
      <Label x={24} y={160} text={`${pitches} pitches, same side of both pins`} palette={palette} anchor="start" />
    </G>
  );
}

/** Belt in its groove: the new width, and the limit inside it to scale. */
function BeltWidth({ check, palette }: Of<'measure' | 'series'>) {
  const { nominal, limit } = limitsOf(check);
  const scale = 130 / nominal;
  const half = (mm: number) => (mm * scale) / 2;
  const mid = 160;
  return (
    <G>
      <Path d={`M${mid - half(nominal) - 46} 40 h34 L${mid - 26} 142 h52 L${mid + half(nominal) + 12} 40 h34 V156 H${mid - half(nominal) - 46} Z`} fill={palette.tray} stroke={palette.ink} strokeWidth={2.4} strokeLinejoin="round" />
      <Path d={`M${mid - half(nominal)} 52 H${mid + half(nominal)} L${mid + half(nominal) - 26} 102 H${mid - half(nominal) + 26} Z`} fill={palette.ink} />
      <G stroke={palette.rust} strokeWidth={2.4} strokeDasharray="5 4">
        <Line x1={mid - half(limit)} y1={46} x2={mid - half(limit)} y2={80} />
        <Line x1={mid + half(limit)} y1={46} x2={mid + half(limit)} y2={80} />
      </G>
      <Dimension x1={mid - half(nominal)} x2={mid + half(nominal)} y={28} text={`new ${printLength(nominal, check.style, 2)}`} palette={palette} above />
      <Label x={mid + half(nominal) + 52} y={70} text="limit" palette={palette} anchor="start" />
      <Label x={mid + half(nominal) + 52} y={90} text={printLength(limit, check.style, 2)} palette={palette} strong anchor="start" />
    </G>
  );
}

/** Spring gauge: where the washer should stand, the tolerance past it, and the slot behind, to the spec's scale. */
function SpringGauge({ check, palette }: Of<'mark'>) {
  const { gauge, takeUp } = check;
  const scale = 150 / gauge.length;
  const end = 40 + gauge.length * scale;
  const past = Math.max(4, gauge.past * scale);
  const slot = Math.min(120, takeUp.total * 1.6);
  const spring = Array.from({ length: 9 }, (_, i) => `${i ? 'L' : 'M'}${48 + i * ((end - 56) / 8)} ${i % 2 ? 46 : 78}`).join(' ');
  return (
    <G>
      <Line x1={20} y1={62} x2={340} y2={62} stroke={palette.ink} strokeWidth={6} />
      <Path d={spring} stroke={palette.ink} strokeWidth={3} fill="none" strokeLinejoin="round" />
      <Rect x={36} y={38} width={6} height={48} fill={palette.ink} />
      <Rect x={40} y={92} width={end - 40} height={12} fill={palette.pineTint} stroke={palette.pine} strokeWidth={2} />
      <Rect x={end} y={34} width={past} height={70} fill={palette.blueTint} stroke={palette.blue} strokeWidth={1.5} strokeDasharray="4 3" />
      <Rect x={end - 4} y={38} width={8} height={48} fill={palette.blue} />
      <Label x={44} y={124} text="gauge" palette={palette} anchor="start" />
      <Label x={end + 2} y={24} text={gauge.past > 0 ? `washer here, to ${printNumber(gauge.past, 1)} mm past` : 'washer exactly here'} palette={palette} strong />
      <Rect x={336 - slot} y={126} width={slot} height={16} rx={8} fill={palette.card} stroke={palette.ink} strokeWidth={2.4} />
      <Circle cx={336 - slot + 26} cy={134} r={10} fill={palette.ink} />
      <Dimension x1={336 - slot + 36} x2={336} y={150} text="" palette={palette} />
      <Label x={336 - slot - 8} y={140} text={`slot left, of ${printNumber(takeUp.total, 0)} mm`} palette={palette} anchor="end" />
    </G>
  );
}

/** The lower sprocket of an elevator: slide sideways, try to pull away. */
function ElevatorFeel({ check, palette }: Of<'feel'>) {
  const teeth = Array.from({ length: 10 }, (_, i) => (i * Math.PI) / 5);
  const spot = (r: number, a: number) => `${150 + r * Math.cos(a)} ${92 + r * Math.sin(a)}`;
  return (
    <G>
      <Path d={`${teeth.map((a, i) => `${i ? 'L' : 'M'}${spot(34, a - 0.2)} L${spot(44, a)} L${spot(34, a + 0.2)}`).join(' ')} Z`} fill={palette.tray} stroke={palette.ink} strokeWidth={2.2} />
      <Circle cx={150} cy={92} r={9} fill={palette.card} stroke={palette.ink} strokeWidth={2.2} />
      <Path d="M106 12 V92 A44 44 0 0 0 194 92 V12" fill="none" stroke={palette.ink} strokeWidth={7} strokeDasharray="12 5" />
      <G stroke={palette.blue} strokeWidth={3.4} fill="none" strokeLinecap="round">
        <Path d="M120 152 h60 M120 152 l8 -6 M120 152 l8 6 M180 152 l-8 -6 M180 152 l-8 6" />
        <Path d="M204 92 h34 M238 92 l-8 -6 M238 92 l-8 6" strokeDasharray="6 5" />
      </G>
      <Label x={188} y={158} text="slides by hand" palette={palette} anchor="start" strong />
      <Label x={246} y={88} text="cannot be" palette={palette} anchor="start" />
      <Label x={246} y={106} text="pulled away" palette={palette} anchor="start" />
      <Label x={206} y={30} text={`slot ${printNumber(check.takeUp.total, 0)} mm, keep`} palette={palette} anchor="start" />
      <Label x={206} y={48} text={`${printNumber(check.takeUp.reserve, 0)} mm in reserve`} palette={palette} anchor="start" />
    </G>
  );
}

/** The chopper rotor end on: knives in opposite pairs, one worn on an edge, one missing. */
function KnifeRotor({ check, palette }: Of<'count'>) {
  const pairs = Array.from({ length: 6 }, (_, i) => (i * 60 * Math.PI) / 180);
  return (
    <G>
      <Circle cx={110} cy={86} r={22} fill={palette.tray} stroke={palette.ink} strokeWidth={2.4} />
      {pairs.map((a, i) => {
        const missing = i === 1;
        const dx = Math.cos(a);
        const dy = Math.sin(a);
        const edge = `M${110 + 24 * dx - 6 * dy} ${86 + 24 * dy + 6 * dx} L${110 + 74 * dx - 6 * dy} ${86 + 74 * dy + 6 * dx} L${110 + 74 * dx + 6 * dy} ${86 + 74 * dy - 6 * dx} L${110 + 24 * dx + 6 * dy} ${86 + 24 * dy - 6 * dx} Z`;
        return <Path key={a} d={edge} fill={missing ? 'none' : i === 4 ? palette.rustTint : palette.card} stroke={missing || i === 4 ? palette.rust : palette.ink} strokeWidth={2.4} strokeDasharray={missing ? '4 4' : undefined} />;
      })}
      <Label x={206} y={40} text={`${check.total} knives`} palette={palette} anchor="start" strong />
      <Label x={206} y={66} text="dashed: one missing" palette={palette} anchor="start" />
      <Label x={206} y={90} text="shaded: its mate," palette={palette} anchor="start" />
      <Label x={206} y={108} text="renewed with it" palette={palette} anchor="start" />
      <Label x={206} y={134} text={`turn from ${check.turnFrom} worn`} palette={palette} anchor="start" />
    </G>
  );
}
