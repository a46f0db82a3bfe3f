import { StyleSheet, View } from 'react-native';
import type { Decision } from '@green-tally/core/contracts';
import { LOUDNESS } from '@green-tally/core/findings';
import { DECISION_WORDS } from '@green-tally/core/verdict';
import { Row } from './Card';
import { DECISION_FILL, Glyph } from './Glyph';
import { usePalette } from './theme';
import { RADIUS, SPACE, STROKE } from './tokens';
import { Strong } from './Words';

interface DecisionBadgeProps {
  readonly decision: Decision;
  /** how many, said before the word: "2 replace" */
  readonly count?: number;
}

/**
 * A decision as its glyph and its word: outlined when nothing has to be done, filled when something
 * has.
 */
export function DecisionBadge({ decision, count }: DecisionBadgeProps) {
  const palette = usePalette();
  const fill = DECISION_FILL[decision];
  const color = fill ? palette.onFill : palette.ink;
  const word = DECISION_WORDS[decision];
  const quiet = decision === 'watch' ? palette.tray : palette.card;
  const said = count === undefined ? word : countWords(decision, count);
  return (
    <View
      role="img"
      aria-label={said}
      style={[
        styles.badge,
        count === undefined ? null : styles.compact,
        {
          borderColor: fill ? palette[fill] : palette.line,
          backgroundColor: fill ? palette[fill] : quiet,
        },
      ]}
    >
      <Glyph decision={decision} color={color} size={count === undefined ? 20 : 16} />
      <Strong style={{ color }}>{said}</Strong>
    </View>
  );
}

/** "2 replace", "1 holds", "135 hold". */
const countWords = (decision: Decision, count: number): string =>
  decision === 'holds' && count !== 1 ? `${count} hold` : `${count} ${decision}`;

/** How many of each decision, loudest first: "2 replace", "10 watch", "135 hold". */
export function DecisionCounts({
  counts,
}: {
  counts: Readonly<Partial<Record<Decision, number>>>;
}) {
  return (
    <Row gap={SPACE.xs}>
      {LOUDNESS.filter((d) => counts[d]).map((d) => (
        <DecisionBadge key={d} decision={d} count={counts[d] ?? 0} />
      ))}
    </Row>
  );
}

const styles = StyleSheet.create({
  badge: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    borderRadius: RADIUS.m,
    borderWidth: STROKE.thin,
    paddingHorizontal: SPACE.s,
    minHeight: 38,
  },
  compact: { minHeight: 32, gap: SPACE.xs, paddingHorizontal: 6, borderRadius: RADIUS.s },
});
