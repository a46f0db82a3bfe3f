import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Check, Walk } from '@green-tally/core/contracts';
import { SAFETY } from '@green-tally/core/stand';
import { useTextDraft, useTick, type Action } from '../store';
import { Buttons, Press, Strong, TextEntry, TickLine } from '../ui';
import type { CheckEvent } from './checkStep';

interface RunAndLookProps {
  readonly machineId: string;
  readonly walk: Walk;
  readonly check: Check;
  readonly tell: (event: CheckEvent) => void;
}

/** An adjuster moves at its first run: run it with everyone clear, make it safe again, look. */
export function RunAndLook({ machineId, walk, check, tell }: RunAndLookProps) {
  const [done, setDone] = useState<readonly number[]>([]);
  const ran = useTick(machineId);
  const left = SAFETY.runFirst.lines.length - done.length;
  return (
    <>
      {SAFETY.runFirst.lines.map((line, i) => (
        <TickLine
          key={line}
          line={line}
          testID={`settle ${i}`}
          on={done.includes(i)}
          onPress={() => setDone(done.includes(i) ? done.filter((d) => d !== i) : [...done, i])}
        />
      ))}
      {ran.trouble ? <Strong tone="rust">{ran.trouble}</Strong> : null}
      <Press
        fill="pine"
        title={left ? 'Confirm the lines above first' : 'Looked again: enter what it shows'}
        testID="looked again"
        disabled={left > 0}
        loading={ran.busy}
        onPress={() =>
          void ran
            .run(`ran|${walk.id}|${check.id}`, true)
            .then((kept) => kept && tell({ type: 'looked' }))
        }
      />
    </>
  );
}

interface SkipEntryProps {
  readonly draftKey: string;
  readonly skip: Action<[why: string]>;
  readonly onBack: () => void;
}

/** Why a check is not measured. */
export function SkipEntry({ draftKey, skip, onBack }: SkipEntryProps) {
  const [why, setWhy] = useTextDraft(draftKey);
  const [missing, setMissing] = useState(false);
  const send = async () => {
    if (!why.trim()) return setMissing(true);
    if (await skip.run(why.trim())) setWhy('');
  };
  const trouble = skip.trouble || (missing && !why.trim() ? 'Say why it is not measured.' : '');
  return (
    <>
      <TextEntry
        label="Why is it not measured?"
        value={why}
        onChange={setWhy}
        hint="cover seized, too dark, part missing"
      />
      {trouble ? (
        <View role="alert">
          <Strong tone="rust">{trouble}</Strong>
        </View>
      ) : null}
      <Buttons>
        <Press style={styles.half} title="Back" onPress={onBack} small />
        <Press
          style={styles.half}
          fill="violet"
          title="Skip it"
          loading={skip.busy}
          onPress={() => void send()}
          small
        />
      </Buttons>
    </>
  );
}

const styles = StyleSheet.create({ half: { flex: 1 } });
