import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Body, Card, FONT, Heading, Press, SPACE, Strong } from '../../ui';
import { shortcutsNow, useKeys, type Shortcut } from './useKeys';

/** What the pad itself hears, wherever it is shown. */
const ON_THE_PAD: readonly Pick<Shortcut, 'key' | 'does'>[] = [
  { key: '0–9', does: 'start a reading; a caliper with a cable types here too' },
  { key: 'u', does: 'the other unit' },
  { key: '⏎', does: 'judge what was typed' },
];

/** The list of keys, shown and put away by `?`. */
export function KeysHelp() {
  const [listed, setListed] = useState<readonly Shortcut[]>();
  const hide = () => setListed(undefined);
  useKeys([
    {
      key: '?',
      does: 'show or hide this list',
      run: () => setListed(listed ? undefined : shortcutsNow()),
    },
    ...(listed ? [{ key: 'Escape', does: 'hide this list', run: hide }] : []),
  ]);
  if (!listed) return null;
  return (
    <Card edge="blue" testID="keys" style={styles.card}>
      <Heading>Keys</Heading>
      {[...listed, ...ON_THE_PAD].map(({ key, does }) => (
        <View key={key} style={styles.line}>
          <Strong style={styles.key}>{key}</Strong>
          <Body style={styles.does}>{does}</Body>
        </View>
      ))}
      <Press title="Hide" onPress={hide} small />
    </Card>
  );
}

const styles = StyleSheet.create({
  card: { maxWidth: 560 },
  line: { flexDirection: 'row', gap: SPACE.m },
  key: { width: 64, fontFamily: FONT.bold },
  does: { flex: 1 },
});
