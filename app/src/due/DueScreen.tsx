import { useState } from 'react';
import type { DueLine, DueList, DueState } from '@green-tally/core/contracts';
import { DUE_STATES } from '@green-tally/core/plan';
import { printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import { download } from '../readings/download';
import { troubleText, useDue } from '../store';
import {
  Buttons,
  Chip,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  Strong,
  Table,
  TextEntry,
  Title,
  useSettled,
  useWide,
  Waiting,
  type Column,
} from '../ui';
import { AsOf } from '../yard/AsOf';
import { dayWords, machineName } from '../yard/words';
import { Group, LineCard, wayOf } from './Lines';
import { KIND_WORDS, lineWords, STATE_WORDS, whenWords, whyWords } from './words';

type DueRow = DueList['rows'][number];

/** What is due on the machines of the branch: filtered, nearest first; each line begins its walk. */
export function DueScreen() {
  const [states, setStates] = useState<readonly DueState[]>(['overdue', 'now', 'beforeHarvest']);
  const [kind, setKind] = useState<DueLine['kind'] | undefined>();
  const [search, setSearch] = useState('');
  const q = useSettled(search.trim()) || undefined;
  const { pages, error, again, more, asOf } = useDue({
    states: states.join(',') || undefined,
    kind,
    q,
  });
  const all = pages?.[0]?.all;
  if (!all)
    return (
      <Waiting
        what="what is due"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  const count = (s: DueState) => all.states[s] ?? 0;
  // without signal the kept lines are sought through here
  const wanted = search.trim().toLowerCase();
  const rows = pages
    .flatMap((p) => p.rows)
    .filter(
      (r) =>
        states.includes(r.line.state) &&
        (kind === undefined || r.line.kind === kind) &&
        sought(r).includes(wanted),
    );
  return (
    <Screen testID="due list" title="Due" full>
      <Row apart>
        <Title>Due</Title>
        <SyncLine />
      </Row>
      <AsOf at={asOf} />
      <Row>
        {DUE_STATES.filter((s) => count(s) > 0).map((s) => (
          <Chip
            key={s}
            title={`${STATE_WORDS[s]} ${printNumber(count(s), 0)}`}
            on={states.includes(s)}
            testID={`due state ${s}`}
            onPress={() =>
              setStates(states.includes(s) ? states.filter((x) => x !== s) : [...states, s])
            }
          />
        ))}
      </Row>
      <Row>
        {all.kinds.map((k) => (
          <Chip
            key={k}
            title={KIND_WORDS[k]}
            on={kind === k}
            onPress={() => setKind(kind === k ? undefined : k)}
          />
        ))}
      </Row>
      <TextEntry
        label="Machine, customer or component"
        value={search}
        onChange={setSearch}
        hint="T118, belt"
      />
      {all.behind + all.apart > 0 ? <Quiet testID="due behind">{besides(all)}</Quiet> : null}
      <Shown rows={rows} />
      {more ? (
        <Press
          title={`Show more: ${printNumber(Math.max(0, all.wanted - rows.length), 0)} left`}
          small
          onPress={more}
        />
      ) : null}
      <Buttons>
        <Press
          title="As CSV"
          small
          testID="due csv"
          onPress={() => download('/api/due.csv', 'green-tally-due.csv')}
        />
        <Press
          title="As a calendar (iCalendar)"
          small
          testID="due ics"
          onPress={() => download('/api/due.ics', 'green-tally-due.ics')}
        />
      </Buttons>
    </Screen>
  );
}

/** Which machines the list says nothing new of. */
const besides = ({ behind, apart }: NonNullable<DueList['all']>): string =>
  [
    behind ? `${printNumber(behind, 0)} machines are being judged anew; their lines follow.` : '',
    apart ? `${printNumber(apart, 0)} cannot be judged: see the Yard.` : '',
  ]
    .filter(Boolean)
    .join(' ');

const sought = ({ machine, line }: DueRow): string =>
  [machine.serial, machine.model, machine.customer, line.component, line.what]
    .join(' ')
    .toLowerCase();

function Shown({ rows }: { rows: readonly DueRow[] }) {
  const wide = useWide();
  if (!rows.length)
    return (
      <Notice
        tone="pine"
        title="Nothing here"
        text="Nothing is due by this choice. Widen it above to look further ahead."
      />
    );
  return (
    <>
      {wide ? (
        <Table
          label="Due"
          rows={rows}
          columns={COLUMNS}
          keyOf={(r) => `${r.machine.id} ${r.line.key}`}
          to={(r) => wayOf(r.line, r.machine.id)}
          said={(r) => `${machineName(r.machine)}, ${lineWords(r.line)}`}
        />
      ) : (
        DUE_STATES.map((s) => {
          const own = rows.filter((r) => r.line.state === s);
          return (
            <Group key={s} title={STATE_WORDS[s]} count={own.length}>
              {own.map((r) => (
                <LineCard
                  key={`${r.machine.id} ${r.line.key}`}
                  line={r.line}
                  machine={{ id: r.machine.id, name: r.machine.serial }}
                />
              ))}
            </Group>
          );
        })
      )}
    </>
  );
}

const COLUMNS: readonly Column<DueRow>[] = [
  {
    key: 'state',
    title: 'How near',
    flex: 1.1,
    by: (r) => DUE_STATES.indexOf(r.line.state),
    cell: ({ line }) => (
      <Strong tone={line.state === 'overdue' ? 'rust' : 'ink'}>{STATE_WORDS[line.state]}</Strong>
    ),
  },
  {
    key: 'on',
    title: 'When',
    flex: 1.4,
    by: (r) => r.line.on ?? '9',
    cell: (r) => <Strong>{whenWords(r.line)}</Strong>,
  },
  {
    key: 'machine',
    title: 'Machine',
    flex: 1.2,
    by: (r) => r.machine.serial,
    cell: (r) => <Strong>{machineName(r.machine)}</Strong>,
  },
  {
    key: 'customer',
    title: 'Customer',
    flex: 1.2,
    by: (r) => r.machine.customer,
    cell: (r) => <Quiet>{`${r.machine.customer}, harvest ${dayWords(r.harvest)}`}</Quiet>,
  },
  {
    key: 'component',
    title: 'Component',
    flex: 1.6,
    by: (r) => r.line.component,
    cell: ({ line }) => (
      <>
        <Strong>{line.component}</Strong>
        <Quiet>{line.what}</Quiet>
      </>
    ),
  },
  {
    key: 'kind',
    title: 'Kind',
    flex: 0.9,
    by: (r) => r.line.kind,
    cell: (r) => <Quiet>{KIND_WORDS[r.line.kind]}</Quiet>,
  },
  {
    key: 'why',
    title: 'Why',
    flex: 2,
    cell: (r) => <Quiet>{whyWords(r.line)}</Quiet>,
  },
];
