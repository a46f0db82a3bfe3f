import { useState } from 'react';
import type { StaffPerson } from '@green-tally/core/contracts/staff';
import { api, useAction } from '../store';
import { Buttons, Choice, Notice, Press, Quiet, TextEntry } from '../ui';

interface PersonActionsProps {
  readonly person: StaffPerson;
  readonly branches: readonly string[];
  /** the one who looks */
  readonly own: boolean;
  readonly again: () => void;
}

const ROLES = [
  { value: 'technician', title: 'Technician' },
  { value: 'planner', title: 'Planner' },
  { value: 'admin', title: 'Admin' },
] as const;

/** What an admin does with a person. */
export function PersonActions({ person, branches, own, again }: PersonActionsProps) {
  const { id, name, suspendedAt, visits } = person;
  const [sure, setSure] = useState<'suspend' | 'remove'>();
  const done = () => {
    setSure(undefined);
    again();
  };
  const change = useAction(
    async (body: Parameters<typeof api<'PATCH /people/{id}'>>[1]['body']) => {
      await api('PATCH /people/{id}', { params: { id }, body });
      done();
    },
  );
  const remove = useAction(async () => {
    await api('DELETE /people/{id}', { params: { id } });
    done();
  });
  const signOut = useAction(async () => {
    await api('DELETE /people/{id}/sessions', { params: { id } });
    done();
  });
  const trouble = change.trouble || remove.trouble || signOut.trouble;
  return (
    <>
      <Rights person={person} branches={branches} busy={change.busy} onChange={change.run} />
      <NewPassword person={person} again={again} />
      {sure === 'suspend' ? (
        <Notice
          title={`This signs ${name} out everywhere, and lets them in no more`}
          text={`${visits ? `${visits} ${visits === 1 ? 'visit' : 'visits'} ahead stay in the plan: give them to somebody else on the board. ` : ''}What they took stays under their name; what waits on their phone is sent once they are let in again.`}
        />
      ) : null}
      {trouble ? <Notice tone="rust" title="Not changed" text={trouble} /> : null}
      {own ? (
        <Quiet>You do not take your own rights away; another admin does.</Quiet>
      ) : (
        <Buttons>
          <Press
            small
            title="Sign out everywhere"
            label={`Sign ${name} out everywhere`}
            disabled={!person.sessions}
            loading={signOut.busy}
            onPress={() => void signOut.run()}
          />
          {suspendedAt ? (
            <Press
              small
              title="Let in again"
              label={`Let ${name} in again`}
              loading={change.busy}
              onPress={() => void change.run({ suspended: false })}
            />
          ) : (
            <Sure
              title="Suspend"
              name={name}
              sure={sure === 'suspend'}
              busy={change.busy}
              onSure={() => setSure('suspend')}
              onPress={() => void change.run({ suspended: true })}
            />
          )}
          <Sure
            title="Remove"
            name={name}
            sure={sure === 'remove'}
            busy={remove.busy}
            onSure={() => setSure('remove')}
            onPress={() => void remove.run()}
          />
        </Buttons>
      )}
    </>
  );
}

interface RightsProps extends Pick<PersonActionsProps, 'person' | 'branches'> {
  readonly busy: boolean;
  readonly onChange: (body: Pick<StaffPerson, 'role' | 'branch'>) => Promise<boolean>;
}

/** Role and branch: chosen first, then kept, for it signs them out. */
function Rights({ person, branches, busy, onChange }: RightsProps) {
  const { name } = person;
  const [role, setRole] = useState(person.role);
  const [branch, setBranch] = useState(person.branch);
  const another = role !== person.role || branch !== person.branch;
  return (
    <>
      <Choice label={`Role of ${name}`} value={role} onChange={setRole} options={ROLES} />
      {branches.length > 1 ? (
        <Choice
          label={`Branch of ${name}`}
          value={branch}
          onChange={setBranch}
          options={branches.map((b) => ({ value: b, title: b }))}
        />
      ) : null}
      {another ? (
        <>
          <Quiet>{`${name} is ${role} of ${branch} then, and signs in anew on every device.`}</Quiet>
          <Press
            small
            fill="pine"
            title="Keep this"
            label={`Keep role and branch of ${name}`}
            loading={busy}
            onPress={() => void onChange({ role, branch })}
          />
        </>
      ) : null}
    </>
  );
}

interface SureProps {
  readonly title: string;
  readonly name: string;
  readonly sure: boolean;
  readonly busy: boolean;
  readonly onSure: () => void;
  readonly onPress: () => void;
}

/** What takes something away asks for a second tap. */
function Sure({ title, name, sure, busy, onSure, onPress }: SureProps) {
  const again = `Tap again to ${title.toLowerCase()}`;
  return (
    <Press
      small
      fill={sure ? 'rust' : undefined}
      title={sure ? again : title}
      label={sure ? `${again} ${name}` : `${title} ${name}`}
      loading={busy}
      onPress={sure ? onPress : onSure}
    />
  );
}

/** A password that lets them in once, to set their own. */
function NewPassword({ person, again }: Pick<PersonActionsProps, 'person' | 'again'>) {
  const { id, name } = person;
  const [password, setPassword] = useState('');
  const [set, setSet] = useState(false);
  const reset = useAction(async () => {
    await api('POST /people/{id}/password', { params: { id }, body: { password } });
    setPassword('');
    setSet(true);
    again();
  });
  return (
    <>
      <TextEntry
        label={`New password for ${name}, at least 10 characters`}
        value={password}
        onChange={(text) => {
          setSet(false);
          setPassword(text);
        }}
        secret
        autoComplete="new-password"
      />
      {reset.trouble ? <Notice tone="rust" title="Not set" text={reset.trouble} /> : null}
      {set ? (
        <Notice
          tone="pine"
          title="Set"
          text={`Tell it to ${name}: it lets them in once, to set their own. They are signed out everywhere.`}
        />
      ) : null}
      <Press
        small
        title="Set the password"
        label={`Set the password of ${name}`}
        disabled={password.length < 10}
        loading={reset.busy}
        onPress={() => void reset.run()}
      />
    </>
  );
}
