import { useMemo, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Polyline } from 'react-native-svg';
import type { MachineFile } from '@green-tally/core/contracts';
import { overTime, type HoursOn, type OverTime } from '@green-tally/core/earlier';
import type { Standing } from '@green-tally/core/plan';
import { printHours } from '@green-tally/core/units';
import { checksFor } from '@green-tally/core/walk';
import { Card, Heading, later, Press, Quiet, Row, SPACE, Strong, usePalette } from '../ui';
import { monthWords } from '../yard/words';
import { chartText, ForecastChart, type Ahead } from './ForecastChart';

/** A machine over the years: its hours, what was put right, and how long parts were in. */
export function History({ file, standing }: HistoryProps) {
  const checks = useMemo(() => checksFor(file.machine, file.sheets), [file]);
  const over = useMemo(() => overTime(checks, file.readings), [checks, file]);
  const ahead = useMemo(() => aheadOf(standing), [standing]);
  const pictured = checks.filter((c) => file.photos.some((p) => p.checkId === c.id && !p.dropped));
  return (
    <>
      <Card testID="to harvest's end">
        <Heading>To harvest’s end</Heading>
        <Quiet>
          Wear against hours: what was read, and from now on 10 to 90 % of what may come. The
          likeliest to reach its limit first.
        </Quiet>
        <Some
          rows={ahead}
          first={3}
          draw={(a) => (
            <View key={a.key} style={styles.line}>
              <Strong>{a.name}</Strong>
              <ForecastChart {...a} />
              <Quiet>{chartText(a)}</Quiet>
            </View>
          )}
        />
      </Card>
      <Card testID="hours over time">
        <Heading>Hours over time</Heading>
        {over.hours.length > 1 ? <HoursLine hours={over.hours} /> : <Quiet>One look so far.</Quiet>}
      </Card>
      <Card testID="put right">
        <Heading>{`Put right over the years: ${over.putRight.length}`}</Heading>
        <Some
          rows={over.putRight}
          draw={(p) => <PutRightLine key={`${p.checkId} ${p.place} ${p.day} ${p.left}`} p={p} />}
        />
      </Card>
      <Card testID="lives">
        <Heading>{`Parts and how long they were in: ${over.lives.length}`}</Heading>
        <Some
          rows={over.lives}
          draw={(l) => (
            <View key={`${l.checkId} ${l.place} ${l.from.day}`}>
              <Strong>{`${l.component}, ${l.place}`}</Strong>
              <Quiet>
                {`from ${monthWords(l.from.day)} at ${printHours(l.from.hours)}, ${
                  l.to ? `${printHours(l.to.hours - l.from.hours)} long` : 'in still'
                }`}
              </Quiet>
            </View>
          )}
        />
      </Card>
      <Card testID="photos over time">
        <Heading>Photos</Heading>
        <Some
          rows={pictured}
          draw={(check) => (
            <View key={check.id} style={styles.line}>
              <Strong>{check.component}</Strong>
              <PhotoStrip file={file} check={check} walk={undefined} />
            </View>
          )}
        />
      </Card>
    </>
  );
}

const PhotoStrip = later('the photos', async () => (await import('../walk/underWay')).PhotoStrip);

interface HistoryProps {
  readonly file: MachineFile;
  readonly standing: Standing;
}

/** Every place whose wear is forecast, the likeliest to reach its limit first. */
function aheadOf({ verdicts, facts }: Standing): readonly (Ahead & { readonly key: string })[] {
  return verdicts
    .flatMap(({ check, places }) =>
      places.flatMap(({ place, ticks, forecast }) =>
        forecast && ticks.length
          ? {
              key: `${check.id} ${place}`,
              name: `${check.component}, ${place}`,
              ...{ ticks, forecast, now: facts.hours, season: facts.seasonHours },
            }
          : [],
      ),
    )
    .sort((a, b) => b.forecast.chance - a.forecast.chance || b.forecast.high - a.forecast.high);
}

/** So many are shown before more are asked for. */
const FIRST = 8;

interface SomeProps<T> {
  readonly rows: readonly T[];
  readonly draw: (row: T) => ReactNode;
  readonly first?: number;
}

function Some<T>({ rows, draw, first = FIRST }: SomeProps<T>) {
  const [shown, setShown] = useState(first);
  if (!rows.length) return <Quiet>None yet.</Quiet>;
  return (
    <>
      {rows.slice(0, shown).map(draw)}
      {rows.length > shown ? (
        <Press small title={`${rows.length - shown} more`} onPress={() => setShown(shown + 24)} />
      ) : null}
    </>
  );
}

function PutRightLine({ p }: { p: OverTime['putRight'][number] }) {
  return (
    <View>
      <Strong>{`${p.component}, ${p.place}`}</Strong>
      <Quiet>{`${monthWords(p.day)} at ${printHours(p.hours)}: ${p.found ?? 'not read before'} → ${p.left}; ${p.by}`}</Quiet>
    </View>
  );
}

const [WIDTH, HEIGHT, EDGE] = [320, 120, 10];

/** Hours against days: steep in harvest, flat between. */
function HoursLine({ hours }: { hours: readonly HoursOn[] }) {
  const palette = usePalette();
  const [first, last] = [hours[0], hours.at(-1)];
  if (!first || !last) return null;
  const at = (day: string) => Date.parse(day);
  const days = Math.max(1, at(last.day) - at(first.day));
  const most = Math.max(...hours.map((h) => h.hours));
  const least = Math.min(...hours.map((h) => h.hours));
  const points = hours.map((h) => ({
    x: EDGE + ((at(h.day) - at(first.day)) / days) * (WIDTH - 2 * EDGE),
    y: HEIGHT - EDGE - ((h.hours - least) / Math.max(1, most - least)) * (HEIGHT - 2 * EDGE),
  }));
  const said = `From ${printHours(first.hours)} in ${monthWords(first.day)} to ${printHours(last.hours)} in ${monthWords(last.day)}`;
  return (
    <View style={styles.line}>
      <Svg width={WIDTH} height={HEIGHT} role="img" aria-label={said}>
        <Polyline
          points={points.map((p) => `${p.x},${p.y}`).join(' ')}
          fill="none"
          stroke={palette.pine}
          strokeWidth={3}
        />
        {points.map((p, i) => (
          <Circle key={i} cx={p.x} cy={p.y} r={4} fill={palette.pine} />
        ))}
      </Svg>
      <Row apart>
        <Quiet>{`${monthWords(first.day)} · ${printHours(first.hours)}`}</Quiet>
        <Quiet>{`${monthWords(last.day)} · ${printHours(last.hours)}`}</Quiet>
      </Row>
    </View>
  );
}

const styles = StyleSheet.create({ line: { gap: SPACE.xs } });
