import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { WorkLine } from '@green-tally/core/contracts';
import { Body, DecisionBadge, Quiet, Row, Rule, SPACE, Strong } from '../ui';
import { FROM_WORDS, labourWords, ownerWords, sumsWords } from './words';

interface WorkCardProps {
  readonly line: WorkLine;
  readonly children?: ReactNode;
}

/** One piece of work: what, why, what it takes, what it costs now or left, what the owner said. */
export function WorkCard({ line, children }: WorkCardProps) {
  const { work, component, sums, owner, ifLeft, guardsPeople } = line;
  const labour = labourWords(work);
  const verdict = work.from === 'verdict';
  // once it was worked on, what its verdict said is past
  const open = verdict && !line.item?.asksReading;
  return (
    <View style={styles.item} testID={`work ${line.key}`}>
      <Rule />
      <Row apart>
        <Strong style={styles.grows}>{component}</Strong>
        {verdict ? (
          <DecisionBadge decision={work.decision} />
        ) : (
          <Strong tone="violet">{FROM_WORDS[work.from]}</Strong>
        )}
      </Row>
      <Quiet>{work.reason}</Quiet>
      {labour ? <Quiet>{labour}</Quiet> : null}
      {open ? <Quiet testID="sums">{sumsWords(sums)}</Quiet> : null}
      {open ? <Quiet>{`If it is left: ${ifLeft}`}</Quiet> : null}
      {guardsPeople ? <Body tone="rust">Somebody can be hurt when it fails.</Body> : null}
      {owner ? <Strong testID="owner said">{ownerWords(owner)}</Strong> : null}
      {children}
    </View>
  );
}

const styles = StyleSheet.create({ item: { gap: SPACE.s }, grows: { flex: 1 } });
