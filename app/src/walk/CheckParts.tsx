import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Check } from '@green-tally/core/contracts';
import type { WalkStop } from '@green-tally/core/walk';
import { SchoolWords } from '../specs/SchoolWords';
import { BookPages } from '../specs/BookPages';
import { useSchools, useSheetOf } from './schoolsHere';
import { Body, Card, Heading, Press, Quiet, SPACE, STROKE, Title, TYPE, usePalette } from '../ui';

/** What is checked: station, component, and what is read. */
export function CheckTitle({ check }: { check: Check }) {
  const schools = useSchools(check);
  return (
    <View>
      <Quiet>{`${check.station} · ${check.stationName} · ${check.measures}`}</Quiet>
      <Title style={TYPE.component}>{check.component}</Title>
      {schools.map(({ id, subject, options, chosen }) => (
        <Quiet key={id} testID={`follows ${id}`}>
          {`${subject}, here: ${options.find((o) => o.id === chosen)?.name.toLowerCase() ?? chosen}`}
        </Quiet>
      ))}
    </View>
  );
}

/** How and why, with the cautions; folded unless open. */
export function WhyCard({ check, open = false }: { check: Check; open?: boolean }) {
  const [shown, setShown] = useState(open);
  const schools = useSchools(check);
  const sheet = useSheetOf(check);
  if (!shown)
    return <Press title="How, and why this limit?" onPress={() => setShown(true)} small />;
  return (
    <Card>
      <Heading>How</Heading>
      <Body>{check.how}</Body>
      <Heading>Why</Heading>
      <Body>{check.why}</Body>
      {schools.length || check.schools ? (
        <>
          <Heading>Where people disagree</Heading>
          {check.schools ? <Body>{check.schools}</Body> : null}
          {schools.map((school) => (
            <SchoolWords key={school.id} school={school} />
          ))}
        </>
      ) : null}
      <Heading>Mind</Heading>
      {check.safety.map((s) => (
        <Body key={s}>{s}</Body>
      ))}
      <Quiet>{`Source: ${check.source}. The maker's manual goes before this sheet.`}</Quiet>
      {sheet ? <BookPages model={sheet.model} checkId={check.id} /> : null}
    </Card>
  );
}

/**
 * How far the walk is: a bar for each station as wide as it has checks, filled as they are done;
 * the one being taken is framed.
 */
export function Progress({ stops, at }: { stops: readonly WalkStop[]; at: number }) {
  const palette = usePalette();
  const stations = [...new Set(stops.map((s) => s.check.station))];
  const here = stops[at]?.check.station;
  const done = stops.filter((s) => s.state === 'done').length;
  return (
    <View
      role="img"
      aria-label={`Check ${at + 1} of ${stops.length}, ${done} done`}
      style={styles.progress}
    >
      {stations.map((station) => {
        const own = stops.filter((s) => s.check.station === station);
        const share = own.filter((s) => s.state === 'done').length / own.length;
        return (
          <View
            key={station}
            style={[
              styles.station,
              { flex: own.length },
              { borderColor: station === here ? palette.pine : palette.line },
            ]}
          >
            <View
              style={[styles.share, { width: `${share * 100}%`, backgroundColor: palette.pine }]}
            />
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  progress: { flexDirection: 'row', gap: SPACE.xs },
  station: {
    minWidth: 6,
    height: 12,
    borderRadius: SPACE.xs,
    borderWidth: STROKE.thin,
    overflow: 'hidden',
  },
  share: { height: '100%' },
});
