import { liveQuery } from 'dexie';
import { useDeferredValue, useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { YardRow } from '@green-tally/core/contracts';
import { SyncLine } from '../session/SyncLine';
import { local, troubleText, useYard, type YardList } from '../store';
import type { KeptMachine } from '../store/local';
import {
  Go,
  Heading,
  More,
  Notice,
  Quiet,
  Row,
  Screen,
  Strong,
  TextEntry,
  Title,
  useWide,
  Waiting,
} from '../ui';
import { AsOf } from '../yard/AsOf';
import { MachineRow } from '../yard/MachineRow';
import { MachineTable } from '../yard/MachineTable';
import { machineName } from '../yard/words';

/** Machines to walk: those begun first, then those without a walk, least slack first. */
export function WalkListScreen() {
  const [find, setFind] = useState('');
  const q = useDeferredValue(find.trim()) || undefined;
  const found = useYard({ q });
  const begun = useYard({ walk: 'started' });
  const none = useYard({ walk: 'none' });
  const done = useYard({ walk: 'done' });
  const lists = [begun, none, done];
  if (lists.some((l) => !l.yard)) {
    const error = lists.find((l) => l.error)?.error;
    return (
      <Waiting
        what="the machines"
        trouble={error ? troubleText(error) : undefined}
        again={() => lists.forEach((l) => l.again())}
      />
    );
  }
  const wanted = find.trim();
  const toWalk = rowsOf(begun).length + rowsOf(none).length;
  return (
    <Screen testID="walk list" title="Walk" full>
      <Row apart>
        <Title>Walk</Title>
        <SyncLine />
      </Row>
      <AsOf at={none.asOf} />
      <TextEntry
        label="Find a machine to walk"
        value={find}
        onChange={setFind}
        hint="serial, model, customer"
      />
      {wanted ? <Group title={`Found by “${wanted}”`} list={found} /> : <Recent />}
      {toWalk === 0 ? (
        <Notice
          tone="pine"
          title="Every machine has been walked"
          text="Walk one again below if something changed."
        />
      ) : null}
      <Group title="Begun" list={begun} />
      <Group title="No walk yet" list={none} />
      <Group title="Walked" list={done} />
      <Quiet>
        The walk is the same check after check, front to back, with the make-safe gate first.
      </Quiet>
    </Screen>
  );
}

/** So many that were looked at last are offered. */
const RECENT = 4;

/** Machines looked at last on this device: most often the next walk is of one of them. */
function Recent() {
  const [kept, setKept] = useState<readonly KeptMachine[]>([]);
  useEffect(() => {
    const watch = liveQuery(() => local.machines.toArray()).subscribe({ next: setKept });
    return () => watch.unsubscribe();
  }, []);
  const last = [...kept].sort((a, b) => (a.lookedAt < b.lookedAt ? 1 : -1)).slice(0, RECENT);
  if (!last.length) return null;
  return (
    <View testID="recent">
      <Heading>Looked at last</Heading>
      <Row>
        {last.map(({ id, machine }) => (
          <Go key={id} to={`/walk/${id}`} label={`Walk ${machineName(machine)}`} style={styles.go}>
            <Strong tone="pine">{`${machineName(machine)} ›`}</Strong>
          </Go>
        ))}
      </Row>
    </View>
  );
}

/** Machines with something to check. */
const rowsOf = ({ yard }: YardList): readonly YardRow[] =>
  (yard?.rows ?? []).filter((r) => r.checks > 0);

function Group({ title, list }: { title: string; list: YardList }) {
  const rows = rowsOf(list);
  const wide = useWide();
  const to = (r: YardRow) => `/walk/${r.machine.id}` as const;
  if (!rows.length) return null;
  return (
    <>
      <Heading>{title}</Heading>
      {wide ? (
        <MachineTable label={title} rows={rows} to={to} />
      ) : (
        rows.map((r) => <MachineRow key={r.machine.id} row={r} to={to(r)} />)
      )}
      <More more={list.more} />
    </>
  );
}

const styles = StyleSheet.create({ go: { justifyContent: 'center' } });
