import { View } from 'react-native';
import { Strong } from '../../ui';

interface ToMendProps {
  readonly count: number;
  /** where they are, or what became of the rest */
  readonly about: string;
}

/** How much of what was typed cannot be used as it stands. */
export function ToMend({ count, about }: ToMendProps) {
  return count ? (
    <View role="alert">
      <Strong tone="rust">{`${count} to mend${about}`}</Strong>
    </View>
  ) : null;
}
