import { useState } from 'react';
import { StyleSheet } from 'react-native';
import { Body, Card, FONT, Heading, Press, Row, Strong } from '../../ui';
import { shortcutsNow, useKeys, type Shortcut } from './useKeys';

const KEY_WORDS: Readonly<Record<string, string>> = { Enter: 'Enter', ' ': 'space' };

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
      {listed.map(({ key, does }) => (
        <Row key={key}>
          <Strong style={styles.key}>{KEY_WORDS[key] ?? key}</Strong>
          <Body>{does}</Body>
        </Row>
      ))}
      <Row>
        <Strong style={styles.key}>0–9</Strong>
        <Body>
          start a reading, wherever the pad is shown; a caliper with a cable types here too
        </Body>
      </Row>
      <Press title="Hide" onPress={hide} small />
    </Card>
  );
}

const styles = StyleSheet.create({
  card: { maxWidth: 560 },
  key: { width: 64, fontFamily: FONT.bold },
});
