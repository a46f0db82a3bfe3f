import type { ReactNode } from 'react';
import { View } from 'react-native';
import { troubleText, useSession } from '../store';
import { Loading, Notice, Screen, usePalette, useWide } from '../ui';
import { Nav } from './Nav';
import { SetupScreen } from './SetupScreen';
import { SignInScreen } from './SignInScreen';

/** Lets signed-in people through; asks others to sign in, or to set the place up. */
export function Gate({ children }: { children: ReactNode }) {
  const { data: session, error, again } = useSession();
  const wide = useWide();
  const palette = usePalette();
  if (!session && error) {
    return (
      <Screen>
        <Notice
          tone="rust"
          title="Green Tally cannot be reached"
          text={`${troubleText(error)} Check the signal; nothing taken on this device is lost.`}
          action={{ title: 'Try again', onPress: again }}
        />
      </Screen>
    );
  }
  if (!session) return <Loading what="Green Tally" />;
  if (session.needsSetup) return <SetupScreen />;
  if (!session.person) return <SignInScreen session={session} />;
  return (
    <View
      style={{
        flex: 1,
        minHeight: 0,
        flexDirection: wide ? 'row' : 'column-reverse',
        backgroundColor: palette.paper,
      }}
    >
      <Nav />
      <View style={{ flex: 1, minHeight: 0 }} role="main">
        {children}
      </View>
    </View>
  );
}
