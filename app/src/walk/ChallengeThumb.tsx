import { useState } from 'react';
import { StyleSheet } from 'react-native';
import { Buttons, Notice, Press, TextEntry } from '../ui';

interface ChallengeThumbProps {
  readonly text: string;
  readonly note: string;
  /** why it is so; undefined: it is measured again */
  readonly answer: (why: string | undefined) => void;
}

/** In the pad's place, for a value that cannot well be: measured again, or kept with a word of why. */
export function ChallengeThumb({ text, answer, note }: ChallengeThumbProps) {
  const [why, setWhy] = useState(note);
  return (
    <>
      <Notice tone="violet" title="Can that be?" text={text} testID="challenge" />
      <TextEntry label="Why it is so" value={why} onChange={setWhy} hint="kept with the reading" />
      <Buttons>
        <Press
          style={styles.half}
          title="Keep it, say why"
          testID="keep challenged"
          disabled={!why.trim()}
          onPress={() => answer(why)}
        />
        <Press
          style={styles.half}
          fill="violet"
          title="Measure again"
          testID="drop challenged"
          onPress={() => answer(undefined)}
        />
      </Buttons>
    </>
  );
}

const styles = StyleSheet.create({ half: { flex: 1 } });
