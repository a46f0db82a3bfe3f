import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { YardAsked, YardRow } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import { troubleText, Unreachable, useYard, type YardList as YardListOf } from '../store';
import {
  later,
  More,
  Quiet,
  Row,
  Screen,
  STROKE,
  TextEntry,
  Title,
  usePalette,
  useSettled,
  useWide,
  Waiting,
} from '../ui';
import { Apart } from './Apart';
import { AsOf } from './AsOf';
import { MachineRow } from './MachineRow';
import { SeasonLine } from './SeasonLine';
import type { YardFilter } from './YardFilters';
import { EmptyYard, Narrowing, NextWalk, NothingLike, type NarrowingProps } from './YardParts';

// a table only where there is room
const MachineTable = later('the table', async () => (await import('./MachineTable')).MachineTable);
// beside the list only where there is room
const MachineDetail = later(
  'the machine',
  async () => (await import('../machine/MachineScreen')).MachineDetail,
);

/** The Yard: machines by slack. On a wide screen the chosen machine stands beside the list. */
export function YardScreen() {
  const [find, setFind] = useState('');
  const [order, setOrder] = useState<YardAsked['order']>('slack');
  const [filter, setFilter] = useState<YardFilter>({});
  const q = useSettled(find.trim()) || undefined;
  const list = useYard({ q, order: order === 'slack' ? undefined : order, ...filter });
  const [asTable, setAsTable] = useState(
    () => globalThis.localStorage?.getItem(AS_TABLE) === 'yes',
  );
  const [chosen, setChosen] = useState<string | undefined>();
  const wide = useWide();
  const palette = usePalette();
  const { yard, error, again } = list;
  if (!yard)
    return (
      <Waiting
        what="the Yard"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  const asked = { find, setFind, order, setOrder, filter, setFilter };
  if (!wide) return <YardList {...list} {...asked} yard={yard} />;
  const table = (on: boolean) => {
    globalThis.localStorage?.setItem(AS_TABLE, on ? 'yes' : 'no');
    setAsTable(on);
  };
  if (asTable) return <YardList {...list} {...asked} yard={yard} asTable onTable={table} />;
  const selected = chosen ?? yard.rows[0]?.machine.id;
  return (
    <View style={styles.beside}>
      <View style={[styles.list, { borderRightColor: palette.line }]}>
        <YardList
          {...list}
          {...asked}
          yard={yard}
          selected={selected}
          onChoose={setChosen}
          onTable={table}
        />
      </View>
      <View style={styles.detail}>{selected ? <MachineDetail id={selected} /> : null}</View>
    </View>
  );
}

interface YardListProps extends NarrowingProps {
  readonly more: YardListOf['more'];
  readonly error: unknown;
  readonly asOf: string | undefined;
  readonly find: string;
  readonly setFind: (text: string) => void;
  readonly selected?: string | undefined;
  /** chooses what stands beside the list; without it a row leads to its machine */
  readonly onChoose?: (id: string) => void;
}

function YardList({
  yard,
  more,
  error,
  asOf,
  onChoose,
  selected,
  asTable = false,
  onTable,
  ...asked
}: YardListProps) {
  const { find, setFind, setFilter } = asked;
  const { machines, unwalked, behind } = yard.all;
  // what is typed is also sought among what is here, until the server answers and without signal
  const wanted = find.trim().toLowerCase();
  const rows = yard.rows.filter((r) => searchText(r).includes(wanted));
  const draw = (row: YardRow) => {
    const { id } = row.machine;
    return onChoose ? (
      <MachineRow row={row} selected={id === selected} onChoose={() => onChoose(id)} />
    ) : (
      <MachineRow row={row} to={`/machine/${id}`} />
    );
  };
  return (
    <Screen
      testID="yard"
      title="Yard"
      full
      footer={onTable ? undefined : <NextWalk wanted={yard.all.wanted} />}
      rows={
        asTable
          ? undefined
          : { data: rows, keyOf: (r) => r.machine.id, draw, more, foot: <More more={more} /> }
      }
    >
      <Row apart>
        <Title>Yard</Title>
        <SyncLine />
      </Row>
      <AsOf at={asOf} />
      {machines === 0 ? (
        <EmptyYard />
      ) : (
        <>
          <Quiet>{`${yard.branch} · ${printNumber(machines, 0)} machine${machines === 1 ? '' : 's'} · ${printNumber(unwalked, 0)} without a walk`}</Quiet>
          {behind ? (
            <Quiet testID="behind">{`${printNumber(behind, 0)} being judged anew; they follow by themselves.`}</Quiet>
          ) : null}
          {wanted || asTable ? null : <SeasonLine yard={yard} />}
          <TextEntry
            label="Find a machine"
            value={find}
            onChange={setFind}
            hint="serial, model, customer"
          />
          <Narrowing yard={yard} asTable={asTable} onTable={onTable} {...asked} />
        </>
      )}
      {error instanceof Unreachable && wanted ? (
        <Quiet>No signal: sought among the machines kept on this device.</Quiet>
      ) : null}
      {yard.apart.map((a) => (
        <Apart key={a.machine.id} {...a} />
      ))}
      {machines > 0 && rows.length + yard.apart.length === 0 ? (
        <NothingLike
          find={find.trim()}
          showAll={() => {
            setFind('');
            setFilter({});
          }}
        />
      ) : null}
      {asTable && rows.length ? (
        <>
          <MachineTable
            label="Machines"
            rows={rows}
            to={({ machine }) => `/machine/${machine.id}`}
          />
          <More more={more} />
        </>
      ) : null}
    </Screen>
  );
}

const AS_TABLE = 'green-tally-yard-table';

const searchText = ({ machine: m }: YardRow): string =>
  [m.serial, m.model, m.customer, m.harvest.crop].join('\n').toLowerCase();

const styles = StyleSheet.create({
  beside: { flex: 1, flexDirection: 'row', minHeight: 0 },
  list: { width: 500, borderRightWidth: STROKE.thin },
  detail: { flex: 1 },
});
