import { useState } from 'react';
import { api, keepAnswer, pathOf, useAction } from '../store';
import { Card, Heading, Notice, Press, Quiet, TextEntry } from '../ui';

interface PasswordFormProps {
  readonly title: string;
  /** said before it is typed */
  readonly text: string;
  readonly onDone?: () => void;
}

/** One's own new password; what was typed stays until it is taken. */
export function PasswordForm({ title, text, onDone }: PasswordFormProps) {
  const [old, setOld] = useState('');
  const [password, setPassword] = useState('');
  const [again, setAgain] = useState('');
  const [done, setDone] = useState(false);
  const change = useAction(async () => {
    if (password !== again) throw new Error('The new password is not the same both times.');
    const session = await api('POST /session/password', { body: { old, password } });
    await keepAnswer(pathOf('GET /session', {}), session);
    setOld('');
    setPassword('');
    setAgain('');
    setDone(true);
    onDone?.();
  });
  return (
    <Card testID="own password">
      <Heading>{title}</Heading>
      <Quiet>{text}</Quiet>
      <TextEntry
        label="The password you have now"
        value={old}
        onChange={setOld}
        secret
        autoComplete="current-password"
      />
      <TextEntry
        label="New password, at least 10 characters"
        value={password}
        onChange={setPassword}
        secret
        autoComplete="new-password"
      />
      <TextEntry
        label="New password once more"
        value={again}
        onChange={setAgain}
        secret
        autoComplete="new-password"
        onSubmit={() => void change.run()}
      />
      {change.trouble ? <Notice tone="rust" title="Not changed" text={change.trouble} /> : null}
      {done ? (
        <Notice
          tone="pine"
          title="Changed"
          text="Every other device of yours is signed out; what waits on it is sent once you sign in there again."
        />
      ) : null}
      <Press
        small
        title="Change the password"
        loading={change.busy}
        disabled={!old || password.length < 10 || !again}
        onPress={() => void change.run()}
      />
    </Card>
  );
}
