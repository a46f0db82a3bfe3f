import { View } from 'react-native';
import { Card } from './Card';
import { Press } from './Press';
import type { Palette } from './theme';
import { Body, Heading } from './Words';

interface NoticeProps {
  readonly title: string;
  readonly text?: string;
  readonly tone?: 'violet' | 'rust' | 'pine' | 'blue';
  readonly action?: { readonly title: string; readonly onPress: () => void };
  readonly testID?: string;
}

const TINT: Readonly<Record<NonNullable<NoticeProps['tone']>, keyof Palette>> = {
  violet: 'violetTint',
  rust: 'rustTint',
  pine: 'pineTint',
  blue: 'blueTint',
};

/** Something to know: empty, offline, gone wrong. Says what to do next. */
export function Notice({ title, text, tone = 'violet', action, testID }: NoticeProps) {
  return (
    <View role={tone === 'rust' ? 'alert' : 'status'} testID={testID}>
      <Card fill={TINT[tone]} edge={tone}>
        <Heading>{title}</Heading>
        {text ? <Body>{text}</Body> : null}
        {action ? <Press title={action.title} onPress={action.onPress} small /> : null}
      </Card>
    </View>
  );
}
