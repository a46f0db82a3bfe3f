import { useState } from 'react';
import { View, StyleSheet } from 'react-native';
import type { StaffPerson } from '@green-tally/core/contracts/staff';
import { api, troubleText, useAction, useSession } from '../store';
import { Card, Choice, Go, Heading, Notice, Quiet, Row, SPACE, Strong, Tap, Waiting } from '../ui';
import { momentWords } from '../yard/words';
import { SettingsFrame } from '../settings/SettingsFrame';
import { AddPerson } from '../settings/AddPerson';
import { useAccess, useStaff } from './hooks';
import { PersonActions } from './PersonActions';

/** Who works here, what they may do, and letting them in or out. */
export function StaffScreen() {
  const { data: staff, error, again } = useStaff();
  const { data: session } = useSession();
  const [open, setOpen] = useState<string>();
  if (!staff)
    return <Waiting what="people" trouble={error ? troubleText(error) : undefined} again={again} />;
  const here = staff.people.filter((p) => !p.suspendedAt);
  const out = staff.people.filter((p) => p.suspendedAt);
  const line = (p: StaffPerson) => (
    <Person
      key={p.id}
      person={p}
      branches={staff.branches}
      own={p.id === session?.person?.id}
      open={open === p.id}
      onOpen={() => setOpen(open === p.id ? undefined : p.id)}
      again={again}
    />
  );
  return (
    <SettingsFrame title="People" testID="people">
      <Card>
        <Heading>{`People: ${here.length}`}</Heading>
        {here.map(line)}
      </Card>
      {out.length ? (
        <Card testID="suspended">
          <Heading>{`May not sign in: ${out.length}`}</Heading>
          {out.map(line)}
        </Card>
      ) : null}
      <AddPerson onAdded={again} />
      <Reads />
      <Go to="/settings/audit" label="Who changed what" testID="to audit">
        <Card>
          <Strong>Who changed what ›</Strong>
          <Quiet>Sheets, machines, plans, costs, people; sign-ins.</Quiet>
        </Card>
      </Go>
    </SettingsFrame>
  );
}

interface PersonProps {
  readonly person: StaffPerson;
  readonly branches: readonly string[];
  readonly own: boolean;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly again: () => void;
}

function Person({ person, branches, own, open, onOpen, again }: PersonProps) {
  const { name, role, branch, suspendedAt, mustChange, lastSeen, sessions } = person;
  const seen = lastSeen
    ? `last seen ${momentWords(lastSeen)}, on ${sessions} ${sessions === 1 ? 'device' : 'devices'}`
    : 'signed in nowhere';
  const stands = suspendedAt ? `may not sign in since ${momentWords(suspendedAt)}` : seen;
  return (
    <View style={styles.person} testID={`person ${person.signIn}`}>
      <Tap label={`${name}, ${role}: change`} expanded={open} onPress={onOpen} style={styles.head}>
        <Row apart>
          <Strong>{name}</Strong>
          <Strong tone="quiet">{open ? '▴' : '›'}</Strong>
        </Row>
        <Quiet>{`${role} · ${branch} · signs in as ${person.signIn}`}</Quiet>
        <Quiet>{mustChange ? `${stands}; is to set their own password` : stands}</Quiet>
      </Tap>
      {open ? <PersonActions person={person} branches={branches} own={own} again={again} /> : null}
    </View>
  );
}

const READS = [
  { value: 'own', title: 'Their own branch' },
  { value: 'all', title: 'All branches' },
] as const;

/** Whose machines people may look at; they write to their own branch's alone. */
function Reads() {
  const { data: access, error, again } = useAccess();
  const set = useAction(async (reads: 'own' | 'all') => {
    await api('PUT /access', { body: { reads } });
    again();
  });
  return (
    <Card testID="reads">
      <Heading>What people may look at</Heading>
      {access ? (
        <Choice
          label="Machines that technicians and planners may look at"
          value={access.reads}
          onChange={(reads) => void set.run(reads)}
          options={READS}
        />
      ) : (
        <Quiet>{error ? troubleText(error) : 'Asking.'}</Quiet>
      )}
      <Quiet>Whatever is set, they write to machines of their own branch alone.</Quiet>
      {set.trouble ? <Notice tone="rust" title="Not set" text={set.trouble} /> : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  person: { gap: SPACE.s },
  head: { minHeight: 56, justifyContent: 'center' },
});
