import { useBreakdowns, useOutgoing } from '../store';
import { Card, Go, Heading, Quiet, Strong } from '../ui';
import { dayWords } from '../yard/words';

/** What has stopped it in harvest, and the way to say that it has stopped now. */
export function Stopped({ machineId }: { machineId: string }) {
  const { data } = useBreakdowns(machineId);
  const outgoing = useOutgoing(machineId) ?? [];
  const known = data?.breakdowns ?? [];
  // what waits here for signal stands with the rest
  const waiting = outgoing.flatMap((o) =>
    o.kind === 'breakdown' && !known.some((b) => b.id === o.body.id) ? [o.body] : [],
  );
  const stopped = [...waiting, ...known];
  return (
    <Card testID="stopped">
      <Heading>{stopped.length ? `Stopped in harvest: ${stopped.length}` : 'In harvest'}</Heading>
      {stopped.slice(0, SHOWN).map((b) => (
        <Quiet key={b.id}>
          {`${dayWords(b.at.slice(0, 10))} ${b.at.slice(0, 4)}: ${b.component}${b.hoursLost === null ? '' : `, ${b.hoursLost} h lost`}`}
        </Quiet>
      ))}
      <Go
        to={`/breakdown?machine=${machineId}`}
        label="It has stopped: say what"
        testID="it stopped"
      >
        <Strong tone="rust">It has stopped ›</Strong>
      </Go>
    </Card>
  );
}

const SHOWN = 5;
