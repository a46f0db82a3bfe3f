import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { printResult, type BenchResult } from '@green-tally/core/bench';
import { Body, Figure, Quiet, SPACE, STROKE, Strong, Tap, usePalette } from '../ui';

const TONES = { good: 'pine', bad: 'rust', doubt: 'violet' } as const;
const MARKS = { good: '●', bad: '▲', doubt: '◐' } as const;

/** One result: its value in both systems, what it says, and how it came, one tap away. */
export function ResultLine({ result }: { result: BenchResult }) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const { text, other } = printResult(result);
  const { label, tone, says, formula, numbers } = result;
  return (
    <View style={[styles.line, { borderColor: palette.line }]} testID={`result ${label}`}>
      <Tap
        label={`${label}: ${text}${other ? `, ${other}` : ''}${says ? `, ${says}` : ''}. How it is worked out`}
        expanded={open}
        onPress={() => setOpen(!open)}
        style={styles.tap}
      >
        <Quiet>{label}</Quiet>
        <View style={styles.value}>
          <Figure style={styles.figure}>{text}</Figure>
          {other ? <Quiet>{other}</Quiet> : null}
        </View>
        {says ? (
          <Strong {...(tone ? { tone: TONES[tone] } : {})}>
            {`${tone ? `${MARKS[tone]} ` : ''}${says}`}
          </Strong>
        ) : null}
      </Tap>
      {open ? (
        <View testID={`how ${label}`}>
          <Body>{formula}</Body>
          {numbers ? <Quiet>{numbers}</Quiet> : null}
        </View>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  line: { borderTopWidth: STROKE.thin, paddingVertical: SPACE.xs },
  tap: { minHeight: 56, justifyContent: 'center' },
  value: { flexDirection: 'row', alignItems: 'baseline', flexWrap: 'wrap', columnGap: SPACE.m },
  figure: { fontSize: 26, lineHeight: 32 },
});
