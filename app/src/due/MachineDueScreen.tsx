import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { DueLine, DueState, MachineFile } from '@green-tally/core/contracts';
import { DUE_STATES, dueOf, type Standing } from '@green-tally/core/plan';
import { SyncLine } from '../session/SyncLine';
import { WithMachine } from '../machine/WithMachine';
import {
  Buttons,
  Chip,
  HeadRow,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  SPACE,
  Title,
  useWide,
} from '../ui';
import { machineName } from '../yard/words';
import { Group, LineCard } from './Lines';
import { Skips } from './Skips';
import { Ticks } from './Ticks';
import { STATE_WORDS } from './words';

/** What is due on one machine: closing up, tasks, and its checks and services by day. */
export function MachineDueScreen() {
  const { machineId } = useLocalSearchParams<{ machineId: string }>();
  return (
    <WithMachine id={machineId} what="what is due">
      {({ file, standing }) => <MachineDue file={file} standing={standing} />}
    </WithMachine>
  );
}

const CLOSING_ABOUT =
  'Before anyone starts it: what was opened is shut, what was moved is back, nothing is left inside.';

function MachineDue({ file, standing }: { file: MachineFile; standing: Standing }) {
  const router = useRouter();
  const wide = useWide();
  const { machine } = file;
  const lines = useMemo(
    () => dueOf(file, standing).filter((l) => l.kind !== 'task'),
    [file, standing],
  );
  const closing = standing.tasks.filter((t) => !t.check);
  const tasks = standing.tasks.filter((t) => t.check);
  return (
    <Screen
      testID="machine due"
      title={`Due: ${machine.serial}`}
      full={wide}
      footer={
        <Buttons>
          <Press
            style={styles.half}
            title={
              standing.proposed.length ? `Work (${standing.proposed.length} to accept)` : 'Work'
            }
            onPress={() => router.push(`/work/${machine.id}`)}
          />
          <Press
            style={styles.half}
            title="The machine"
            onPress={() => router.push(`/machine/${machine.id}`)}
          />
        </Buttons>
      }
    >
      <HeadRow
        back={{
          to: `/machine/${machine.id}`,
          title: machineName(machine),
          label: 'Back to the machine',
        }}
      >
        <SyncLine />
      </HeadRow>
      <Title>Due and to close up</Title>
      <View style={wide ? styles.columns : styles.stack}>
        <View style={[styles.stack, wide ? styles.column : null]}>
          <Ticks
            machineId={machine.id}
            title="Close the machine up"
            about={CLOSING_ABOUT}
            tasks={closing}
            testID="closing"
          />
          <Ticks
            machineId={machine.id}
            title="Tasks"
            about="Brought along by work that was done; each stays until it is ticked."
            tasks={tasks}
            testID="tasks"
          />
          <Skips machineId={machine.id} standing={standing} />
        </View>
        <View style={[styles.stack, wide ? styles.column : null]}>
          <Lines lines={lines} machineId={machine.id} />
        </View>
      </View>
    </Screen>
  );
}

/** So many lines of one group are shown before the rest is asked for. */
const SHOWN = 12;

function Lines({ lines, machineId }: { lines: readonly DueLine[]; machineId: string }) {
  const router = useRouter();
  const [only, setOnly] = useState<DueState | undefined>();
  const [all, setAll] = useState(false);
  const present = DUE_STATES.filter((s) => lines.some((l) => l.state === s));
  const now = lines.filter((l) => l.checkId && (l.state === 'overdue' || l.state === 'now'));
  if (!lines.length)
    return (
      <Notice tone="pine" title="Nothing is due" text="Everything counts through this harvest." />
    );
  return (
    <>
      {now.length > 1 ? (
        <Press
          title={`Walk the ${now.length} that are due now`}
          testID="walk due"
          onPress={() =>
            router.push(`/walk/${machineId}?only=${now.map((l) => l.checkId).join(',')}`)
          }
        />
      ) : null}
      {present.length > 1 ? (
        <Row>
          {present.map((s) => (
            <Chip
              key={s}
              title={STATE_WORDS[s]}
              on={only === s}
              onPress={() => setOnly(only === s ? undefined : s)}
            />
          ))}
        </Row>
      ) : null}
      {present
        .filter((s) => only === undefined || only === s)
        .map((s) => {
          const own = lines.filter((l) => l.state === s);
          return (
            <Group key={s} title={STATE_WORDS[s]} count={own.length}>
              {own.slice(0, all ? undefined : SHOWN).map((line) => (
                <LineCard key={line.key} line={line} machine={{ id: machineId }} />
              ))}
              {own.length > SHOWN && !all ? (
                <Press title={`Show all ${own.length}`} small onPress={() => setAll(true)} />
              ) : null}
            </Group>
          );
        })}
      <Quiet>Days are projected from the hours by how this machine has worked.</Quiet>
    </>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  stack: { gap: SPACE.m },
  column: { flex: 1 },
  half: { flex: 1 },
});
