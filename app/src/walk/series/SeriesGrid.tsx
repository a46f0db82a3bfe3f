import { useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { elongation } from '@green-tally/core/chain';
import type { MeasuredCheck } from '@green-tally/core/contracts';
import { atPlace, wearFraction, wearLimitsOf } from '@green-tally/core/kinds';
import { printAs, printNumber } from '@green-tally/core/units';
import { Quiet, RADIUS, SPACE, STROKE, Strong, Tap, TARGET, usePalette } from '../../ui';
import type { Grid } from './sides';
import type { Series } from './useSeries';

interface SeriesGridProps {
  readonly check: MeasuredCheck;
  readonly grid: Grid;
  readonly series: Series;
}

/** Every place with what was read there; tapping one goes to it. */
export function SeriesGrid({ check, grid, series }: SeriesGridProps) {
  return (
    <View style={styles.grid}>
      {grid.sides.length > 1 ? (
        <View style={styles.row}>
          <Quiet style={styles.name}>row</Quiet>
          {grid.sides.map((s) => (
            <Quiet key={s} style={styles.side}>
              {s}
            </Quiet>
          ))}
        </View>
      ) : null}
      {grid.rows.map((r) => (
        <View key={r.name} style={styles.row}>
          <Strong style={styles.name}>{r.name}</Strong>
          {r.places.map((place) => (
            <Cell key={place} check={atPlace(check, place)} place={place} series={series} />
          ))}
        </View>
      ))}
    </View>
  );
}

interface CellProps {
  readonly check: MeasuredCheck;
  readonly place: string;
  readonly series: Series;
}

function Cell({ check, place, series }: CellProps) {
  const palette = usePalette();
  const cell = useRef<View>(null);
  const here = place === series.place;
  const challenged = series.challenge?.taken.place === place;
  useEffect(() => {
    if (here) intoView(cell.current);
  }, [here]);
  const value = series.valueAt(place, 'measure');
  const left = series.valueAt(place, 'travel');
  const words = value === undefined ? '–' : valueWords(check, value);
  const travel = left === undefined ? '–' : printNumber(left, 0);
  const said = `${place}: ${value === undefined ? 'not read' : words}`;
  return (
    <Tap
      ref={cell}
      testID={`cell ${place}`}
      label={left === undefined ? said : `${said}, ${travel} mm travel left`}
      selected={here}
      onPress={() => series.choose(place)}
      style={[
        styles.cell,
        here ? styles.here : null,
        {
          borderColor: here ? palette.pine : palette.line,
          backgroundColor: challenged ? palette.violetTint : palette.card,
        },
      ]}
    >
      <View style={styles.words}>
        <Strong>{words}</Strong>
        {series.pass === 'travel' ? <Quiet>{`· ${travel} mm`}</Quiet> : null}
      </View>
      <WearBar check={check} value={value} />
    </Tap>
  );
}

/** A thin bar at the foot of a cell: as far along as the wear is on the way to its limit. */
function WearBar({ check, value }: { check: MeasuredCheck; value: number | undefined }) {
  const palette = usePalette();
  const limits = wearLimitsOf(check);
  if (value === undefined || !limits) return null;
  const wear = wearFraction(value, limits.nominal, limits.limit);
  const width = `${Math.max(0, Math.min(1, wear)) * 100}%` as const;
  return (
    <View
      style={[styles.bar, { width, backgroundColor: wear >= 1 ? palette.rust : palette.ink }]}
    />
  );
}

function valueWords(check: MeasuredCheck, value: number): string {
  const { limit } = check;
  return limit.type === 'elongation'
    ? `${elongation(value, limit.pitches, limit.pitch).toFixed(1)} %`
    : printAs(value, check, 2);
}

/** Brings a cell under the eye, where the platform can scroll to it. */
function intoView(cell: unknown): void {
  if (typeof HTMLElement !== 'undefined' && cell instanceof HTMLElement)
    cell.scrollIntoView({ block: 'center', behavior: 'smooth' });
}

const styles = StyleSheet.create({
  grid: { gap: SPACE.s },
  row: { flexDirection: 'row', gap: SPACE.s, alignItems: 'center' },
  name: { width: 60 },
  side: { flex: 1, textAlign: 'center' },
  cell: {
    flex: 1,
    minHeight: TARGET.glove,
    borderRadius: RADIUS.s,
    borderWidth: STROKE.thin,
    overflow: 'hidden',
    justifyContent: 'center',
  },
  here: { borderWidth: STROKE.chosen },
  words: {
    flexDirection: 'row',
    justifyContent: 'center',
    alignItems: 'baseline',
    gap: SPACE.s,
  },
  bar: { position: 'absolute', left: 0, bottom: 0, height: 6 },
});
