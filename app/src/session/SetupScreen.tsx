import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useSWRConfig } from 'swr';
import { Setup } from '@green-tally/core/contracts';
import { api, troubleText } from '../store';
import { Card, Field, Notice, Press, Quiet, Screen, Title } from '../ui';

/** First visit to an empty place: its first branch and admin. */
export function SetupScreen() {
  const { mutate } = useSWRConfig();
  const [trouble, setTrouble] = useState('');
  const { control, handleSubmit, formState } = useForm({
    resolver: zodResolver(Setup),
    defaultValues: { branch: '', name: '', signIn: '', password: '' },
  });
  const submit = handleSubmit(async (entry) => {
    setTrouble('');
    try {
      await mutate('/session', await api('POST', '/setup', entry), { revalidate: false });
    } catch (error) {
      setTrouble(troubleText(error));
    }
  });
  return (
    <Screen testID="setup">
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
        {trouble ? <Notice tone="rust" title="Not set up" text={trouble} /> : null}
        <Press
          title="Begin"
          fill="pine"
          onPress={() => void submit()}
          loading={formState.isSubmitting}
        />
      </Card>
    </Screen>
  );
}
