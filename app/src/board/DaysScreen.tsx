import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import type { Machine, Visit, VisitNote } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import {
  notesAmong,
  pageWithNotes,
  put,
  troubleText,
  useAction,
  useClock,
  useOutgoing,
  useSession,
  useToday,
  useVisits,
} from '../store';
import {
  Buttons,
  Card,
  Choice,
  Go,
  HeadRow,
  Heading,
  More,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  Title,
  Waiting,
} from '../ui';
import { AsOf } from '../yard/AsOf';
import { halfWords, machineName, momentWords, weekdayWords } from '../yard/words';

interface Shown {
  readonly visit: Visit;
  readonly machine: Machine;
}

/** On a phone: my visits in order, today first; or everybody's. Begun and finished by one tap each. */
export function DaysScreen() {
  const { data: session } = useSession();
  const today = useToday();
  const me = session?.person;
  const [whose, setWhose] = useState<'mine' | 'all'>();
  const shown = whose ?? (me?.role === 'technician' ? 'mine' : 'all');
  const list = useVisits({
    from: today,
    ...(shown === 'mine' && me ? { technician: me.id } : {}),
  });
  const outgoing = useOutgoing();
  if (!list.pages || !me)
    return (
      <Waiting
        what="your days"
        trouble={list.error ? troubleText(list.error) : undefined}
        again={list.again}
        full
      />
    );
  // with what was said here and is not sent yet
  const notes = notesAmong(outgoing ?? []);
  const visits: Shown[] = list.pages.flatMap((p) => pageWithNotes(p, notes).visits);
  const days = [...new Set(visits.map((v) => dayOf(v.visit, today)))];
  return (
    <Screen testID="days" title={shown === 'mine' ? 'My day' : 'The days'}>
      <HeadRow back={{ to: '/work', title: 'Work', label: 'Back to the work' }}>
        <SyncLine />
      </HeadRow>
      <Title>{shown === 'mine' ? 'My day' : 'The days ahead'}</Title>
      <AsOf at={list.asOf} />
      <Choice
        label="Whose visits"
        value={shown}
        onChange={setWhose}
        options={[
          { value: 'mine', title: 'Mine' },
          { value: 'all', title: 'Everybody’s' },
        ]}
      />
      {days.includes(today) ? null : (
        <Notice
          tone="pine"
          title="Nothing planned for today"
          text={
            days[0]
              ? `Next: ${weekdayWords(days[0])}.`
              : 'A planner puts visits here; they come by themselves.'
          }
        />
      )}
      {days.map((day) => (
        <Day
          key={day}
          day={day}
          today={today}
          visits={visits.filter((v) => dayOf(v.visit, today) === day)}
          technician={shown === 'mine' ? me.id : undefined}
          me={me.id}
        />
      ))}
      <More more={list.more} />
    </Screen>
  );
}

/** What is begun before today goes on today. */
const dayOf = ({ startsOn }: Visit, today: string): string => (startsOn < today ? today : startsOn);

interface DayProps {
  readonly day: string;
  readonly today: string;
  readonly visits: readonly Shown[];
  readonly technician: string | undefined;
  readonly me: string;
}

function Day({ day, today, visits, technician, me }: DayProps) {
  return (
    <View style={styles.day} testID={`day ${day}`}>
      <Row apart>
        <Heading>{day === today ? `Today, ${weekdayWords(day)}` : weekdayWords(day)}</Heading>
        {technician ? (
          <Go
            to={`/van?technician=${technician}&on=${day}`}
            label={`Van list of ${weekdayWords(day)}`}
            testID={`van of ${day}`}
          >
            <Strong tone="pine">Van list ›</Strong>
          </Go>
        ) : null}
      </Row>
      {visits.map((v) => (
        <VisitCard key={v.visit.id} {...v} isToday={day === today} me={me} />
      ))}
    </View>
  );
}

function VisitCard({ visit, machine, isToday, me }: Shown & { isToday: boolean; me: string }) {
  const late = visit.endsOn >= machine.harvest.start;
  const own = [visit.technicianId, visit.mateId].includes(me);
  const until =
    visit.endsOn === visit.startsOn
      ? ''
      : `, until ${weekdayWords(visit.endsOn)} ${halfWords(visit.ends)}`;
  return (
    <Card
      edge={late ? 'rust' : visit.startedAt && !visit.finishedAt ? 'pine' : 'line'}
      testID={`visit ${machine.serial}`}
    >
      <Row apart>
        <Strong>{`${halfWords(visit.starts)}, ${visit.site === 'bay' ? 'in the bay' : 'at the farm'}`}</Strong>
        <Quiet>{`${printNumber(visit.hours, 2)} h`}</Quiet>
      </Row>
      <Go to={`/work/${machine.id}`} label={`Work of ${machine.serial}`}>
        <Strong tone="pine">{`${machineName(machine)} ›`}</Strong>
        <Quiet>{`${machine.customer}${until}`}</Quiet>
      </Go>
      <Quiet>
        {own
          ? visit.mate
            ? `With ${visit.technicianId === me ? visit.mate : visit.technician}`
            : 'Alone'
          : `${visit.technician}${visit.mate ? ` and ${visit.mate}` : ''}`}
      </Quiet>
      {visit.note ? <Quiet>{visit.note}</Quiet> : null}
      {late ? (
        <Strong tone="rust">{`Harvest starts on ${weekdayWords(machine.harvest.start)}.`}</Strong>
      ) : null}
      {own && (isToday || visit.startedAt) ? <Clock visit={visit} /> : null}
    </Card>
  );
}

/** Begun, finished, or not after all; kept here and sent when there is signal. */
function Clock({ visit }: { visit: Visit }) {
  const now = useClock();
  const note = useAction(async (part: VisitNote) => {
    const { id: visitId, machineId } = visit;
    await put([{ kind: 'visitNote', body: { id: uuidv7(), visitId, machineId, ...part } }]);
  });
  const { startedAt, stoppedAt, finishedAt } = visit;
  return (
    <>
      {startedAt ? (
        <Strong testID="visit clock">
          {finishedAt
            ? `Begun ${momentWords(startedAt)}, finished ${momentWords(finishedAt)}`
            : `Begun ${momentWords(startedAt)}${stoppedAt ? `, laid down ${momentWords(stoppedAt)}` : ''}`}
        </Strong>
      ) : null}
      {note.trouble ? <Notice tone="rust" title="Not kept" text={note.trouble} /> : null}
      <Buttons>
        {startedAt ? null : (
          <Press
            fill="pine"
            title="Start"
            testID="start visit"
            onPress={() => void note.run({ startedAt: now().toISOString() })}
          />
        )}
        {startedAt && !finishedAt ? (
          <Press
            title={stoppedAt ? 'Go on' : 'Stop for now'}
            testID="stop visit"
            onPress={() => void note.run({ stoppedAt: stoppedAt ? null : now().toISOString() })}
          />
        ) : null}
        {startedAt && !finishedAt ? (
          <Press
            fill="pine"
            title="Finish"
            testID="finish visit"
            onPress={() => void note.run({ finishedAt: now().toISOString() })}
          />
        ) : null}
        {startedAt ? (
          <Press
            small
            title={finishedAt ? 'Not finished' : 'Not begun after all'}
            testID="take back"
            onPress={() =>
              void note.run(
                finishedAt
                  ? { finishedAt: null }
                  : { startedAt: null, stoppedAt: null, finishedAt: null },
              )
            }
          />
        ) : null}
      </Buttons>
      {finishedAt ? (
        <Go to={`/work/${visit.machineId}`} label="Say what was done, and read it as left">
          <Strong tone="pine">Say what was done, and read it as left ›</Strong>
        </Go>
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({ day: { gap: SPACE.m } });
