import { usePathname } from 'expo-router';
import { Suspense, useEffect, useRef, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { ownOutbox, startLive, troubleText, useSession } from '../store';
import { later, Notice, Screen, Skeleton, SPACE, usePalette, useWide } from '../ui';
import { Nav } from './Nav';
import { SignInScreen } from './SignInScreen';

// once in the life of a place
const SetupScreen = later('the first set-up', async () => (await import('../forms')).SetupScreen);

const MustChange = later('your password', async () => (await import('../forms')).MustChange);

/** Lets signed-in people through; asks others to sign in, or to set the place up. */
export function Gate({ children }: { children: ReactNode }) {
  const { data: session, error, again } = useSession();
  const wide = useWide();
  const palette = usePalette();
  const who = session?.person?.id;
  useEffect(() => (who ? startLive() : undefined), [who]);
  useEffect(() => ownOutbox(who), [who]);
  useAlong(who, session?.now.slice(0, 10) ?? '');
  const path = usePathname();
  // an operator's card and a shared report need no account
  if (path.startsWith('/card/') || path.startsWith('/r/'))
    return (
      <View style={[styles.app, { backgroundColor: palette.paper }]}>
        <Suspense fallback={<Skeleton what="the page" />}>{children}</Suspense>
      </View>
    );
  if (!session && error)
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
  const frame = [
    styles.app,
    wide ? styles.railed : styles.barred,
    { backgroundColor: palette.paper },
  ];
  if (!session)
    return (
      <View style={frame}>
        <View style={[styles.main, styles.waiting]}>
          <Skeleton what="Green Tally" />
        </View>
      </View>
    );
  if (session.needsSetup) return <SetupScreen />;
  if (!session.person) return <SignInScreen session={session} />;
  if (session.mustChange)
    return (
      <Suspense fallback={<Skeleton what="your password" />}>
        <MustChange name={session.person.name} />
      </Suspense>
    );
  return (
    <View style={frame}>
      <Nav />
      <Main>
        <Suspense fallback={<Skeleton what="this place" />}>{children}</Suspense>
      </Main>
    </View>
  );
}

/** Keeps what is taken along up to date; loaded after what is shown first. */
function useAlong(who: string | undefined, today: string): void {
  useEffect(() => {
    if (!who) return;
    let stop: (() => void) | undefined;
    let gone = false;
    void import('../store/along').then(
      ({ startAlong }) => {
        if (!gone) stop = startAlong(who, today);
      },
      // not loaded without signal: there is nothing to fetch then either
      () => undefined,
    );
    return () => {
      gone = true;
      stop?.();
    };
  }, [who, today]);
}

/**
 * What a place shows; going to another place takes the focus along, so that the next Tab key begins
 * there.
 */
function Main({ children }: { children: ReactNode }) {
  const main = useRef<View>(null);
  const path = usePathname();
  const arrived = useRef(path);
  useEffect(() => {
    const region: unknown = main.current;
    if (arrived.current === path || typeof HTMLElement === 'undefined') return;
    arrived.current = path;
    if (!(region instanceof HTMLElement) || region.contains(document.activeElement)) return;
    region.focus({ preventScroll: true });
  }, [path]);
  return (
    <View ref={main} role="main" tabIndex={-1} style={styles.main}>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  app: { flex: 1, minHeight: 0 },
  railed: { flexDirection: 'row' },
  barred: { flexDirection: 'column-reverse' },
  main: { flex: 1, minHeight: 0, outlineWidth: 0 },
  waiting: { padding: SPACE.m },
});
