import { useLocalSearchParams } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useSWRConfig } from 'swr';
import { v7 as uuidv7 } from 'uuid';
import type { MachineFile } from '@green-tally/core/contracts';
import type { Standing } from '@green-tally/core/plan';
import type { ProposedWork } from '@green-tally/core/work';
import { SyncLine } from '../session/SyncLine';
import { api, put, troubleText, useAction, useClock, useMachine, useSession } from '../store';
import { HeadRow, Notice, Quiet, Row, Screen, SPACE, Strong, Title, useWide, Waiting } from '../ui';
import { machineName, slackWords, weekdayWords } from '../yard/words';
import { VisitPart } from './VisitPart';
import { WhenCard } from './WhenCard';
import { WorkItems } from './WorkItems';

/** One machine's work: decisions to accept, accepted work, its hours and dates, and the visit. */
export function WorkScreen() {
  const { machineId } = useLocalSearchParams<{ machineId: string }>();
  const { file, standing, error, isLoading, again } = useMachine(machineId);
  if (!file || !standing)
    return (
      <Waiting
        what="this work"
        trouble={isLoading ? undefined : troubleText(error)}
        again={again}
      />
    );
  return <MachineWork file={file} standing={standing} again={again} />;
}

interface MachineWorkProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly again: () => void;
}

function MachineWork({ file, standing, again }: MachineWorkProps) {
  const { machine } = file;
  const { data: session } = useSession();
  const { mutate } = useSWRConfig();
  const clock = useClock();
  const wide = useWide();
  const slack = slackWords(standing.slack);
  const changed = () => {
    again();
    void mutate('/yard');
    void mutate('/visits');
  };
  const accept = useAction((items: readonly ProposedWork[]) => {
    const acceptedAt = clock().toISOString();
    const acceptedBy = session?.person?.name ?? '';
    return put(
      items.map((p) => ({
        kind: 'work' as const,
        body: {
          ...p,
          id: uuidv7(),
          machineId: machine.id,
          acceptedBy,
          acceptedAt,
          withdrawnAt: null,
        },
      })),
    );
  });
  const withdraw = useAction(async (id: string) => {
    await api('DELETE /work/{id}', { params: { id } });
    changed();
  });
  const trouble = accept.trouble || withdraw.trouble;
  return (
    <Screen testID="work" title={`Work: ${machine.serial}`} full={wide}>
      <HeadRow
        back={{
          to: `/machine/${machine.id}`,
          title: machineName(machine),
          label: 'Back to the machine',
        }}
      >
        <SyncLine />
      </HeadRow>
      <Row apart>
        <Title>Work</Title>
        <Strong tone={standing.late ? 'rust' : 'ink'} testID="work slack">
          {`${slack.figure} ${slack.words}`}
        </Strong>
      </Row>
      <Quiet>{`${machine.customer} · ${machine.harvest.crop} from ${weekdayWords(machine.harvest.start)}`}</Quiet>
      {trouble ? <Notice tone="rust" title="Not done" text={trouble} /> : null}
      <View style={wide ? styles.columns : styles.stack}>
        <View style={[styles.stack, wide ? styles.column : null]}>
          <WorkItems
            machineId={machine.id}
            standing={standing}
            accept={accept}
            withdraw={withdraw}
          />
        </View>
        <View style={[styles.stack, wide ? styles.column : null]}>
          <WhenCard machine={machine} standing={standing} />
          <VisitPart file={file} standing={standing} onChanged={changed} />
        </View>
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  stack: { gap: SPACE.m },
  column: { flex: 1 },
});
