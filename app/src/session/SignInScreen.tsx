import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useSWRConfig } from 'swr';
import { SignIn, type Session } from '@green-tally/core/contracts';
import { api, troubleText } from '../store';
import {
  Card,
  Field,
  Glyph,
  Heading,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  Strong,
  Tap,
  Title,
  usePalette,
} from '../ui';

/** Sign in; in the demo, its people can be tapped. */
export function SignInScreen({ session }: { session: Session }) {
  const palette = usePalette();
  const { mutate } = useSWRConfig();
  const [trouble, setTrouble] = useState('');
  const { control, handleSubmit, setValue, formState } = useForm({
    resolver: zodResolver(SignIn),
    defaultValues: { signIn: '', password: '' },
  });
  const submit = handleSubmit(async (entry) => {
    setTrouble('');
    try {
      await mutate('/session', await api('POST', '/session', entry), { revalidate: false });
    } catch (error) {
      setTrouble(troubleText(error));
    }
  });
  return (
    <Screen testID="sign-in">
      <Row style={{ marginTop: 24 }}>
        <Glyph decision="replace" color={palette.pine} size={40} />
        <Title>Green Tally</Title>
      </Row>
      <Quiet>
        Every belt, chain, sprocket and knife measured, judged and put right before the crop is
        ready.
      </Quiet>
      <Card>
        <Heading>Sign in</Heading>
        <Field control={control} name="signIn" label="Sign-in name" autoComplete="username" />
        <Field
          control={control}
          name="password"
          label="Password"
          secret
          autoComplete="current-password"
          onSubmit={() => void submit()}
        />
        {trouble ? <Notice tone="rust" title="Not signed in" text={trouble} /> : null}
        <Press
          title="Sign in"
          fill="pine"
          onPress={() => void submit()}
          loading={formState.isSubmitting}
        />
      </Card>
      {session.demoSignIns.length ? (
        <Card>
          <Heading>Demo people</Heading>
          <Quiet>Tap one to fill the form. Everything in the demo is made up.</Quiet>
          {session.demoSignIns.map((p) => (
            <Tap
              key={p.signIn}
              label={`${p.name}, ${p.role}`}
              onPress={() => {
                setValue('signIn', p.signIn);
                setValue('password', p.password);
              }}
              style={{ minHeight: 48, justifyContent: 'center' }}
            >
              <Row>
                <Strong>{p.name}</Strong>
                <Quiet>{p.role}</Quiet>
              </Row>
            </Tap>
          ))}
        </Card>
      ) : null}
    </Screen>
  );
}
