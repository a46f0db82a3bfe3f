import { View } from 'react-native';
import type { YardRow } from '@green-tally/core/contracts';
import { LOUDNESS } from '@green-tally/core/findings';
import {
  Card,
  DecisionBadge,
  Figure,
  FONT,
  Heading,
  Quiet,
  Row,
  Strong,
  Tap,
  usePalette,
} from '../ui';
import { dayWords, nextWords, slackWords, walkWords } from './words';

interface MachineRowProps {
  readonly row: YardRow;
  readonly selected?: boolean;
  readonly onPress: () => void;
}

/** A machine in the Yard: its slack, what was decided, what to do next. */
export function MachineRow({ row, selected = false, onPress }: MachineRowProps) {
  const palette = usePalette();
  const { machine } = row;
  const slack = slackWords(row.slack);
  const name = `${machine.model} · ${machine.serial}`;
  return (
    <Tap
      testID={`machine ${machine.serial}`}
      label={`${name}, ${machine.customer}, ${slack.figure} ${slack.words}, ${nextWords(row)}`}
      onPress={onPress}
    >
      <Card
        edge={selected ? 'pine' : 'line'}
        fill={selected ? 'pineTint' : 'card'}
        style={{ flexDirection: 'row', gap: 12 }}
      >
        <View
          style={{
            width: 78,
            alignItems: 'center',
            justifyContent: 'flex-start',
            borderRightWidth: 2,
            borderRightColor: palette.line,
            paddingRight: 8,
          }}
        >
          <Figure tone={row.late ? 'rust' : 'ink'} testID={`slack ${machine.serial}`}>
            {slack.figure}
          </Figure>
          <Quiet style={{ textAlign: 'center', lineHeight: 20 }}>{slack.words}</Quiet>
        </View>
        <View style={{ flex: 1, gap: 4 }}>
          <Row style={{ justifyContent: 'space-between' }}>
            <Heading>{name}</Heading>
            <Quiet>{walkWords(row)}</Quiet>
          </Row>
          <Quiet>{`${machine.customer} · ${machine.harvest.crop} ${dayWords(machine.harvest.start)}`}</Quiet>
          <Row gap={8}>
            {LOUDNESS.filter((d) => row.counts[d]).map((d) => (
              <DecisionBadge key={d} decision={d} count={row.counts[d] ?? 0} />
            ))}
          </Row>
          <Strong tone={row.late ? 'rust' : 'ink'} style={{ fontFamily: FONT.bold }}>
            {nextWords(row)}
          </Strong>
        </View>
      </Card>
    </Tap>
  );
}
