import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Session } from '@green-tally/core/contracts';
import { api, keepAnswer, makeOwn, othersWait, pathOf, useAction } from '../store';
import {
  Card,
  Glyph,
  Heading,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  Tap,
  TextEntry,
  Title,
  usePalette,
} from '../ui';

/** Sign in; in the demo, its people can be tapped. */
export function SignInScreen({ session }: { session: Session }) {
  const palette = usePalette();
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const enter = useAction(async () => {
    if (!signIn.trim() || !password) throw new Error('Enter your sign-in name and your password.');
    const answer = await api('POST /session', { body: { signIn: signIn.trim(), password } });
    if (answer.person) await makeOwn(answer.person.id);
    await keepAnswer(pathOf('GET /session', {}), answer);
  });
  const waiting = useOthersWait();
  const submit = () => void enter.run();
  return (
    <Screen testID="sign-in" title="Sign in">
      <View style={styles.name}>
        <Row>
          <Glyph decision="replace" color={palette.pine} size={40} />
          <Title>Green Tally</Title>
        </Row>
      </View>
      <Quiet>
        Every belt, chain, sprocket and knife measured, judged and put right before the crop is
        ready.
      </Quiet>
      <Card>
        <Heading>Sign in</Heading>
        <TextEntry
          label="Sign-in name"
          value={signIn}
          onChange={setSignIn}
          autoComplete="username"
          onSubmit={submit}
        />
        <TextEntry
          label="Password"
          value={password}
          onChange={setPassword}
          autoComplete="current-password"
          secret
          onSubmit={submit}
        />
        {waiting ? (
          <Notice
            title={`${waiting} ${waiting === 1 ? 'entry waits' : 'entries wait'} on this device`}
            text="Taken here and not sent yet. Whoever took it signs in again: then it goes by itself."
            testID="others wait"
          />
        ) : null}
        {enter.trouble ? <Notice tone="rust" title="Not signed in" text={enter.trouble} /> : null}
        <Press title="Sign in" fill="pine" onPress={submit} loading={enter.busy} />
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
                setSignIn(p.signIn);
                setPassword(p.password);
              }}
              style={styles.person}
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

const styles = StyleSheet.create({
  name: { marginTop: SPACE.xl },
  person: { justifyContent: 'center' },
});

/** How much waits on this device for people who are not signed in. */
function useOthersWait(): number {
  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    let current = true;
    void othersWait().then((n) => current && setWaiting(n));
    return () => {
      current = false;
    };
  }, []);
  return waiting;
}
