import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTextDraft } from '../store';
import { Buttons, Press, Quiet, Strong, TextEntry } from '../ui';
import { factHelp, printPositions, withPositions } from './positionLines';
import type { Editing } from './useEditing';

interface PositionsFormProps {
  readonly editing: Editing;
  readonly onDone: () => void;
}

/** The positions of a sheet as lines of text; what is typed survives a reload until it is kept. */
export function PositionsForm({ editing, onDone }: PositionsFormProps) {
  const { sheet, busy, keep } = editing;
  const [typed, setTyped] = useTextDraft(`spec-positions|${sheet.model}`);
  const [trouble, setTrouble] = useState('');
  const text = typed || printPositions(sheet.positions);
  const save = async () => {
    const next = withPositions(sheet, text);
    if ('trouble' in next) return setTrouble(next.trouble);
    setTrouble('');
    if (!(await keep(next.sheet))) return;
    setTyped('');
    onDone();
  };
  return (
    <>
      <TextEntry
        label="Positions, one a line: name | fact how, fact how"
        value={text}
        onChange={(t) => {
          setTyped(t);
          setTrouble('');
        }}
        lines={Math.max(6, text.split('\n').length + 1)}
      />
      {factHelp().map((line) => (
        <Quiet key={line}>{line}</Quiet>
      ))}
      {trouble ? (
        <View role="alert">
          <Strong tone="rust">{trouble}</Strong>
        </View>
      ) : null}
      <Buttons>
        <Press
          style={styles.half}
          fill="pine"
          title="Keep in the draft"
          testID="keep positions"
          loading={busy}
          onPress={() => void save()}
          small
        />
        <Press
          style={styles.half}
          title="Drop what I typed"
          onPress={() => {
            setTyped('');
            onDone();
          }}
          small
        />
      </Buttons>
    </>
  );
}

const styles = StyleSheet.create({ half: { flex: 1 } });
