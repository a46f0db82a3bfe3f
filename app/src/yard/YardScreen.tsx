import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Yard, YardRow } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { SyncLine } from '../session/SyncLine';
import { troubleText, useSession, useYard } from '../store';
import {
  Glyph,
  later,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  STROKE,
  TextEntry,
  Title,
  usePalette,
  useWide,
  Waiting,
} from '../ui';
import { MachineRow } from './MachineRow';
import { SeasonLine } from './SeasonLine';

// beside the list only where there is room
const MachineDetail = later(
  'the machine',
  async () => (await import('../machine/MachineScreen')).MachineDetail,
);

/** The Yard: machines by slack. On a wide screen the chosen machine stands beside the list. */
export function YardScreen() {
  const { data: yard, error, again } = useYard();
  const [chosen, setChosen] = useState<string | undefined>();
  const wide = useWide();
  const palette = usePalette();
  if (!yard)
    return (
      <Waiting
        what="the Yard"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  if (!wide) return <YardList yard={yard} />;
  const selected = chosen ?? yard.rows[0]?.machine.id;
  return (
    <View style={styles.beside}>
      <View style={[styles.list, { borderRightColor: palette.line }]}>
        <YardList yard={yard} selected={selected} onChoose={setChosen} />
      </View>
      <View style={styles.detail}>{selected ? <MachineDetail id={selected} /> : null}</View>
    </View>
  );
}

interface YardListProps {
  readonly yard: Yard;
  readonly selected?: string | undefined;
  /** chooses what stands beside the list; without it a row leads to its machine */
  readonly onChoose?: (id: string) => void;
}

function YardList({ yard, selected, onChoose }: YardListProps) {
  const [find, setFind] = useState('');
  const wanted = find.trim().toLowerCase();
  const rows = yard.rows.filter((r) => searchText(r).includes(wanted));
  const { length } = yard.rows;
  const unwalked = yard.rows.filter((r) => r.walk === 'none').length;
  return (
    <Screen
      testID="yard"
      title="Yard"
      full
      footer={onChoose ? undefined : <NextWalk yard={yard} />}
    >
      <Row apart>
        <Title>Yard</Title>
        <SyncLine />
      </Row>
      {length === 0 ? (
        <EmptyYard />
      ) : (
        <>
          <Quiet>{`${yard.branch} · ${length} machine${length === 1 ? '' : 's'} · ${unwalked} without a walk`}</Quiet>
          <SeasonLine yard={yard} />
          <TextEntry
            label="Find a machine"
            value={find}
            onChange={setFind}
            hint="serial, model, customer"
          />
        </>
      )}
      {rows.map((row) => {
        const { id } = row.machine;
        return onChoose ? (
          <MachineRow key={id} row={row} selected={id === selected} onChoose={() => onChoose(id)} />
        ) : (
          <MachineRow key={id} row={row} to={`/machine/${id}`} />
        );
      })}
      {length > 0 && rows.length === 0 ? (
        <Notice
          title={`Nothing matches "${find.trim()}"`}
          text="Find by serial, model, customer or crop."
          action={{ title: 'Show all', onPress: () => setFind('') }}
        />
      ) : null}
    </Screen>
  );
}

const searchText = ({ machine: m }: YardRow): string =>
  [m.serial, m.model, m.customer, m.harvest.crop].join('\n').toLowerCase();

/** What the thumb does in the Yard: the walk that is wanted most. */
function NextWalk({ yard }: { yard: Yard }) {
  const palette = usePalette();
  const router = useRouter();
  const row = yard.rows.find((r) => r.next.id === 'startWalk' || r.next.id === 'resumeWalk');
  if (!row) return <Quiet>Every machine has been walked.</Quiet>;
  const what = row.next.id === 'startWalk' ? 'Start a walk' : 'Go on with the walk';
  return (
    <Press
      fill="pine"
      icon={<Glyph decision="holds" color={palette.onFill} />}
      title={`${what}: ${row.machine.serial}`}
      onPress={() => router.push(`/walk/${row.machine.id}`)}
    />
  );
}

function EmptyYard() {
  const { data: session } = useSession();
  const router = useRouter();
  const mayAdd = session?.person && mayDo(session.person.role, 'keepMachines');
  return mayAdd ? (
    <Notice
      title="No machine on the books yet"
      text="Load a spec sheet, then add the first machine."
      action={{ title: 'Add a machine', onPress: () => router.push('/settings/machines') }}
    />
  ) : (
    <Notice title="No machine on the books yet" text="A planner adds machines under More." />
  );
}

const styles = StyleSheet.create({
  beside: { flex: 1, flexDirection: 'row', minHeight: 0 },
  list: { width: 500, borderRightWidth: STROKE.thin },
  detail: { flex: 1 },
});
