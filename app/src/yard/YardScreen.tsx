import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { YardAsked, YardRow } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import {
  troubleText,
  Unreachable,
  useSession,
  useYard,
  type WholeYard,
  type YardList as YardListOf,
} from '../store';
import {
  Chip,
  Glyph,
  later,
  More,
  Notice,
  Press,
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

// asked for by those who narrow the list down
const YardFilters = later('what to show', async () => (await import('./YardFilters')).YardFilters);
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

interface YardListProps {
  readonly yard: WholeYard;
  readonly more: YardListOf['more'];
  readonly error: unknown;
  readonly asOf: string | undefined;
  readonly find: string;
  readonly setFind: (text: string) => void;
  readonly order: YardAsked['order'];
  readonly setOrder: (order: YardAsked['order']) => void;
  readonly filter: YardFilter;
  readonly setFilter: (filter: YardFilter) => void;
  readonly asTable?: boolean;
  /** whether machines stand in a table; only where there is room */
  readonly onTable?: (on: boolean) => void;
  readonly selected?: string | undefined;
  /** chooses what stands beside the list; without it a row leads to its machine */
  readonly onChoose?: (id: string) => void;
}

const ORDER_WORDS: Readonly<Record<YardAsked['order'], string>> = {
  slack: 'Slack',
  harvest: 'Harvest',
  customer: 'Customer',
  serial: 'Serial',
};
/** By serial one finds by typing it; as a list it is under More, Machines. */
const ORDERS = ['slack', 'harvest', 'customer'] as const;

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

/** Nothing is like what is sought. */
function NothingLike({ find, showAll }: { find: string; showAll: () => void }) {
  return (
    <Notice
      title={find ? `Nothing matches "${find}"` : 'No machine is like that'}
      text="Find by serial, model, customer or crop."
      action={{ title: 'Show all', onPress: showAll }}
    />
  );
}

type NarrowingProps = Pick<
  YardListProps,
  'yard' | 'asTable' | 'onTable' | 'order' | 'setOrder' | 'filter' | 'setFilter'
>;

/** Narrows the list down, puts it in another order, or into a table. */
function Narrowing({ yard, asTable = false, onTable, ...asked }: NarrowingProps) {
  const { order, setOrder, filter, setFilter } = asked;
  const narrowed = Object.keys(filter).length;
  const [open, setOpen] = useState(false);
  return (
    <>
      <Row>
        <Chip
          title={narrowed ? `Order, filter: ${narrowed}` : 'Order, filter'}
          testID="filter"
          on={open || narrowed > 0 || order !== 'slack'}
          onPress={() => setOpen(!open)}
        />
        {onTable ? (
          <Chip
            title="As a table"
            testID="as table"
            on={asTable}
            onPress={() => onTable(!asTable)}
          />
        ) : null}
      </Row>
      {open && yard.all.machines > A_LOOK && !asTable ? (
        <Row>
          {ORDERS.map((by) => (
            <Chip
              key={by}
              title={ORDER_WORDS[by]}
              label={`in order of ${ORDER_WORDS[by].toLowerCase()}`}
              on={order === by}
              onPress={() => setOrder(by)}
            />
          ))}
        </Row>
      ) : null}
      {open ? <YardFilters yard={yard} filter={filter} onChange={setFilter} /> : null}
    </>
  );
}

const AS_TABLE = 'green-tally-yard-table';

/** So many machines are looked over without putting them in another order. */
const A_LOOK = 12;

const searchText = ({ machine: m }: YardRow): string =>
  [m.serial, m.model, m.customer, m.harvest.crop].join('\n').toLowerCase();

/** What the thumb does in the Yard: the walk that is wanted most. */
function NextWalk({ wanted }: { wanted: WholeYard['all']['wanted'] }) {
  const palette = usePalette();
  const router = useRouter();
  if (!wanted) return <Quiet>Every machine has been walked.</Quiet>;
  const what = wanted.step === 'startWalk' ? 'Start a walk' : 'Go on with the walk';
  return (
    <Press
      fill="pine"
      icon={<Glyph decision="holds" color={palette.onFill} />}
      title={`${what}: ${wanted.serial}`}
      onPress={() => router.push(`/walk/${wanted.id}`)}
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
      text="The first day leads from an empty place to the first walk: a sheet from a starter, its limits, machines, people."
      action={{ title: 'Begin the first day', onPress: () => router.push('/first-day') }}
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
