import { useLocalSearchParams, useRouter } from 'expo-router';
import { View } from 'react-native';
import { LOUDNESS, needsHand } from '@green-tally/core/findings';
import { printHours, printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import { troubleText, useMachine } from '../store';
import {
  Card,
  DecisionBadge,
  Glyph,
  Heading,
  Loading,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  Strong,
  Tap,
  Title,
  usePalette,
} from '../ui';
import { dayWords, slackWords, weekdayWords } from '../yard/words';
import { EquipmentCard } from './EquipmentCard';
import { HarvestCard } from './HarvestCard';
import { Checked } from './Checked';
import { MachineDrawing } from './MachineDrawing';
import { RejudgeCard } from './RejudgeCard';

/** One machine as a place of its own. */
export function MachineScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <MachineDetail id={id} back />;
}

/** A machine: who, what, hours, header, harvest, what wears, what is due. */
export function MachineDetail({ id, back = false }: { id: string; back?: boolean }) {
  const { file, standing, error, isLoading, again } = useMachine(id);
  const router = useRouter();
  const palette = usePalette();
  if (!file || !standing) {
    return (
      <Screen>
        {isLoading ? (
          <Loading what="the machine" />
        ) : (
          <Notice
            tone="rust"
            title="This machine cannot be shown"
            text={troubleText(error)}
            action={{ title: 'Try again', onPress: again }}
          />
        )}
      </Screen>
    );
  }
  const { machine } = file;
  const slack = slackWords(standing.slack);
  const verdicts = [...standing.verdicts].sort(
    (a, b) => LOUDNESS.indexOf(a.decision) - LOUDNESS.indexOf(b.decision),
  );
  const due = verdicts.filter((v) => needsHand(v.decision));
  const walkTitle = {
    none: `Start the walk: ${standing.checks} checks`,
    started: `Go on with the walk: ${standing.checksDue} to go`,
    done: 'Walk again',
  }[standing.walkState];
  const open = standing.work.filter((w) => !w.done);
  const toDecide = standing.proposed.length;
  return (
    <Screen
      testID="machine"
      footer={
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Press
            style={{ flex: 1 }}
            title={
              toDecide
                ? `Work (${toDecide} to accept)`
                : open.length
                  ? `Work (${open.length})`
                  : 'Work'
            }
            onPress={() => router.push(`/work/${machine.id}`)}
            {...(standing.walkState === 'done' && toDecide ? { fill: 'pine' as const } : {})}
          />
          <Press
            style={{ flex: 1 }}
            title={walkTitle}
            onPress={() => router.push(`/walk/${machine.id}`)}
            {...(standing.walkState === 'done' ? {} : { fill: 'pine' as const })}
            disabled={standing.checks === 0}
          />
        </View>
      }
    >
      <Row style={{ justifyContent: 'space-between' }}>
        {back ? (
          <Tap
            label="Back to the Yard"
            onPress={() => router.replace('/')}
            style={{ justifyContent: 'center' }}
          >
            <Strong>‹ Yard</Strong>
          </Tap>
        ) : (
          <View />
        )}
        <SyncLine />
      </Row>
      <Row style={{ justifyContent: 'space-between' }}>
        <Title>{`${machine.model} · ${machine.serial}`}</Title>
        <Strong
          tone={standing.late ? 'rust' : 'ink'}
          testID="machine slack"
        >{`${slack.figure} ${slack.words}`}</Strong>
      </Row>
      <Quiet>{`${machine.customer} · ${printHours(machine.hours)} · ${machine.header ? `${machine.header.model} ${machine.header.serial} on it` : 'no header on it'} · ${machine.harvest.crop} from ${weekdayWords(machine.harvest.start)}`}</Quiet>
      {standing.checks === 0 ? (
        <Notice
          title="No spec sheet for this model"
          text="Without one there is nothing to measure against. A planner imports it under Specs."
        />
      ) : null}
      <MachineDrawing file={file} verdicts={standing.verdicts} />
      {due.length ? (
        <Card edge={standing.late ? 'rust' : 'line'} testID="open decisions">
          <Heading>What now</Heading>
          <Row gap={8}>
            {LOUDNESS.filter((d) => standing.counts[d]).map((d) => (
              <DecisionBadge key={d} decision={d} count={standing.counts[d] ?? 0} />
            ))}
          </Row>
          <Quiet>{`${printNumber(standing.hoursOpen, 2)} h of work known, ${printNumber(standing.hoursPlanned, 2)} h of it in a visit. Must start by ${weekdayWords(standing.mustStartBy)}; harvest ${dayWords(machine.harvest.start)}.`}</Quiet>
          {open.map((w) => (
            <Strong key={w.id}>
              {w.visit
                ? `${weekdayWords(w.visit.startsOn)}, ${w.visit.technician}: ${w.decision} ${standing.verdicts.find((v) => v.check.id === w.checkId)?.check.component.toLowerCase() ?? w.checkId}`
                : `Not planned yet: ${w.decision} ${standing.verdicts.find((v) => v.check.id === w.checkId)?.check.component.toLowerCase() ?? w.checkId}`}
            </Strong>
          ))}
        </Card>
      ) : null}
      <RejudgeCard file={file} />
      {verdicts.length ? (
        <Checked verdicts={verdicts} machineId={machine.id} />
      ) : standing.checks ? (
        <Notice title="Nothing measured yet" text="Its strips grow with the first walk." />
      ) : null}
      <EquipmentCard file={file} onChanged={again} />
      <HarvestCard machine={machine} seasonHours={standing.facts.seasonHours} onChanged={again} />
      <Card>
        <Heading>Walks</Heading>
        {file.walks.length ? (
          [...file.walks].reverse().map((w) => (
            <Row key={w.id}>
              <Glyph decision={w.finishedAt ? 'holds' : 'watch'} color={palette.ink} size={18} />
              <Quiet>{`${dayWords(w.startedAt.slice(0, 10))} ${w.startedAt.slice(0, 4)} · ${printHours(w.hours)} · ${w.by}${w.finishedAt ? '' : ' · not finished'}`}</Quiet>
            </Row>
          ))
        ) : (
          <Quiet>
            {file.readings.length
              ? `${file.readings.length} readings brought in without a walk.`
              : 'None yet.'}
          </Quiet>
        )}
      </Card>
    </Screen>
  );
}
