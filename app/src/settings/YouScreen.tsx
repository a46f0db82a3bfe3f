import { useSWRConfig } from 'swr';
import { api, forget, local, useAction, useSession, useSync } from '../store';
import { Card, Heading, Notice, Press, Quiet } from '../ui';
import { SettingsFrame } from './SettingsFrame';

/** Who is signed in on this device, and signing out. */
export function YouScreen() {
  const { data: session } = useSession();
  const { mutate } = useSWRConfig();
  const { waiting } = useSync();
  const person = session?.person;
  const signOut = useAction(async () => {
    if (waiting > 0)
      throw new Error(
        `${waiting} readings still wait on this device for signal. Sign out once they are sent.`,
      );
    await api('DELETE /session', {});
    await local.kept.clear();
    await forget(await local.machines.toCollection().primaryKeys());
    await mutate(() => true, undefined, { revalidate: true });
  });
  return (
    <SettingsFrame title="You" testID="you">
      <Card>
        <Heading>{person?.name ?? ''}</Heading>
        <Quiet>
          {`${person?.role} · ${person?.branch}${session?.demo ? ' · demo, everything in it is made up' : ''}`}
        </Quiet>
        {signOut.trouble ? (
          <Notice tone="rust" title="Still signed in" text={signOut.trouble} />
        ) : null}
        <Press title="Sign out" loading={signOut.busy} onPress={() => void signOut.run()} small />
      </Card>
    </SettingsFrame>
  );
}
