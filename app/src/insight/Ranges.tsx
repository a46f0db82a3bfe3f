import type { Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Polygon, Rect } from 'react-native-svg';
import { Card, Go, Press, Quiet, Row, SPACE, Strong, Table, usePalette, useWide } from '../ui';

/** One figure with its range, and where it leads. */
export interface RangeRow {
  readonly key: string;
  readonly title: string;
  readonly to: Href;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  /** another figure it is held against: what had been said */
  readonly against?: number;
  /** nothing is known: nothing is drawn */
  readonly none?: boolean;
  /** the figure in words, with its unit; its range; by how much it is told */
  readonly said: string;
  readonly range: string;
  readonly by: string;
}

interface RangesProps {
  readonly label: string;
  readonly rows: readonly RangeRow[];
  /** what stands at the head of the figures, the range, and what it is told by */
  readonly heads: readonly [value: string, range: string, by: string];
  /** what all rows are held against: a line through them */
  readonly base?: number | undefined;
  readonly testID: string;
}

const FIRST = 14;

/**
 * Figures with their ranges: each drawn as a bar on one scale with its figure in words beside it, so
 * that the drawing and the table are one. A row leads to what it is told from.
 */
export function Ranges({ label, rows, heads, base, testID }: RangesProps) {
  const wide = useWide();
  const [all, setAll] = useState(false);
  const shown = all ? rows : rows.slice(0, FIRST);
  const scale = scaleOf(rows, base);
  const bar = (row: RangeRow) => <RangeBar row={row} scale={scale} base={base} />;
  return (
    <View testID={testID} style={styles.stack}>
      {wide ? (
        <Table
          label={label}
          rows={shown}
          keyOf={(r) => r.key}
          to={(r) => r.to}
          said={saidOf}
          columns={[
            {
              key: 'name',
              title: label,
              flex: 3,
              cell: (r) => <Strong>{r.title}</Strong>,
              by: (r) => r.title,
            },
            { key: 'bar', title: 'Drawn', flex: 4, cell: bar },
            {
              key: 'value',
              title: heads[0],
              flex: 2,
              cell: (r) => <Strong>{r.said}</Strong>,
              by: (r) => r.value,
            },
            {
              key: 'range',
              title: heads[1],
              flex: 2,
              cell: (r) => <Quiet>{r.range}</Quiet>,
              by: (r) => r.high - r.low,
            },
            ...(heads[2]
              ? [
                  {
                    ...{ key: 'by', title: heads[2], flex: 3 },
                    cell: (r: RangeRow) => <Quiet>{r.by}</Quiet>,
                  },
                ]
              : []),
          ]}
        />
      ) : (
        shown.map((row) => (
          <Go key={row.key} to={row.to} label={saidOf(row)}>
            <Card>
              <Row apart>
                <Strong>{row.title}</Strong>
                <Strong>{row.said}</Strong>
              </Row>
              {bar(row)}
              <Quiet>{[row.range, row.by].filter(Boolean).join(' · ')}</Quiet>
            </Card>
          </Go>
        ))
      )}
      {shown.length < rows.length ? (
        <Press small title={`Show all ${rows.length}`} onPress={() => setAll(true)} />
      ) : null}
    </View>
  );
}

const saidOf = (r: RangeRow): string =>
  [`${r.title}: ${r.said}`, r.range, r.by].filter(Boolean).join('; ');

interface Scale {
  readonly from: number;
  readonly to: number;
}

/** A row that is told by little may reach beyond this many times the largest figure: it is cut there. */
const BEYOND = 1.35;

function scaleOf(rows: readonly RangeRow[], base = 0): Scale {
  const figures = rows.flatMap((r) => [r.value, r.against ?? 0]);
  const most = Math.max(base, ...figures) * BEYOND;
  const least = Math.min(0, ...figures) * BEYOND;
  return { from: least, to: most > least ? most : least + 1 };
}

interface RangeBarProps {
  readonly row: RangeRow;
  readonly scale: Scale;
  readonly base: number | undefined;
}

const HEIGHT = 26;
const MIDDLE = HEIGHT / 2;
const EDGE = 8;

/** A bar from low to high with a post where the figure stands; an arrow where it goes beyond. */
function RangeBar({ row, scale, base }: RangeBarProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(280);
  const x = (value: number) => {
    const share = (value - scale.from) / (scale.to - scale.from);
    return EDGE + Math.min(1, Math.max(0, share)) * (width - 2 * EDGE);
  };
  const end = width - EDGE;
  return (
    <View onLayout={(e) => setWidth(e.nativeEvent.layout.width)} style={styles.bar} aria-hidden>
      <Svg width={width} height={HEIGHT}>
        <Line
          {...{ x1: EDGE, x2: end, y1: MIDDLE, y2: MIDDLE }}
          stroke={palette.line}
          strokeWidth={2}
        />
        {base === undefined ? null : (
          <Line
            {...{ x1: x(base), x2: x(base), y1: 0, y2: HEIGHT }}
            stroke={palette.quiet}
            strokeWidth={2}
            strokeDasharray="4 4"
          />
        )}
        {row.none ? null : (
          <>
            <Rect
              {...{ x: x(row.low), y: MIDDLE - 5, height: 10 }}
              width={Math.max(2, x(row.high) - x(row.low))}
              fill={palette.pineTint}
              stroke={palette.pine}
              strokeWidth={2}
            />
            <Rect
              {...{ x: x(row.value) - 3, y: 2, width: 6, height: HEIGHT - 4 }}
              fill={palette.ink}
            />
          </>
        )}
        {row.high > scale.to ? (
          <Polygon
            points={`${end - 6},${MIDDLE - 9} ${end + 6},${MIDDLE} ${end - 6},${MIDDLE + 9}`}
            fill={palette.pine}
          />
        ) : null}
        {row.against === undefined ? null : (
          <Polygon
            points={`${x(row.against)},${MIDDLE + 2} ${x(row.against) - 6},${HEIGHT} ${x(row.against) + 6},${HEIGHT}`}
            fill={palette.quiet}
          />
        )}
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  stack: { gap: SPACE.s },
  bar: { height: HEIGHT, width: '100%' },
});
