import type { Href } from 'expo-router';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Card, Row } from './Card';
import { Go } from './Go';
import { Notice } from './Notice';
import { Screen } from './Screen';
import { usePalette } from './theme';
import { RADIUS, SPACE } from './tokens';
import { Strong } from './Words';

interface HeadRowProps {
  /** the way back */
  readonly back: { readonly to: Href; readonly title: string; readonly label: string };
  readonly children?: ReactNode;
}

/** The first row of a screen: the way back, and what else is told there. */
export function HeadRow({ back, children }: HeadRowProps) {
  return (
    <Row apart>
      <Go to={back.to} label={back.label} style={styles.back} replace>
        <Strong>{`‹ ${back.title}`}</Strong>
      </Go>
      {children}
    </Row>
  );
}

interface WaitingProps {
  /** what is being waited for: "the yard" */
  readonly what: string;
  /** what went wrong, in words; undefined while it may still come */
  readonly trouble?: string | undefined;
  readonly again: () => void;
  /** fill the width even when wide */
  readonly full?: boolean;
}

/**
 * A screen without its answer yet: its shape while it comes, or why it did not come and what to do.
 */
export function Waiting({ what, trouble, again, full = false }: WaitingProps) {
  return (
    <Screen full={full}>
      {trouble === undefined ? (
        <Skeleton what={what} />
      ) : (
        <Notice
          alone
          tone="rust"
          title={`${what.charAt(0).toUpperCase()}${what.slice(1)} cannot be shown`}
          text={trouble}
          action={{ title: 'Try again', onPress: again }}
        />
      )}
    </Screen>
  );
}

const CARDS = [0, 1, 2, 3];

/** The shape of what comes: a title, then cards. */
export function Skeleton({ what }: { what: string }) {
  const { tray } = usePalette();
  return (
    <View role="status" aria-label={`Loading ${what}`} aria-busy style={styles.skeleton}>
      <View style={[styles.title, { backgroundColor: tray }]} />
      {CARDS.map((card) => (
        <Card key={card}>
          <View style={[styles.line, styles.half, { backgroundColor: tray }]} />
          <View style={[styles.line, { backgroundColor: tray }]} />
          <View style={[styles.block, { backgroundColor: tray }]} />
        </Card>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  back: { justifyContent: 'center' },
  skeleton: { gap: SPACE.m },
  title: { height: 36, width: '60%', borderRadius: RADIUS.s },
  line: { height: 18, borderRadius: RADIUS.s },
  half: { width: '45%' },
  block: { height: 40, borderRadius: RADIUS.s },
});
