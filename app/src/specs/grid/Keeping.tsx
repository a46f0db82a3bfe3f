import { StyleSheet } from 'react-native';
import { Buttons, Press, Quiet } from '../../ui';
import { ToMend } from './ToMend';

interface KeepingProps {
  readonly typedRows: number;
  /** how many cells are to be mended */
  readonly troubles: number;
  readonly busy: boolean;
  readonly testID: string;
  readonly onKeep: () => Promise<void>;
  readonly onForget: () => void;
}

/** What was typed in a table goes into the draft, or is dropped. */
export function Keeping({ typedRows, troubles, busy, testID, ...on }: KeepingProps) {
  if (!typedRows) return <Quiet>What you type is kept here until it is in the draft.</Quiet>;
  return (
    <>
      <ToMend count={troubles} about="; what could be used is in the draft." />
      <Buttons>
        <Press
          style={styles.grows}
          fill="pine"
          testID={testID}
          title={`Keep ${typedRows} ${typedRows === 1 ? 'row' : 'rows'} in the draft`}
          loading={busy}
          onPress={() => void on.onKeep()}
        />
        <Press title="Drop what I typed" onPress={on.onForget} />
      </Buttons>
    </>
  );
}

const styles = StyleSheet.create({ grows: { flex: 1 } });
