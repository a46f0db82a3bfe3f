import { useLocalSearchParams } from 'expo-router';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import type { MachineFile } from '@green-tally/core/contracts';
import { needsHand } from '@green-tally/core/findings';
import { isLeft, leaveKey, standsOf, workLines, type Standing } from '@green-tally/core/plan';
import { SyncLine } from '../session/SyncLine';
import { WithMachine, type Known } from '../machine/WithMachine';
import { listsChanged } from '../store';
import { HeadRow, Notice, Quiet, Row, Screen, SPACE, Strong, Title, useWide } from '../ui';
import { machineName, slackWords, weekdayWords } from '../yard/words';
import { useWork } from './useWork';
import { VisitPart } from './VisitPart';
import { WhenCard } from './WhenCard';
import { WorkItems } from './WorkItems';

/** One machine's work: decisions to accept, accepted work, its hours and dates, and the visit. */
export function WorkScreen() {
  const { machineId } = useLocalSearchParams<{ machineId: string }>();
  return (
    <WithMachine id={machineId} what="this work">
      {(known) => <MachineWork {...known} />}
    </WithMachine>
  );
}

function MachineWork({ file, standing, again }: Known) {
  const { machine } = file;
  const wide = useWide();
  const slack = slackWords(standing.slack);
  const changed = () => {
    again();
    listsChanged();
  };
  const work = useWork();
  const lines = useMemo(() => workLines(file, standing), [file, standing]);
  const trouble =
    work.accept.trouble || work.withdraw.trouble || work.say.trouble || work.worked.trouble;
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
          <WorkItems {...{ file, standing, lines, work }} left={leftAlone(file, standing)} />
        </View>
        <View style={[styles.stack, wide ? styles.column : null]}>
          <WhenCard machine={machine} standing={standing} />
          <VisitPart file={file} standing={standing} onChanged={changed} />
        </View>
      </View>
    </Screen>
  );
}

/** What a person decided to leave, with who said so and why. */
const leftAlone = ({ ticks }: MachineFile, { verdicts }: Standing) =>
  verdicts.flatMap((verdict) => {
    if (!isLeft(verdict, ticks)) return [];
    const [place] = verdict.places.filter((p) => needsHand(p.decision));
    const said = place && standsOf(ticks, leaveKey(verdict.check.id, place.readingIds));
    return said
      ? [
          {
            name: verdict.check.component,
            said: `${said.note} (${said.by}, ${weekdayWords(said.at.slice(0, 10))})`,
          },
        ]
      : [];
  });

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  stack: { gap: SPACE.m },
  column: { flex: 1 },
});
