import { StyleSheet, View } from 'react-native';
import { Card } from './Card';
import { Glyph } from './Glyph';
import { Tap } from './Tap';
import { usePalette } from './theme';
import { RADIUS, STROKE } from './tokens';
import { Body, Quiet } from './Words';

interface TickLineProps {
  readonly line: string;
  /** said below it */
  readonly about?: string;
  readonly testID: string;
  readonly on: boolean;
  readonly onPress: () => void;
}

/** Something to confirm: a box as large as a glove, ticked by a stroke across. */
export function TickLine({ line, about = '', testID, on, onPress }: TickLineProps) {
  const palette = usePalette();
  return (
    <Tap
      role="checkbox"
      selected={on}
      testID={testID}
      label={about ? `${line}: ${about}` : line}
      onPress={onPress}
    >
      <Card edge={on ? 'pine' : 'line'} fill={on ? 'pineTint' : 'card'} style={styles.line}>
        <View style={[styles.box, { borderColor: palette.pine }]}>
          {on ? <Glyph decision="replace" color={palette.pine} size={22} /> : null}
        </View>
        <View style={styles.words}>
          <Body>{line}</Body>
          {about ? <Quiet>{about}</Quiet> : null}
        </View>
      </Card>
    </Tap>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', minHeight: 60 },
  box: {
    width: 36,
    height: 36,
    borderRadius: RADIUS.s,
    borderWidth: STROKE.thick,
    alignItems: 'center',
    justifyContent: 'center',
  },
  words: { flex: 1 },
});
