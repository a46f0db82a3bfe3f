import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { Setup } from '@green-tally/core/contracts';
import { api, keepAnswer, pathOf, useAction } from '../store';
import { Card, Notice, Press, Quiet, Screen, Title } from '../ui';
import { Field } from '../ui/form';

/** First visit to an empty place: its first branch and admin. */
export function SetupScreen() {
  const { control, handleSubmit } = useForm({
    resolver: zodResolver(Setup),
    defaultValues: { branch: '', name: '', signIn: '', password: '' },
  });
  const begin = useAction(async (body: Parameters<typeof api<'POST /setup'>>[1]['body']) => {
    await keepAnswer(pathOf('GET /session', {}), await api('POST /setup', { body }));
  });
  return (
    <Screen testID="setup" title="Welcome">
      <Title>Welcome to Green Tally</Title>
      <Quiet>
        Nobody is here yet. Name your first branch and make yourself its admin; you can add people,
        machines and spec sheets next.
      </Quiet>
      <Card>
        <Field control={control} name="branch" label="Branch" />
        <Field control={control} name="name" label="Your name" />
        <Field control={control} name="signIn" label="Sign-in name" autoComplete="username" />
        <Field
          control={control}
          name="password"
          label="Password, at least 10 characters"
          secret
          autoComplete="new-password"
        />
        {begin.trouble ? <Notice tone="rust" title="Not set up" text={begin.trouble} /> : null}
        <Press
          title="Begin"
          fill="pine"
          onPress={() => void handleSubmit((entry) => begin.run(entry))()}
          loading={begin.busy}
        />
      </Card>
    </Screen>
  );
}
