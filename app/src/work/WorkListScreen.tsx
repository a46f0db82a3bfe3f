import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { subDays } from 'date-fns/subDays';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Machine, Visit } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import { troubleText, useToday, useVisits, useYard } from '../store';
import {
  Card,
  Go,
  Heading,
  More,
  Notice,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  Title,
  useWide,
  Waiting,
} from '../ui';
import { Apart } from '../yard/Apart';
import { AsOf } from '../yard/AsOf';
import { MachineRow } from '../yard/MachineRow';
import { machineName, weekdayWords } from '../yard/words';

/** Visits that ended so many days ago are still shown. */
const LATELY = 30;
const daysBefore = (day: string, days: number): string =>
  formatISO(subDays(parseISO(day), days), { representation: 'date' });

/** Work over all machines: what waits for a decision or a visit, and the visits planned. */
export function WorkListScreen() {
  const { yard, error, again, more, asOf } = useYard({ waits: 'yes' });
  const today = useToday();
  const planned = useVisits({ from: daysBefore(today, LATELY) });
  const visits = planned.pages?.flatMap((p) => p.visits);
  const wide = useWide();
  if (!yard)
    return (
      <Waiting
        what="the work"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  const { rows, apart } = yard;
  return (
    <Screen testID="work list" title="Work" full>
      <Row apart>
        <Title>Work</Title>
        <SyncLine />
      </Row>
      <AsOf at={asOf} />
      <Go
        to="/board"
        label={wide ? 'The board: visits by day and technician' : 'My day: visits in order'}
        testID="to board"
      >
        <Strong tone="pine">
          {wide ? 'The board, by day and technician ›' : 'My day and the days ahead ›'}
        </Strong>
      </Go>
      <Go to="/work/decide" label="All work over all machines: decide it together" testID="decide">
        <Strong tone="pine">All work, over all machines ›</Strong>
      </Go>
      {wide ? null : (
        <Go to="/parts" label="Parts: what is wanted, short and on order">
          <Strong tone="pine">Parts wanted, short and on order ›</Strong>
        </Go>
      )}
      {wide ? null : (
        <Go to="/due" label="All that is due, by day">
          <Strong tone="pine">All that is due, by day ›</Strong>
        </Go>
      )}
      <View style={wide ? styles.columns : styles.stack}>
        <Part wide={wide} title="Needs you">
          {apart.map((a) => (
            <Apart key={a.machine.id} {...a} />
          ))}
          {rows.length + apart.length ? (
            rows.map((r) => <MachineRow key={r.machine.id} row={r} to={`/work/${r.machine.id}`} />)
          ) : (
            <Notice
              tone="pine"
              title="Nothing waits for you"
              text="Every decision is accepted and in a visit that ends before harvest."
            />
          )}
          <More more={more} />
        </Part>
        <Part wide={wide} title="Visits">
          {visits?.length ? (
            visits.map((v) => <VisitCard key={v.visit.id} {...v} />)
          ) : (
            <Quiet>No visit planned yet.</Quiet>
          )}
          <More more={planned.more} />
        </Part>
      </View>
    </Screen>
  );
}

interface PartProps {
  readonly wide: boolean;
  readonly title: string;
  readonly children: ReactNode;
}

/** A column when wide; below one another, each as tall as what is in it, on a phone. */
function Part({ wide, title, children }: PartProps) {
  return (
    <View style={[styles.part, wide ? styles.column : null]}>
      <Heading>{title}</Heading>
      {children}
    </View>
  );
}

function VisitCard({ visit, machine }: { visit: Visit; machine: Machine }) {
  const late = visit.endsOn >= machine.harvest.start;
  const harvest = weekdayWords(machine.harvest.start);
  const ends = `Ends ${weekdayWords(visit.endsOn)}`;
  return (
    <Go
      to={`/work/${machine.id}`}
      label={`${weekdayWords(visit.startsOn)}: ${machine.serial}, ${visit.technician}`}
    >
      <Card edge={late ? 'rust' : 'line'} fill={late ? 'rustTint' : 'card'}>
        <Row apart>
          <Strong>{weekdayWords(visit.startsOn)}</Strong>
          <Quiet>{`${printNumber(visit.hours, 2)} h, ${visit.site === 'bay' ? 'in the bay' : 'at the farm'}`}</Quiet>
        </Row>
        <Strong>{`${machineName(machine)}, ${visit.technician}`}</Strong>
        <Quiet>
          {late ? `${ends}, after harvest starts on ${harvest}` : `${ends}; harvest ${harvest}`}
        </Quiet>
      </Card>
    </Go>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  stack: { gap: SPACE.l },
  part: { gap: SPACE.m },
  column: { flex: 1 },
});
