import type { ReactNode } from 'react';
import { Text, type StyleProp, type TextStyle } from 'react-native';
import { FONT, usePalette, type Palette } from './theme';
import { TYPE } from './tokens';

interface WordsProps {
  readonly children: ReactNode;
  /** colour of the palette; ink unless said */
  readonly tone?: keyof Palette;
  readonly style?: StyleProp<TextStyle>;
  readonly testID?: string | undefined;
  /** read out when it changes */
  readonly live?: boolean;
  /** kept to one line; what does not fit ends with a mark */
  readonly oneLine?: boolean;
}

function words(base: TextStyle, tone: keyof Palette, heading?: number) {
  const look: TextStyle = { ...base, fontVariant: ['tabular-nums'] };
  return function Words({
    children,
    tone: chosen = tone,
    style,
    testID,
    live,
    oneLine,
  }: WordsProps) {
    const palette = usePalette();
    return (
      <Text
        testID={testID}
        {...(oneLine ? { numberOfLines: 1 } : {})}
        style={[look, { color: palette[chosen] }, style]}
        {...(heading ? { role: 'heading' as const, 'aria-level': heading } : {})}
        {...(live ? { 'aria-live': 'polite' as const } : {})}
      >
        {children}
      </Text>
    );
  };
}

/** Name of a place or machine, once a screen. */
export const Title = words({ fontFamily: FONT.bold, ...TYPE.title }, 'ink', 1);
/** Head of a card or group. */
export const Heading = words({ fontFamily: FONT.bold, ...TYPE.heading }, 'ink', 2);
/** Running text. */
export const Body = words({ fontFamily: FONT.regular, ...TYPE.body }, 'ink');
/** Running text that matters. */
export const Strong = words({ fontFamily: FONT.semi, ...TYPE.body }, 'ink');
/** Second voice. */
export const Quiet = words({ fontFamily: FONT.regular, ...TYPE.quiet }, 'quiet');
/** A large number. */
export const Figure = words({ fontFamily: FONT.bold, ...TYPE.figure }, 'ink');
