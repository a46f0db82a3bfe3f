import type { Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import type { YardRow } from '@green-tally/core/contracts';
import {
  Card,
  DecisionCounts,
  Figure,
  FONT,
  Go,
  Heading,
  Quiet,
  Row,
  SPACE,
  STROKE,
  Strong,
  Tap,
  usePalette,
} from '../ui';
import {
  chanceWords,
  dayWords,
  machineName,
  nextWords,
  rowWords,
  slackWords,
  walkWords,
} from './words';

/** A row leads to a place, or chooses what stands beside the list. */
type Way =
  | { readonly to: Href; readonly onChoose?: undefined }
  | { readonly to?: undefined; readonly onChoose: () => void };

type MachineRowProps = Way & { readonly row: YardRow; readonly selected?: boolean };

/** A machine in the Yard: its slack, what was decided, what to do next. */
export function MachineRow({ row, selected = false, to, onChoose }: MachineRowProps) {
  const testID = `machine ${row.machine.serial}`;
  const label = rowWords(row);
  const card = <MachineCard row={row} selected={selected} />;
  return to === undefined ? (
    <Tap testID={testID} label={label} selected={selected} onPress={onChoose}>
      {card}
    </Tap>
  ) : (
    <Go testID={testID} label={label} to={to}>
      {card}
    </Go>
  );
}

function MachineCard({ row, selected }: { row: YardRow; selected: boolean }) {
  const palette = usePalette();
  const { machine } = row;
  const slack = slackWords(row.slack);
  const tone = row.late ? 'rust' : 'ink';
  return (
    <Card edge={selected ? 'pine' : 'line'} fill={selected ? 'pineTint' : 'card'}>
      <View style={styles.head}>
        <View style={[styles.slack, { borderRightColor: palette.line }]}>
          <Figure tone={tone} testID={`slack ${machine.serial}`}>
            {slack.figure}
          </Figure>
          <Quiet style={styles.slackWords}>{slack.words}</Quiet>
        </View>
        <View style={styles.told}>
          <Row apart>
            <Heading>{machineName(machine)}</Heading>
            <Quiet>{walkWords(row)}</Quiet>
          </Row>
          <Quiet>{`${machine.customer} · ${machine.harvest.crop} ${dayWords(machine.harvest.start)}`}</Quiet>
          <Strong tone={tone} style={styles.next}>
            {nextWords(row)}
          </Strong>
          {row.chance === null ? null : (
            <Quiet testID={`chance ${machine.serial}`}>
              {`Accepted work in time: ${chanceWords(row.chance)}${row.awaits ? `, waits for ${row.awaits} ${row.awaits === 1 ? 'part' : 'parts'}` : ''}`}
            </Quiet>
          )}
          {row.said ? (
            <Strong tone="violet">{`Operator says something new: ${row.said}`}</Strong>
          ) : null}
        </View>
      </View>
      <DecisionCounts counts={row.counts} />
    </Card>
  );
}

const styles = StyleSheet.create({
  head: { flexDirection: 'row', gap: SPACE.m },
  slack: {
    width: 78,
    alignItems: 'center',
    borderRightWidth: STROKE.thin,
    paddingRight: SPACE.s,
  },
  slackWords: { textAlign: 'center', lineHeight: 20 },
  told: { flex: 1, gap: SPACE.xs },
  next: { fontFamily: FONT.bold },
});
