import { useRouter } from 'expo-router';
import { useSWRConfig } from 'swr';
import { api, local, troubleText, useSession, useSync } from '../store';
import { useState } from 'react';
import { Body, Card, Choice, Heading, Notice, Press, Quiet, Screen, Title, useLook } from '../ui';
import { AddMachine } from './AddMachine';
import { AddPerson } from './AddPerson';

/** Theme, who is signed in, and what planners and admins keep: machines, spec sheets, people. */
export function MoreScreen() {
  const { data: session } = useSession();
  const { name, choose } = useLook();
  const { mutate } = useSWRConfig();
  const router = useRouter();
  const sync = useSync();
  const [trouble, setTrouble] = useState('');
  const person = session?.person;
  const signOut = async () => {
    setTrouble('');
    if (sync.waiting > 0)
      return setTrouble(
        `${sync.waiting} readings still wait on this device for signal. Sign out once they are sent.`,
      );
    try {
      await api('DELETE', '/session');
      await local.kept.clear();
      await mutate(() => true, undefined, { revalidate: true });
    } catch (error) {
      setTrouble(troubleText(error));
    }
  };
  return (
    <Screen testID="more">
      <Title>More</Title>
      <Card>
        <Heading>{person?.name ?? ''}</Heading>
        <Quiet>{`${person?.role} · ${person?.branch}${session?.demo ? ' · demo, everything in it is made up' : ''}`}</Quiet>
        {trouble ? <Notice tone="rust" title="Still signed in" text={trouble} /> : null}
        <Press title="Sign out" onPress={() => void signOut()} small />
      </Card>
      <Card>
        <Choice
          label="Theme"
          value={name}
          onChange={choose}
          options={[
            { value: 'daylight', title: 'Daylight', text: 'for the sun' },
            { value: 'shed', title: 'Shed', text: 'dark' },
          ]}
        />
      </Card>
      <Card>
        <Heading>Spec sheets</Heading>
        <Quiet>What is checked on each model, how, and where the limits lie.</Quiet>
        <Press title="Open the specs" onPress={() => router.push('/specs')} small />
      </Card>
      {person && person.role !== 'technician' ? <AddMachine branch={person.branch} /> : null}
      {person?.role === 'admin' ? <AddPerson /> : null}
      <Card>
        <Heading>Safety</Heading>
        <Body>
          Green Tally helps to measure, judge and plan. The maker's manual, the site's lock-out
          rules, licensed practice and local law go before anything it says.
        </Body>
      </Card>
    </Screen>
  );
}
