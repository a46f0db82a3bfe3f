import { useState } from 'react';
import { StyleSheet, Text, View } from 'react-native';
import { Formats, type Format } from '@green-tally/core/contracts/archive';
import { troubleText } from '../store';
import { useAnswer } from '../store/hooks';
import { Body, Card, Notice, Press, Quiet, Row, SPACE, Strong, TextEntry, usePalette } from '../ui';
import { SettingsFrame } from './SettingsFrame';

const GOES: Readonly<Record<Format['goes'], string>> = {
  in: 'goes in',
  out: 'goes out',
  both: 'goes in and out',
};

/** Every format that goes in or out, with its fields and an example. */
export function FormatsScreen() {
  const { data, error, again } = useAnswer('GET /formats', {}, Formats);
  const [find, setFind] = useState('');
  const wanted = find.trim().toLowerCase();
  const found = data?.formats.filter((f) => `${f.name} ${f.about}`.toLowerCase().includes(wanted));
  return (
    <SettingsFrame title="Formats" testID="formats">
      <Body>
        Plain files that any program reads: UTF-8, a dot before decimals, moments with their zone.
      </Body>
      <TextEntry label="Find a format" value={find} onChange={setFind} hint="readings, photos" />
      {found ? null : error ? (
        <Notice
          tone="rust"
          title="Not there"
          text={troubleText(error)}
          action={{ title: 'Ask again', onPress: again }}
        />
      ) : (
        <Quiet>Asking.</Quiet>
      )}
      {found?.map((format) => (
        <OneFormat key={format.name} format={format} />
      ))}
      {found && !found.length ? <Quiet>No format has that in its name.</Quiet> : null}
    </SettingsFrame>
  );
}

function OneFormat({ format: f }: { format: Format }) {
  const [open, setOpen] = useState(false);
  const palette = usePalette();
  return (
    <Card testID={`format ${f.name}`}>
      <Row apart>
        <View style={styles.grows}>
          <Strong>{f.name}</Strong>
          <Quiet>{`${f.file} · ${GOES[f.goes]}`}</Quiet>
        </View>
        <Press
          small
          title={open ? 'Close' : 'Fields'}
          label={`${open ? 'Close' : 'Fields of'} ${f.name}`}
          onPress={() => setOpen(!open)}
        />
      </Row>
      <Body>{f.about}</Body>
      {open ? (
        <>
          {f.fields.map(({ name, kind, about }) => (
            <View key={name}>
              <Strong>{name}</Strong>
              <Quiet>{[kind, about].filter(Boolean).join(': ')}</Quiet>
            </View>
          ))}
          <Strong>Example</Strong>
          <Text
            selectable
            style={[styles.example, { color: palette.ink, backgroundColor: palette.tray }]}
          >
            {f.example}
          </Text>
        </>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  grows: { flex: 1 },
  example: { fontFamily: 'monospace', fontSize: 14, padding: SPACE.s },
});
