import { useState } from 'react';
import { useSWRConfig } from 'swr';
import { api, clearDevice, useAction, useSession, useSync } from '../store';
import { Card, Heading, later, Notice, Press, Quiet } from '../ui';
import { SettingsFrame } from './SettingsFrame';

const Devices = later('your devices', async () => (await import('../forms')).Devices);
const PasswordForm = later('your password', async () => (await import('../forms')).PasswordForm);

/** Who is signed in on this device, and signing out. */
export function YouScreen() {
  const { data: session } = useSession();
  const { mutate } = useSWRConfig();
  const { waiting, refused } = useSync();
  const [asked, setAsked] = useState(false);
  const person = session?.person;
  const left = waiting + refused;
  const signOut = useAction(async () => {
    await api('DELETE /session', {});
    await clearDevice();
    await mutate(() => true, undefined, { revalidate: true });
  });
  return (
    <SettingsFrame title="You" testID="you">
      <Card>
        <Heading>{person?.name ?? ''}</Heading>
        <Quiet>
          {`${person?.role} · ${person?.branch}${session?.demo ? ' · demo, everything in it is made up' : ''}`}
        </Quiet>
        {asked && left ? (
          <Notice
            title={`${left} ${left === 1 ? 'entry waits' : 'entries wait'} on this device`}
            text="It stays here, is seen by nobody else, and is sent once you sign in here again. Better: wait until all is sent."
            testID="still waiting"
          />
        ) : null}
        {signOut.trouble ? (
          <Notice tone="rust" title="Still signed in" text={signOut.trouble} />
        ) : null}
        <Press
          title={asked && left ? 'Sign out all the same' : 'Sign out'}
          loading={signOut.busy}
          onPress={() => (left && !asked ? setAsked(true) : void signOut.run())}
          small
        />
      </Card>
      <PasswordForm
        title="Your password"
        text="Three or four words of your own are easier to remember and harder to guess than a short one with signs."
      />
      <Devices />
    </SettingsFrame>
  );
}
