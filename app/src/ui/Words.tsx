import type { ReactNode } from 'react';
import { Text, type TextStyle, type StyleProp } from 'react-native';
import { FONT, usePalette, type Palette } from './theme';

interface WordsProps {
  readonly children: ReactNode;
  /** colour of the palette; ink unless said */
  readonly tone?: keyof Palette;
  readonly style?: StyleProp<TextStyle>;
  readonly testID?: string;
  /** read out when it changes */
  readonly live?: boolean;
}

function words(base: TextStyle, tone: keyof Palette, heading?: number) {
  return function Words({ children, tone: chosen = tone, style, testID, live }: WordsProps) {
    const palette = usePalette();
    return (
      <Text
        testID={testID}
        style={[base, { color: palette[chosen], fontVariant: ['tabular-nums'] }, style]}
        {...(heading ? { role: 'heading' as const, 'aria-level': heading } : {})}
        {...(live ? { 'aria-live': 'polite' as const } : {})}
      >
        {children}
      </Text>
    );
  };
}

/** Name of a place or machine, once a screen. */
export const Title = words({ fontFamily: FONT.bold, fontSize: 30, lineHeight: 36 }, 'ink', 1);
/** Head of a card or group. */
export const Heading = words({ fontFamily: FONT.bold, fontSize: 20, lineHeight: 26 }, 'ink', 2);
/** Running text. */
export const Body = words({ fontFamily: FONT.regular, fontSize: 17, lineHeight: 24 }, 'ink');
/** Running text that matters. */
export const Strong = words({ fontFamily: FONT.semi, fontSize: 17, lineHeight: 24 }, 'ink');
/** Second voice. */
export const Quiet = words({ fontFamily: FONT.regular, fontSize: 16, lineHeight: 22 }, 'quiet');
/** A large number. */
export const Figure = words({ fontFamily: FONT.bold, fontSize: 40, lineHeight: 44 }, 'ink');
