import { useLocalSearchParams } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import type { VanList } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import { troubleText } from '../store';
import { useDayVan, useVisitVan } from './hooks';
import {
  Card,
  Go,
  HeadRow,
  Heading,
  Notice,
  Quiet,
  Screen,
  SPACE,
  Strong,
  Title,
  Waiting,
} from '../ui';
import { weekdayWords } from '../yard/words';

/** What is loaded for a visit, or for all of a technician's visits of a day. */
export function VanScreen() {
  const {
    visit = '',
    technician = '',
    on = '',
  } = useLocalSearchParams<{
    visit?: string;
    technician?: string;
    on?: string;
  }>();
  const ofVisit = useVisitVan(visit);
  const ofDay = useDayVan(visit ? '' : technician, on);
  const { data: list, error, again } = visit ? ofVisit : ofDay;
  if (!list)
    return (
      <Waiting
        what="the van list"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  return <Loaded list={list} />;
}

function Loaded({ list }: { list: VanList }) {
  const { technician, on, visits, parts, litres, grease, gauges, tools } = list;
  const title = on ? `Van list, ${weekdayWords(on)}` : 'Van list of the visit';
  return (
    <Screen testID="van list" title={title}>
      <HeadRow back={{ to: '/work', title: 'Work', label: 'Back to the work' }}>
        <SyncLine />
      </HeadRow>
      <Title>{title}</Title>
      <Quiet>{technician}</Quiet>
      {visits.length ? null : (
        <Notice title="Nothing to load" text="No visit is planned for this technician that day." />
      )}
      {visits.map((v) => (
        <Card key={v.id} testID={`van visit ${v.serial}`}>
          <Go to={`/work/${v.machineId}`} label={`Work of ${v.serial}`}>
            <Heading>{`${v.model} · ${v.serial} ›`}</Heading>
          </Go>
          <Quiet>{`${v.customer}, ${v.site === 'bay' ? 'in the bay' : 'at the farm'}, ${printNumber(v.hours, 2)} h from ${weekdayWords(v.startsOn)}`}</Quiet>
          {v.work.map((w) => (
            <Strong key={w.id}>{`${w.component}: ${w.decision}`}</Strong>
          ))}
        </Card>
      ))}
      <Lines
        title="Parts"
        lines={parts.map((p) => `${p.quantity} × ${p.number} ${p.name} (${p.for.join(', ')})`)}
      />
      <Lines
        title="Oil"
        lines={litres.map((l) => `${printNumber(l.litres, 1)} l of ${l.product}`)}
      />
      <Lines
        title="Grease"
        lines={grease.map((g) => `${printNumber(g.strokes, 0)} strokes of ${g.product}`)}
      />
      <Lines title="Gauges, to read it as left" lines={gauges} />
      <Lines title="Tools" lines={tools} />
    </Screen>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  return lines.length ? (
    <Card testID={`load ${title.split(',')[0]}`}>
      <Heading>{title}</Heading>
      <View style={styles.lines}>
        {lines.map((line) => (
          <Strong key={line}>{line}</Strong>
        ))}
      </View>
    </Card>
  ) : null;
}

const styles = StyleSheet.create({ lines: { gap: SPACE.s } });
