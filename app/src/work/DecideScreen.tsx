import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { workKey } from '@green-tally/core/work';
import { SyncLine } from '../session/SyncLine';
import { listsChanged, troubleText, useOutgoing, useWorkLines } from '../store';
import {
  Buttons,
  Card,
  Go,
  HeadRow,
  Heading,
  More,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  Table,
  TextEntry,
  TickLine,
  Title,
  useSettled,
  useWide,
  Waiting,
} from '../ui';
import { AsOf } from '../yard/AsOf';
import { dayWords, machineName } from '../yard/words';
import { Filters, type Choosing } from './DecideFilters';
import { useWork } from './useWork';
import { about, doing, WORK_COLUMNS, type WorkRow } from './workColumns';

const keyOf = ({ machine, line }: WorkRow): string => `${machine.id} ${line.key}`;
/** What somebody has to be asked for first is not taken with the rest. */
const mayTake = ({ line }: WorkRow): boolean =>
  line.owner?.answer !== 'notNow' && line.owner?.answer !== 'callMe';

/** Work over all machines, by where it stands: chosen by machine, decision or part, accepted together. */
export function DecideScreen() {
  const [choosing, setChoosing] = useState<Choosing>({ state: 'called' });
  const [search, setSearch] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const q = useSettled(search.trim()) || undefined;
  const { pages, error, again, more, asOf } = useWorkLines({ ...choosing, q });
  const work = useWork();
  const outgoing = useOutgoing();
  const all = pages?.[0]?.all;
  if (!all)
    return (
      <Waiting
        what="the work"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  const { state } = choosing;
  // what was accepted here and waits to be sent is not offered again
  const gone = new Set(
    (outgoing ?? []).flatMap((o) =>
      o.kind === 'work' && o.state === 'waiting' ? [`${o.machineId} ${workKey(o.body)}`] : [],
    ),
  );
  const rows = pages
    .flatMap((p) => p.rows)
    .filter(
      (r) =>
        r.line.state === state &&
        (state === 'accepted' || !gone.has(`${r.machine.id} ${workKey(r.line.work)}`)),
    );
  const acceptable = state === 'called' || state === 'beside';
  const taken = acceptable ? rows.filter((r) => chosen.has(keyOf(r))) : [];
  const toggle = (row: WorkRow) => {
    const next = new Set(chosen);
    if (!next.delete(keyOf(row))) next.add(keyOf(row));
    setChosen(next);
  };
  const accept = async () => {
    const items = taken.map(({ machine, line }) => ({ machineId: machine.id, work: line.work }));
    if (!(await work.accept.run(items))) return;
    setChosen(new Set());
    listsChanged();
  };
  const pick = (only: (row: WorkRow) => boolean) =>
    setChosen(new Set(rows.filter((r) => mayTake(r) && only(r)).map(keyOf)));
  const toAccept = (
    <Press
      fill="pine"
      title={`Accept ${taken.length} into work`}
      testID="accept chosen"
      loading={work.accept.busy}
      onPress={() => void accept()}
    />
  );
  return (
    <Screen
      testID="decide work"
      title="Work to decide"
      full
      footer={taken.length ? toAccept : undefined}
    >
      <HeadRow back={{ to: '/work', title: 'Work', label: 'Back to the work' }}>
        <SyncLine />
      </HeadRow>
      <Title>All work</Title>
      <AsOf at={asOf} />
      <Filters
        {...{ all, choosing }}
        onChange={(next) => {
          if (next.state !== state) setChosen(new Set());
          setChoosing(next);
        }}
      />
      <TextEntry
        label="Machine, customer or component"
        value={search}
        onChange={setSearch}
        hint="T118, belt"
      />
      {all.behind + all.apart > 0 ? (
        <Quiet>{`${all.behind + all.apart} machines are being judged anew or cannot be judged; their work is not all here.`}</Quiet>
      ) : null}
      {work.accept.trouble ? (
        <Notice tone="rust" title="Not accepted" text={work.accept.trouble} />
      ) : null}
      {acceptable && rows.length ? (
        <Buttons>
          <Press
            small
            title={`Choose all ${rows.filter(mayTake).length} shown`}
            testID="choose all"
            onPress={() => pick(() => true)}
          />
          <Press small title="Choose none" onPress={() => setChosen(new Set())} />
        </Buttons>
      ) : null}
      <Shown
        {...{ rows, chosen }}
        onChoose={acceptable ? toggle : undefined}
        onMachine={(id) => pick((r) => r.machine.id === id)}
      />
      <More more={more} />
    </Screen>
  );
}

interface ShownProps {
  readonly rows: readonly WorkRow[];
  readonly chosen: ReadonlySet<string>;
  /** absent where nothing can be chosen */
  readonly onChoose: ((row: WorkRow) => void) | undefined;
  /** chooses all of a machine */
  readonly onMachine: (id: string) => void;
}

/** A table on a wide screen, cards on a phone. */
function Shown({ rows, chosen, onChoose, onMachine }: ShownProps) {
  const wide = useWide();
  if (!rows.length)
    return (
      <Notice
        tone="pine"
        title="Nothing here"
        text="No work of this kind stands open on any machine. Choose another kind above."
      />
    );
  if (!wide) return <Cards {...{ rows, chosen, onChoose, onMachine }} />;
  const choosing = onChoose ? { chosen: (r: WorkRow) => chosen.has(keyOf(r)), onChoose } : {};
  return (
    <Table
      label="Work"
      rows={rows}
      columns={WORK_COLUMNS}
      keyOf={keyOf}
      to={(r) => `/work/${r.machine.id}`}
      said={(r) => `${machineName(r.machine)}, ${r.line.component}, ${r.line.work.decision}`}
      {...choosing}
    />
  );
}

function Cards({ rows, chosen, onChoose, onMachine }: ShownProps) {
  const machines = [...new Map(rows.map((r) => [r.machine.id, r])).values()];
  return (
    <>
      {machines.map(({ machine, harvest }) => (
        <Card key={machine.id} testID={`work of ${machine.serial}`}>
          <Row apart>
            <Go to={`/work/${machine.id}`} label={`Work of ${machine.serial}`}>
              <Heading>{`${machineName(machine)} ›`}</Heading>
            </Go>
            {onChoose ? (
              <Press
                small
                title="Choose all"
                label={`Choose all of ${machine.serial}`}
                onPress={() => onMachine(machine.id)}
              />
            ) : null}
          </Row>
          <Quiet>{`${machine.customer}, harvest ${dayWords(harvest)}`}</Quiet>
          {rows
            .filter((r) => r.machine.id === machine.id)
            .map((row) =>
              onChoose ? (
                <TickLine
                  key={keyOf(row)}
                  testID={`choose ${machine.serial} ${row.line.work.checkId}`}
                  line={`${row.line.component}: ${doing(row.line)}`}
                  about={about(row.line)}
                  on={chosen.has(keyOf(row))}
                  onPress={() => onChoose(row)}
                />
              ) : (
                <View key={keyOf(row)} style={styles.line}>
                  <Strong>{`${row.line.component}: ${doing(row.line)}`}</Strong>
                  <Quiet>{about(row.line)}</Quiet>
                </View>
              ),
            )}
        </Card>
      ))}
    </>
  );
}

const styles = StyleSheet.create({ line: { gap: SPACE.xs, paddingVertical: SPACE.s } });
