import { G, Line, Path, Rect } from 'react-native-svg';
import { Label } from '../../schematics/dimensions';
import { resultOf, type Drawn } from './drawn';

/** Both sums on a beam that leans to the heavier. */
export function Sums({ results, palette }: Drawn) {
  const [leave, renew] = [resultOf(results, 'Leave'), resultOf(results, 'Renew')];
  const lean = (leave - renew) / Math.max(leave + renew, 1);
  const drop = 34 * lean;
  const pan = (x: number, y: number, words: string, value: number) => (
    <G>
      <Path d={`M ${x} ${y} l -34 44 h 68 Z`} fill="none" stroke={palette.quiet} strokeWidth={2} />
      <Rect
        x={x - 44}
        y={y + 44}
        width={88}
        height={12}
        rx={6}
        fill={palette.pineTint}
        stroke={palette.pine}
      />
      <Label x={x} y={y + 34} text={value.toFixed(0)} strong palette={palette} />
      <Label x={x} y={y + 76} text={words} palette={palette} />
    </G>
  );
  return (
    <>
      <Path
        d="M 180 64 L 160 190 H 200 Z"
        fill={palette.tray}
        stroke={palette.ink}
        strokeWidth={2}
      />
      <Line
        x1={80}
        y1={64 + drop}
        x2={280}
        y2={64 - drop}
        stroke={palette.ink}
        strokeWidth={6}
        strokeLinecap="round"
      />
      {pan(80, 64 + drop, 'leave', leave)}
      {pan(280, 64 - drop, 'renew now', renew)}
    </>
  );
}

/** The area as a strip that is cut hour by hour. */
export function Season({ v, results, palette }: Drawn) {
  const hours = resultOf(results, 'Season');
  const days = Math.min(40, Math.max(1, Math.ceil(hours / 10)));
  const width = 320 / days;
  return (
    <>
      {Array.from({ length: days }, (_, i) => {
        const share = Math.min(1, hours / 10 - i);
        return (
          <G key={i}>
            <Rect
              x={20 + i * width}
              y={40}
              width={width - 2}
              height={96}
              fill={palette.card}
              stroke={palette.line}
            />
            <Rect
              x={20 + i * width}
              y={136 - 96 * share}
              width={width - 2}
              height={96 * share}
              fill={palette.pineTint}
              stroke={palette.pine}
            />
          </G>
        );
      })}
      <Label
        x={20}
        y={164}
        text={`${v['area']?.toFixed(0)} ha in days of ten hours: ${days}${hours > 400 ? ' and more' : ''}`}
        anchor="start"
        palette={palette}
      />
    </>
  );
}

/** The tooth as new, at its limit and as it is, one over the other, to scale. */
export function Tooth({ v, palette }: Drawn) {
  const [t0, t1, t] = [v['nominal'] ?? 1, v['limit'] ?? 1, v['measured'] ?? 1];
  const scale = 130 / Math.max(t0, t1, t);
  const tooth = (width: number) => {
    const half = (width * scale) / 2;
    return `M ${180 - half} 150 C ${180 - half} 90 ${180 - half * 0.5} 50 ${180 - half * 0.34} 40 H ${180 + half * 0.34} C ${180 + half * 0.5} 50 ${180 + half} 90 ${180 + half} 150 Z`;
  };
  return (
    <>
      <Path d={tooth(t)} fill={palette.pineTint} stroke={palette.ink} strokeWidth={4} />
      <Path
        d={tooth(t0)}
        fill="none"
        stroke={palette.quiet}
        strokeWidth={2.5}
        strokeDasharray="5 5"
      />
      <Path d={tooth(t1)} fill="none" stroke={palette.rust} strokeWidth={3} strokeDasharray="9 4" />
      <Label x={20} y={180} text="short dashes: new" anchor="start" palette={palette} />
      <Label x={340} y={180} text="long dashes: limit" anchor="end" palette={palette} />
    </>
  );
}
