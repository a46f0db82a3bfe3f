import { useSession } from '../store';
import { Quiet, Screen, Title, useWide } from '../ui';
import { SectionList } from './SettingsFrame';
import { YouScreen } from './YouScreen';

/** The settings: their list on a phone; when wide, the list beside the first of them. */
export function MoreScreen() {
  const { data: session } = useSession();
  const person = session?.person;
  if (useWide()) return <YouScreen />;
  return (
    <Screen testID="more" title="More">
      <Title>More</Title>
      {person ? <Quiet>{`${person.name} · ${person.role} · ${person.branch}`}</Quiet> : null}
      <SectionList />
    </Screen>
  );
}
