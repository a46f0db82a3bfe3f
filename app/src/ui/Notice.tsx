import { View } from 'react-native';
import { Card } from './Card';
import { Press } from './Press';
import type { Palette } from './theme';
import { TYPE } from './tokens';
import { Body, Heading, Title } from './Words';

interface NoticeProps {
  readonly title: string;
  readonly text?: string;
  readonly tone?: 'violet' | 'rust' | 'pine' | 'blue';
  readonly action?: { readonly title: string; readonly onPress: () => void };
  readonly testID?: string;
  /** all the screen has to say: its title is the page's */
  readonly alone?: boolean;
}

const TINT: Readonly<Record<NonNullable<NoticeProps['tone']>, keyof Palette>> = {
  violet: 'violetTint',
  rust: 'rustTint',
  pine: 'pineTint',
  blue: 'blueTint',
};

/** Something to know: empty, offline, gone wrong. Says what to do next. */
export function Notice({
  title,
  text,
  tone = 'violet',
  action,
  testID,
  alone = false,
}: NoticeProps) {
  return (
    <View role={tone === 'rust' ? 'alert' : 'status'} testID={testID}>
      <Card fill={TINT[tone]} edge={tone}>
        {alone ? <Title style={TYPE.heading}>{title}</Title> : <Heading>{title}</Heading>}
        {text ? <Body>{text}</Body> : null}
        {action ? <Press title={action.title} onPress={action.onPress} small /> : null}
      </Card>
    </View>
  );
}
