import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, G, Line, Text as SvgText } from 'react-native-svg';
import type { Point } from '@green-tally/core/photo';
import { FONT, RADIUS, STROKE, usePalette } from '../../ui';

/** What is drawn on a photo where a tap came to lie, px of the photo. */
export interface Laid {
  readonly px: Point;
  /** of the pin that was found, px */
  readonly radius?: number;
  /** the way the edge runs that was found, px, length one */
  readonly along?: Point;
  readonly found: boolean;
}

interface PhotoPictureProps {
  readonly bitmap: ImageBitmap;
  /** what it shows, in words */
  readonly label: string;
  readonly testID: string;
  /** the part that is shown, px: from its upper left, so wide and high */
  readonly view: readonly [x: number, y: number, width: number, height: number];
  readonly corners: readonly Point[];
  readonly taps: readonly Laid[];
  /** the straight edge that is measured from, where one is */
  readonly edge?: readonly [Point, Point] | undefined;
  /** hears a tap, px of the photo, and how many of them a pixel of the screen shows */
  readonly onTap: (at: Point, perPx: number) => void;
  /** moves the tap that was laid last by so many px, where keys can */
  readonly onNudge?: (by: Point) => void;
  readonly loupe?: boolean;
}

/** The loupe: so wide on the screen, and so much nearer. */
const LOUPE = 148;
const NEARER = 2;

/** A photo, or a part of it, to tap in: what was found is drawn over it, and a loupe shows what lies under the finger. */
export function PhotoPicture(props: PhotoPictureProps) {
  const { bitmap, view, corners, taps, edge, onTap, onNudge, label, testID, loupe = true } = props;
  const palette = usePalette();
  const canvas = useRef<HTMLCanvasElement | null>(null);
  const [width, setWidth] = useState(0);
  const [under, setUnder] = useState<Point>();
  const [x, y, w, h] = view;
  useEffect(() => {
    const drawn = canvas.current?.getContext('2d');
    if (!drawn || !width) return;
    const dots = Math.min(2, globalThis.devicePixelRatio || 1);
    drawn.canvas.width = Math.round(width * dots);
    drawn.canvas.height = Math.round((width * dots * h) / w);
    drawn.imageSmoothingQuality = 'high';
    drawn.drawImage(bitmap, x, y, w, h, 0, 0, drawn.canvas.width, drawn.canvas.height);
  }, [bitmap, x, y, w, h, width]);
  const perPx = width ? w / width : 1;
  const at = (e: PointerEvent): Point => {
    const box = (e.currentTarget as HTMLElement).getBoundingClientRect();
    return [
      x + ((e.clientX - box.left) / box.width) * w,
      y + ((e.clientY - box.top) / box.height) * h,
    ];
  };
  const pointing: object = {
    onPointerDown: (e: PointerEvent) => {
      (e.currentTarget as HTMLElement).setPointerCapture?.(e.pointerId);
      setUnder(at(e));
    },
    onPointerMove: (e: PointerEvent) => (under ? setUnder(at(e)) : undefined),
    onPointerUp: (e: PointerEvent) => {
      if (under) onTap(at(e), perPx);
      setUnder(undefined);
    },
    onPointerCancel: () => setUnder(undefined),
    onKeyDown: (e: KeyboardEvent) => {
      const step = STEPS[e.key];
      if (!step || !onNudge) return;
      e.preventDefault();
      const by = e.shiftKey ? 10 : 1;
      onNudge([step[0] * by, step[1] * by]);
    },
  };
  return (
    <View style={[styles.frame, { borderColor: palette.line }]}>
      <View
        {...pointing}
        role="application"
        tabIndex={0}
        aria-label={label}
        testID={testID}
        onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
        style={[styles.picture, hold, { aspectRatio: w / h }]}
      >
        <canvas ref={canvas} style={filling} />
        <Svg
          width="100%"
          height="100%"
          viewBox={`${x} ${y} ${w} ${h}`}
          style={styles.over}
          aria-hidden
        >
          {corners.map(([cx, cy], i) => (
            <Circle key={i} cx={cx} cy={cy} r={2.2 * perPx} fill={palette.pine} />
          ))}
          {edge ? (
            <Line
              x1={edge[0][0]}
              y1={edge[0][1]}
              x2={edge[1][0]}
              y2={edge[1][1]}
              stroke={palette.blue}
              strokeWidth={2.2 * perPx}
            />
          ) : null}
          {taps.map((tap, i) => (
            <Mark key={i} tap={tap} name={`${i + 1}`} perPx={perPx} />
          ))}
        </Svg>
        {under && loupe ? <Loupe bitmap={bitmap} at={under} right={under[0] < x + w / 2} /> : null}
      </View>
    </View>
  );
}

const STEPS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where a tap came to lie: crossed, with the circle or the edge that was found; broken where it is by eye. */
function Mark({ tap, name, perPx }: { tap: Laid; name: string; perPx: number }) {
  const palette = usePalette();
  const [x, y] = tap.px;
  const arm = 13 * perPx;
  const ink = tap.found ? palette.blue : palette.violet;
  const strokes = [
    { stroke: palette.card, strokeWidth: 5 * perPx },
    { stroke: ink, strokeWidth: 2.2 * perPx },
  ];
  return (
    <G>
      {strokes.map((s, i) => (
        <G
          key={i}
          {...s}
          fill="none"
          {...(tap.found ? {} : { strokeDasharray: `${4 * perPx} ${3 * perPx}` })}
        >
          <Line x1={x - arm} x2={x + arm} y1={y} y2={y} />
          <Line x1={x} x2={x} y1={y - arm} y2={y + arm} />
          {tap.radius ? <Circle cx={x} cy={y} r={tap.radius} /> : null}
          {tap.along ? (
            <Line
              x1={x - tap.along[0] * 3 * arm}
              y1={y - tap.along[1] * 3 * arm}
              x2={x + tap.along[0] * 3 * arm}
              y2={y + tap.along[1] * 3 * arm}
            />
          ) : null}
        </G>
      ))}
      <SvgText
        x={x + 0.5 * arm}
        y={y - 0.6 * arm}
        fontFamily={FONT.bold}
        fontSize={20 * perPx}
        fill={ink}
        stroke={palette.card}
        strokeWidth={0.6 * perPx}
      >
        {name}
      </SvgText>
    </G>
  );
}

/** What lies under the finger, nearer, beside it. */
function Loupe({ bitmap, at, right }: { bitmap: ImageBitmap; at: Point; right: boolean }) {
  const palette = usePalette();
  const canvas = useRef<HTMLCanvasElement | null>(null);
  const [x, y] = at;
  useEffect(() => {
    const drawn = canvas.current?.getContext('2d');
    if (!drawn) return;
    const part = LOUPE / NEARER;
    drawn.fillStyle = '#888';
    drawn.fillRect(0, 0, LOUPE, LOUPE);
    drawn.drawImage(bitmap, x - part / 2, y - part / 2, part, part, 0, 0, LOUPE, LOUPE);
    drawn.strokeStyle = palette.rust;
    drawn.lineWidth = 1.5;
    drawn.beginPath();
    drawn.moveTo(LOUPE / 2, 0);
    drawn.lineTo(LOUPE / 2, LOUPE);
    drawn.moveTo(0, LOUPE / 2);
    drawn.lineTo(LOUPE, LOUPE / 2);
    drawn.stroke();
  }, [bitmap, x, y, palette]);
  return (
    <View style={[styles.loupe, { borderColor: palette.rust }, right ? { right: 4 } : { left: 4 }]}>
      <canvas ref={canvas} width={LOUPE} height={LOUPE} />
    </View>
  );
}

const filling = { width: '100%', height: '100%', display: 'block' } as const;
/** A finger on the photo measures; it does not scroll. */
const hold = { touchAction: 'none', cursor: 'crosshair' } as object;

const styles = StyleSheet.create({
  // the frame stands around the picture: a tap is told by the picture alone
  frame: { borderWidth: STROKE.thin, borderRadius: RADIUS.s, overflow: 'hidden' },
  picture: { width: '100%' },
  over: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' },
  loupe: {
    position: 'absolute',
    top: 4,
    width: LOUPE + 4,
    height: LOUPE + 4,
    borderWidth: 2,
    borderRadius: LOUPE,
    overflow: 'hidden',
    pointerEvents: 'none',
  },
});
