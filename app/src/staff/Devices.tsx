import type { OpenSession } from '@green-tally/core/contracts/staff';
import { api, troubleText, useAction } from '../store';
import { Card, Heading, Notice, Press, Quiet, Row, Strong } from '../ui';
import { momentWords } from '../yard/words';
import { useSessions } from './hooks';

/** The devices one is signed in on; any but this one can be signed out from here. */
export function Devices() {
  const { data, error, again } = useSessions();
  const end = useAction(async (key: string) => {
    await api('DELETE /sessions/{key}', { params: { key } });
    again();
  });
  return (
    <Card testID="devices">
      <Heading>Where you are signed in</Heading>
      {data ? null : <Quiet>{error ? troubleText(error) : 'Asking.'}</Quiet>}
      {end.trouble ? <Notice tone="rust" title="Not signed out" text={end.trouble} /> : null}
      {data?.sessions.map((s) => (
        <Device key={s.id} device={s} busy={end.busy} onEnd={() => void end.run(s.id)} />
      ))}
      <Quiet>
        A device that was lost is signed out here; nothing of the branch can be read on it once it
        has signal.
      </Quiet>
    </Card>
  );
}

interface DeviceProps {
  readonly device: OpenSession;
  readonly busy: boolean;
  readonly onEnd: () => void;
}

function Device({ device, busy, onEnd }: DeviceProps) {
  const { startedAt, lastSeen, here } = device;
  const since = startedAt ? `signed in ${momentWords(startedAt)}, ` : '';
  return (
    <Row apart>
      <Strong>{here ? `This one: ${device.device}` : device.device}</Strong>
      <Quiet>{`${since}used last ${momentWords(lastSeen)}`}</Quiet>
      {here ? null : (
        <Press
          small
          title="Sign it out"
          label={`Sign out ${device.device}, used last ${momentWords(lastSeen)}`}
          loading={busy}
          onPress={onEnd}
        />
      )}
    </Row>
  );
}
