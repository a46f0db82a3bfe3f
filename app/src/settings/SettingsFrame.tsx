import { usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { mayDo } from '@green-tally/core/rights';
import { useSession } from '../store';
import {
  Card,
  Go,
  HeadRow,
  Quiet,
  Screen,
  SPACE,
  STROKE,
  Strong,
  Title,
  usePalette,
  useWide,
} from '../ui';
import { SECTIONS } from './sections';

interface SettingsFrameProps {
  readonly title: string;
  readonly testID: string;
  readonly children: ReactNode;
}

/**
 * One section of the settings: beside the list of all when wide, with a way back to it on a phone.
 */
export function SettingsFrame({ title, testID, children }: SettingsFrameProps) {
  const palette = usePalette();
  const wide = useWide();
  const section = (
    <Screen testID={testID} title={title}>
      {wide ? null : (
        <HeadRow back={{ to: '/more', title: 'More', label: 'Back to all settings' }} />
      )}
      <Title>{title}</Title>
      {children}
    </Screen>
  );
  if (!wide) return section;
  return (
    <View style={styles.beside} testID="settings">
      <ScrollView
        style={[styles.list, { borderRightColor: palette.line }]}
        contentContainerStyle={styles.sections}
      >
        <SectionList />
      </ScrollView>
      <View style={styles.detail}>{section}</View>
    </View>
  );
}

/** The sections a person may see, each a link. */
export function SectionList() {
  const { data: session } = useSession();
  const path = usePathname();
  const person = session?.person;
  const shown = SECTIONS.filter((s) => !s.right || (person && mayDo(person.role, s.right)));
  return shown.map((s) => {
    const here = path === s.to;
    return (
      <Go key={s.title} to={s.to} label={s.title} here={here}>
        <Card edge={here ? 'pine' : 'line'} fill={here ? 'pineTint' : 'card'}>
          <Strong>{`${s.title} ›`}</Strong>
          <Quiet>{s.text}</Quiet>
        </Card>
      </Go>
    );
  });
}

const styles = StyleSheet.create({
  beside: { flex: 1, flexDirection: 'row', minHeight: 0 },
  list: { width: 360, flexGrow: 0, borderRightWidth: STROKE.thin },
  sections: { padding: SPACE.m, gap: SPACE.s },
  detail: { flex: 1 },
});
