import { SearchBar } from '@rneui/themed';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Yard } from '@green-tally/core/contracts';
import { MachineDetail } from '../machine/MachineScreen';
import { SyncLine } from '../session/SyncLine';
import { troubleText, useSession, useYard } from '../store';
import {
  FONT,
  Glyph,
  Loading,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  Title,
  usePalette,
  useWide,
} from '../ui';
import { MachineRow } from './MachineRow';
import { SeasonLine } from './SeasonLine';

/** The Yard: machines by slack. On a wide screen the chosen machine stands beside the list. */
export function YardScreen() {
  const { data: yard, error, again } = useYard();
  const { data: session } = useSession();
  const [chosen, setChosen] = useState<string | undefined>();
  const router = useRouter();
  const wide = useWide();
  const palette = usePalette();
  const first = yard?.rows.find((r) => r.next.id === 'startWalk' || r.next.id === 'resumeWalk');
  const selected = wide ? (chosen ?? yard?.rows[0]?.machine.id) : undefined;
  const list = (
    <Screen
      testID="yard"
      full
      footer={
        first && !wide ? (
          <Press
            fill="pine"
            icon={<Glyph decision="holds" color={palette.onFill} />}
            title={`${first.next.id === 'startWalk' ? 'Start a walk' : 'Go on with the walk'}: ${first.machine.serial}`}
            onPress={() => router.push(`/walk/${first.machine.id}`)}
          />
        ) : undefined
      }
    >
      <Row style={{ justifyContent: 'space-between' }}>
        <Title>Yard</Title>
        <SyncLine />
      </Row>
      {error && !yard ? (
        <Notice
          tone="rust"
          title="The Yard cannot be shown"
          text={troubleText(error)}
          action={{ title: 'Try again', onPress: again }}
        />
      ) : null}
      {!yard && !error ? <Loading what="the Yard" /> : null}
      {yard ? (
        <YardList
          yard={yard}
          selected={selected}
          mayAdd={session?.person?.role !== 'technician'}
          onChoose={(id) => (wide ? setChosen(id) : router.push(`/machine/${id}`))}
        />
      ) : null}
    </Screen>
  );
  if (!wide) return list;
  return (
    <View style={{ flex: 1, flexDirection: 'row', minHeight: 0 }}>
      <View style={{ width: 500, borderRightWidth: 2, borderRightColor: palette.line }}>
        {list}
      </View>
      <View style={{ flex: 1 }}>{selected ? <MachineDetail id={selected} /> : null}</View>
    </View>
  );
}

interface YardListProps {
  readonly yard: Yard;
  readonly selected: string | undefined;
  readonly mayAdd: boolean;
  readonly onChoose: (id: string) => void;
}

function YardList({ yard, selected, mayAdd, onChoose }: YardListProps) {
  const [find, setFind] = useState('');
  const router = useRouter();
  const palette = usePalette();
  if (yard.rows.length === 0) {
    return (
      <Notice
        title="No machine on the books yet"
        text={
          mayAdd
            ? 'Load a spec sheet, then add the first machine.'
            : 'A planner adds machines under More.'
        }
        {...(mayAdd
          ? { action: { title: 'Add them under More', onPress: () => router.push('/more') } }
          : {})}
      />
    );
  }
  const wanted = find.trim().toLowerCase();
  const rows = yard.rows.filter(
    (r) =>
      !wanted ||
      [r.machine.serial, r.machine.model, r.machine.customer, r.machine.harvest.crop].some((t) =>
        t.toLowerCase().includes(wanted),
      ),
  );
  const unwalked = yard.rows.filter((r) => r.walk === 'none').length;
  return (
    <>
      <Quiet>{`${yard.branch} · ${yard.rows.length} machine${yard.rows.length === 1 ? '' : 's'} · ${unwalked} without a walk`}</Quiet>
      <SeasonLine yard={yard} />
      <SearchBar
        platform="default"
        placeholder="Find by serial, model, customer"
        aria-label="Find a machine"
        value={find}
        onChangeText={setFind}
        searchIcon={<></>}
        clearIcon={<></>}
        containerStyle={{
          backgroundColor: 'transparent',
          borderTopWidth: 0,
          borderBottomWidth: 0,
          padding: 0,
        }}
        inputContainerStyle={{
          backgroundColor: palette.card,
          borderRadius: 12,
          borderWidth: 2,
          borderBottomWidth: 2,
          borderColor: palette.line,
          minHeight: 48,
        }}
        inputStyle={{ fontFamily: FONT.regular, fontSize: 17, color: palette.ink }}
        placeholderTextColor={palette.quiet}
      />
      {rows.map((row) => (
        <MachineRow
          key={row.machine.id}
          row={row}
          selected={row.machine.id === selected}
          onPress={() => onChoose(row.machine.id)}
        />
      ))}
      {rows.length === 0 ? (
        <Notice
          title={`Nothing matches "${find.trim()}"`}
          text="Find by serial, model, customer or crop."
          action={{ title: 'Show all', onPress: () => setFind('') }}
        />
      ) : null}
    </>
  );
}
