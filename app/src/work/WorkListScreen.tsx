import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import { troubleText, useVisits, useYard } from '../store';
import {
  Card,
  Heading,
  Loading,
  Notice,
  Quiet,
  Row,
  Screen,
  Strong,
  Tap,
  Title,
  useWide,
} from '../ui';
import { MachineRow } from '../yard/MachineRow';
import { weekdayWords } from '../yard/words';

/** Work over all machines: what waits for a decision or a visit, and the visits planned. */
export function WorkListScreen() {
  const { data: yard, error, again } = useYard();
  const { data: planned } = useVisits();
  const router = useRouter();
  const wide = useWide();
  const rows =
    yard?.rows.filter((r) => ['acceptWork', 'planVisit', 'visitLate'].includes(r.next.id)) ?? [];
  return (
    <Screen testID="work list" full>
      <Row style={{ justifyContent: 'space-between' }}>
        <Title>Work</Title>
        <SyncLine />
      </Row>
      {!yard && error ? (
        <Notice
          tone="rust"
          title="The work cannot be shown"
          text={troubleText(error)}
          action={{ title: 'Try again', onPress: again }}
        />
      ) : null}
      {!yard && !error ? <Loading what="work" /> : null}
      {yard ? (
        <View style={{ flexDirection: wide ? 'row' : 'column', gap: 14, alignItems: 'flex-start' }}>
          <View style={{ flex: wide ? 1 : 0, gap: 12, width: wide ? undefined : '100%' }}>
            <Heading>Needs you</Heading>
            {rows.length ? (
              rows.map((r) => (
                <MachineRow
                  key={r.machine.id}
                  row={r}
                  onPress={() => router.push(`/work/${r.machine.id}`)}
                />
              ))
            ) : (
              <Notice
                tone="pine"
                title="Nothing waits for you"
                text="Every decision is accepted and in a visit that ends before harvest."
              />
            )}
          </View>
          <View style={{ flex: wide ? 1 : 0, gap: 12, width: wide ? undefined : '100%' }}>
            <Heading>Visits</Heading>
            {planned?.visits.length ? (
              planned.visits.map(({ visit, machine }) => {
                const late = visit.endsOn >= machine.harvest.start;
                return (
                  <Tap
                    key={visit.id}
                    label={`${weekdayWords(visit.startsOn)}: ${machine.serial}, ${visit.technician}`}
                    onPress={() => router.push(`/work/${machine.id}`)}
                  >
                    <Card edge={late ? 'rust' : 'line'} fill={late ? 'rustTint' : 'card'}>
                      <Row style={{ justifyContent: 'space-between' }}>
                        <Strong>{weekdayWords(visit.startsOn)}</Strong>
                        <Quiet>{`${printNumber(visit.hours, 2)} h, ${visit.site === 'bay' ? 'in the bay' : 'at the farm'}`}</Quiet>
                      </Row>
                      <Strong>{`${machine.model} · ${machine.serial}, ${visit.technician}`}</Strong>
                      <Quiet>
                        {late
                          ? `Ends ${weekdayWords(visit.endsOn)}, after harvest starts on ${weekdayWords(machine.harvest.start)}`
                          : `Ends ${weekdayWords(visit.endsOn)}; harvest ${weekdayWords(machine.harvest.start)}`}
                      </Quiet>
                    </Card>
                  </Tap>
                );
              })
            ) : (
              <Quiet>No visit planned yet.</Quiet>
            )}
          </View>
        </View>
      ) : null}
    </Screen>
  );
}
