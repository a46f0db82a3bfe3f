import { View } from 'react-native';
import type { Decision } from '@green-tally/core/contracts';
import { DECISION_WORDS } from '@green-tally/core/verdict';
import { DECISION_FILL, Glyph } from './Glyph';
import { usePalette } from './theme';
import { Strong } from './Words';

interface DecisionBadgeProps {
  readonly decision: Decision;
  /** a number instead of the word, for counts */
  readonly count?: number;
}

/** A decision as word or count with its glyph: outlined when nothing has to be done, filled when something has. */
export function DecisionBadge({ decision, count }: DecisionBadgeProps) {
  const palette = usePalette();
  const fill = DECISION_FILL[decision];
  const color = fill ? palette.onFill : palette.ink;
  const word = DECISION_WORDS[decision];
  return (
    <View
      role="img"
      aria-label={count === undefined ? word : `${word}: ${count}`}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        borderRadius: 12,
        borderWidth: 2,
        paddingHorizontal: 12,
        minHeight: 38,
        borderColor: fill ? palette[fill] : palette.line,
        backgroundColor: fill ? palette[fill] : decision === 'watch' ? palette.tray : palette.card,
      }}
    >
      <Glyph decision={decision} color={color} size={20} />
      <Strong style={{ color }}>{count ?? word}</Strong>
    </View>
  );
}
