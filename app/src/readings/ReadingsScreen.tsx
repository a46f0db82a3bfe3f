import { mayDo } from '@green-tally/core/rights';
import { SyncLine } from '../session/SyncLine';
import { dismiss, sendAgain, useOutgoing, useSession } from '../store';
import { Card, Heading, later, Notice, Press, Quiet, Row, Screen, Title } from '../ui';
import { download } from './download';

const ImportCard = later('the import', async () => (await import('../forms')).ImportCard);

/**
 * Readings in and out: what waits or was refused here, CSV out, calendar out, CSV in with a report
 * line by line.
 */
export function ReadingsScreen() {
  const { data: session } = useSession();
  return (
    <Screen testID="readings" title="Readings">
      <Row apart>
        <Title>Readings</Title>
        <SyncLine />
      </Row>
      <Refused />
      <Card>
        <Heading>Out</Heading>
        <Quiet>Open formats, for a spreadsheet or a calendar.</Quiet>
        <Press
          title="Readings as CSV"
          testID="download csv"
          onPress={() => download('/api/readings.csv', 'green-tally-readings.csv')}
        />
        <Press
          title="Plan as a calendar (iCalendar)"
          testID="download ics"
          onPress={() => download('/api/plan.ics', 'green-tally-plan.ics')}
        />
      </Card>
      {session?.person && mayDo(session.person.role, 'importReadings') ? (
        <ImportCard />
      ) : (
        <Quiet>A planner brings readings in from a file.</Quiet>
      )}
    </Screen>
  );
}

/** What the server would not take, each with its reason, until somebody has read why. */
function Refused() {
  const refused = useOutgoing()?.filter((o) => o.state === 'refused') ?? [];
  if (!refused.length) return null;
  return (
    <>
      <Press
        title={refused.length === 1 ? 'Send it once more' : `Send all ${refused.length} once more`}
        testID="send again"
        onPress={() => void sendAgain(refused.map((o) => o.id))}
      />
      <Quiet>
        Where the reason is over (the device’s clock is set, the walk went through) they are taken
        now.
      </Quiet>
      {refused.map((o) => (
        <Notice
          key={o.id}
          tone="rust"
          testID="refused"
          title={refusedTitle(o)}
          text={`${o.why} It is kept on this device until you have read why; take the reading again where it was wrong.`}
          action={{ title: 'Read it: forget this one', onPress: () => void dismiss(o.id) }}
        />
      ))}
    </>
  );
}

function refusedTitle(o: NonNullable<ReturnType<typeof useOutgoing>>[number]): string {
  if (o.kind === 'walk') return 'A walk could not be stored';
  if (o.kind === 'breakdown')
    return `That ${o.body.component} stopped the machine could not be stored`;
  if (o.kind === 'visitNote') return 'What was said of a visit could not be stored';
  if (o.kind === 'tick') return `A tick could not be stored: ${o.body.key.split('|').at(-1) ?? ''}`;
  if (o.kind === 'said') return `What ${o.body.name} says could not be stored`;
  if (o.kind === 'worked') return `What ${o.body.hands.join(', ')} did could not be stored`;
  const what = o.body.checkId.replaceAll('-', ' ');
  if (o.kind === 'photo') return `A photo of ${what} could not be stored`;
  if (o.kind === 'work') return `Work on ${what} could not be stored`;
  return o.kind === 'withdrawal'
    ? `Work on ${what} could not be withdrawn`
    : `A reading of ${what} (${o.body.place}) could not be stored`;
}
