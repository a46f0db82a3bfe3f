import { G, Line, Path } from 'react-native-svg';
import { Dimension, Height, Label } from '../../schematics/dimensions';
import { resultOf, type Drawn } from './drawn';
import { Arrow, fitPair, Pair, type Wheel } from './shapes';

const pulleys = (v: Drawn['v']) =>
  fitPair([(v['large'] ?? 1) / 2, (v['small'] ?? 1) / 2, v['centre'] ?? 1], {
    ...{ width: 320, height: 140, y: 82 },
  });

/** Ends of the upper free span. */
function upperSpan(a: Wheel, b: Wheel): readonly [number, number, number, number] {
  const lean = Math.acos((a.r - b.r) / (b.x - a.x));
  const at = (w: Wheel) => [w.x + w.r * Math.cos(lean), w.y - w.r * Math.sin(lean)] as const;
  return [...at(a), ...at(b)];
}

/** Two pulleys and their belt, to scale. */
export function BeltGeometry({ v, palette }: Drawn) {
  const { a, b } = pulleys(v);
  return (
    <>
      <Pair a={a} b={b} palette={palette} thick={7} />
      <Dimension x1={a.x} x2={b.x} y={174} text={`${v['centre']} mm`} palette={palette} />
    </>
  );
}

/** The span pressed in at its middle; the depth to scale with the span. */
export function BeltPush({ v, results, palette }: Drawn) {
  const { a, b, scale } = pulleys(v);
  const [x1, y1, x2, y2] = upperSpan(a, b);
  const free = Math.hypot(x2 - x1, y2 - y1) / scale;
  const q = (v['depth'] ?? free / 64) * scale;
  const [mx, my] = [(x1 + x2) / 2, (y1 + y2) / 2];
  return (
    <>
      <Pair a={a} b={b} palette={palette} thick={5} dashed />
      <Path
        d={`M ${x1} ${y1} L ${mx} ${my + q} L ${x2} ${y2}`}
        stroke={palette.ink}
        strokeWidth={6}
        fill="none"
        strokeLinejoin="round"
      />
      <Arrow from={[mx, Math.max(6, my - 40)]} to={[mx, my + q - 4]} color={palette.blue} />
      <Label
        x={mx + 12}
        y={Math.max(20, my - 22)}
        text={`${v['push']} N`}
        anchor="start"
        strong
        palette={palette}
      />
      <Label
        x={180}
        y={190}
        text={`tension ${resultOf(results, 'Tension').toFixed(0)} N`}
        palette={palette}
      />
    </>
  );
}

/** The span as it swings when plucked. */
export function BeltNote({ v, results, palette }: Drawn) {
  const { a, b } = pulleys(v);
  const [x1, y1, x2, y2] = upperSpan(a, b);
  const [mx, my] = [(x1 + x2) / 2, (y1 + y2) / 2];
  const f = v['tension'] === undefined ? v['note'] : resultOf(results, 'Note');
  return (
    <>
      <Pair a={a} b={b} palette={palette} thick={4} />
      {[-26, 26].map((swing) => (
        <Path
          key={swing}
          d={`M ${x1} ${y1} Q ${mx} ${my + swing} ${x2} ${y2}`}
          stroke={palette.blue}
          strokeWidth={3}
          strokeDasharray="5 5"
          fill="none"
        />
      ))}
      <Label x={180} y={190} text={`${f?.toFixed(1)} times a second`} palette={palette} />
    </>
  );
}

/** The belt in its groove: as new dashed, as it is filled, to scale. */
export function GrooveWidth({ v, results, palette }: Drawn) {
  const [w0, w, angle] = [v['section'] ?? 1, v['width'] ?? 1, v['groove'] ?? 30];
  const tan = Math.tan((angle * Math.PI) / 360);
  const drop = resultOf(results, 'Drops');
  const tall = Math.max(w0, w) * 0.45;
  const scale = Math.min(200 / Math.max(w0, w), 130 / (tall + Math.abs(drop) + 4));
  const top = 40 - Math.min(0, drop) * scale;
  const belt = (width: number, y: number) => {
    const half = (width * scale) / 2;
    const low = Math.max(2, half - tall * scale * tan);
    return `M ${180 - half} ${y} L ${180 + half} ${y} L ${180 + low} ${y + tall * scale} L ${180 - low} ${y + tall * scale} Z`;
  };
  const wall = (side: 1 | -1) => {
    const x = (y: number) => 180 + side * ((w0 * scale) / 2 - (y - top) * tan);
    return `M ${x(top - 20)} ${top - 20} L ${x(top + 140)} ${top + 140}`;
  };
  return (
    <G fill="none">
      <Path d={wall(-1)} stroke={palette.ink} strokeWidth={4} />
      <Path d={wall(1)} stroke={palette.ink} strokeWidth={4} />
      <Path d={belt(w0, top)} stroke={palette.quiet} strokeWidth={2.5} strokeDasharray="5 5" />
      <Path
        d={belt(w, top + drop * scale)}
        fill={palette.pineTint}
        stroke={palette.pine}
        strokeWidth={3}
      />
      <Line
        x1={30}
        x2={330}
        y1={top}
        y2={top}
        stroke={palette.line}
        strokeWidth={2}
        strokeDasharray="2 6"
      />
      <Height
        x={300}
        y1={top}
        y2={top + drop * scale}
        text={`${drop.toFixed(1)}`}
        palette={palette}
      />
      <Label x={30} y={top - 8} text="new" anchor="start" palette={palette} />
    </G>
  );
}
