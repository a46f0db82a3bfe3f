import { useRouter } from 'expo-router';
import { useState } from 'react';
import type { YardAsked } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { useSession, type WholeYard } from '../store';
import { Chip, Glyph, later, Notice, Press, Quiet, Row, usePalette } from '../ui';
import type { YardFilter } from './YardFilters';

/** Nothing is like what is sought. */
export function NothingLike({ find, showAll }: { find: string; showAll: () => void }) {
  return (
    <Notice
      title={find ? `Nothing matches "${find}"` : 'No machine is like that'}
      text="Find by serial, model, customer or crop."
      action={{ title: 'Show all', onPress: showAll }}
    />
  );
}

// asked for by those who narrow the list down
const YardFilters = later('what to show', async () => (await import('./YardFilters')).YardFilters);

const ORDER_WORDS: Readonly<Record<YardAsked['order'], string>> = {
  slack: 'Slack',
  harvest: 'Harvest',
  customer: 'Customer',
  serial: 'Serial',
};
/** By serial one finds by typing it; as a list it is under More, Machines. */
const ORDERS = ['slack', 'harvest', 'customer'] as const;

/** What the list is narrowed down to, and its order. */
export interface NarrowingProps {
  readonly yard: WholeYard;
  readonly order: YardAsked['order'];
  readonly setOrder: (order: YardAsked['order']) => void;
  readonly filter: YardFilter;
  readonly setFilter: (filter: YardFilter) => void;
  readonly asTable?: boolean;
  /** whether machines stand in a table; only where there is room */
  readonly onTable?: (on: boolean) => void;
}

/** Narrows the list down, puts it in another order, or into a table. */
export function Narrowing({ yard, asTable = false, onTable, ...asked }: NarrowingProps) {
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

/** So many machines are looked over without putting them in another order. */
const A_LOOK = 12;

/** What the thumb does in the Yard: the walk that is wanted most. */
export function NextWalk({ wanted }: { wanted: WholeYard['all']['wanted'] }) {
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

export function EmptyYard() {
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
