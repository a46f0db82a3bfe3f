import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet } from 'react-native';
import type { Machine, MachineFile } from '@green-tally/core/contracts';
import { LOUDNESS, needsHand } from '@green-tally/core/findings';
import type { Standing, StandingWork } from '@green-tally/core/plan';
import { printHours, printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import {
  Buttons,
  Card,
  DecisionCounts,
  Go,
  Heading,
  HeadRow,
  later,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  Strong,
  Title,
} from '../ui';
import { dayWords, machineName, slackWords, weekdayWords } from '../yard/words';
import { AlongCard } from './AlongCard';
import { Checked } from './Checked';
import { EquipmentCard } from './EquipmentCard';
import { Stopped } from './Stopped';
import { HarvestCard } from './HarvestCard';
import { DueCard } from './DueCard';
import { MachineDrawing } from './MachineDrawing';
import { ReadyCard } from './ReadyCard';
import { RejudgeCard } from './RejudgeCard';
import { CardLinks, SaidCards } from './operatorCards';
import { WithMachine, type Known } from './WithMachine';

const History = later('its years', async () => (await import('./History')).History);

/** One machine as a place of its own. */
export function MachineScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <MachineDetail id={id} back />;
}

/** A machine: who, what, hours, header, harvest, what wears, what is due. */
export function MachineDetail({ id, back = false }: { id: string; back?: boolean }) {
  return (
    <WithMachine id={id} what="this machine">
      {(known) => <MachinePage {...known} back={back} />}
    </WithMachine>
  );
}

function MachinePage({ file, standing, again, back }: Known & { readonly back: boolean }) {
  const { machine } = file;
  const verdicts = [...standing.verdicts].sort(
    (a, b) => LOUDNESS.indexOf(a.decision) - LOUDNESS.indexOf(b.decision),
  );
  const slack = slackWords(standing.slack);
  return (
    <Screen
      testID="machine"
      {...(back ? { title: machineName(machine) } : {})}
      footer={<Thumb machine={machine} standing={standing} />}
    >
      {back ? (
        <HeadRow back={{ to: '/', title: 'Yard', label: 'Back to the Yard' }}>
          <SyncLine />
        </HeadRow>
      ) : null}
      <Row apart>
        <Title>{machineName(machine)}</Title>
        <Strong tone={standing.late ? 'rust' : 'ink'} testID="machine slack">
          {`${slack.figure} ${slack.words}`}
        </Strong>
      </Row>
      <Quiet>{aboutMachine(machine)}</Quiet>
      {standing.checks === 0 ? (
        <Notice
          title="No spec sheet for this model"
          text="Without one there is nothing to measure against. A planner imports it under Specs."
        />
      ) : null}
      {file.said.length ? <SaidCards file={file} /> : null}
      {standing.checks ? <ReadyCard machineId={machine.id} standing={standing} /> : null}
      <MachineDrawing file={file} verdicts={standing.verdicts} />
      <DueCard file={file} standing={standing} />
      <WhatNow machine={machine} standing={standing} />
      <RejudgeCard file={file} />
      {verdicts.length ? <Checked verdicts={verdicts} machineId={machine.id} /> : null}
      {!verdicts.length && standing.checks ? (
        <Notice title="Nothing measured yet" text="Its strips grow with the first walk." />
      ) : null}
      <Stopped machineId={machine.id} />
      <Go to={`/report/${machine.id}`} label="The report for its owner">
        <Card testID="to report">
          <Strong>Report for the owner ›</Strong>
          <Quiet>
            what was found, what to do and what it costs; as PDF, or a link to answer on
          </Quiet>
        </Card>
      </Go>
      <Go to={`/changeover/${machine.id}`} label="Settings to move for another crop or header">
        <Card testID="to changeover">
          <Strong>Settings to move ›</Strong>
          <Quiet>For another crop or header, in the order that moves the machine least.</Quiet>
        </Card>
      </Go>
      <EquipmentCard file={file} onChanged={again} />
      <HarvestCard machine={machine} seasonHours={standing.facts.seasonHours} onChanged={again} />
      <AlongCard id={machine.id} />
      <CardLinks machine={machine} />
      <Walks file={file} />
      <OverTheYears file={file} standing={standing} />
    </Screen>
  );
}

const aboutMachine = ({ customer, hours, header, harvest }: Machine): string =>
  [
    customer,
    printHours(hours),
    header ? `${header.model} ${header.serial} on it` : 'no header on it',
    `${harvest.crop} from ${weekdayWords(harvest.start)}`,
  ].join(' · ');

interface StandingProps {
  readonly machine: Machine;
  readonly standing: Standing;
}

/** What the thumb does: the work, and the walk. */
function Thumb({ machine, standing }: StandingProps) {
  const router = useRouter();
  const { walkState, proposed, checks, checksDue } = standing;
  const walked = walkState === 'done';
  const walkTitle = {
    none: 'Start the walk',
    started: checksDue ? `Go on with the walk: ${checksDue} to go` : 'Go on with the walk',
    done: 'Walk again',
  }[walkState];
  return (
    <Buttons>
      <Press
        style={styles.half}
        title={workTitle(standing)}
        onPress={() => router.push(`/work/${machine.id}`)}
        fill={walked && proposed.length ? 'pine' : undefined}
      />
      <Press
        style={styles.half}
        title={walkTitle}
        onPress={() => router.push(`/walk/${machine.id}`)}
        fill={walked ? undefined : 'pine'}
        disabled={checks === 0}
      />
    </Buttons>
  );
}

function workTitle({ proposed, work }: Standing): string {
  if (proposed.length) return `Work (${proposed.length} to accept)`;
  const open = work.filter((w) => !w.done).length;
  return open ? `Work (${open})` : 'Work';
}

/** What has to be done before harvest: decisions, hours and dates, and the work that is planned. */
function WhatNow({ machine, standing }: StandingProps) {
  if (!standing.verdicts.some((v) => needsHand(v.decision))) return null;
  const { hoursOpen, hoursPlanned, mustStartBy, late } = standing;
  return (
    <Card edge={late ? 'rust' : 'line'} testID="open decisions">
      <Heading>Work</Heading>
      <DecisionCounts counts={standing.counts} />
      <Quiet>
        {`${printNumber(hoursOpen, 2)} h of work known, ${printNumber(hoursPlanned, 2)} h of it in a visit. `}
        {`Must start by ${weekdayWords(mustStartBy)}; harvest ${dayWords(machine.harvest.start)}.`}
      </Quiet>
      {standing.work
        .filter((w) => !w.done)
        .map((w) => (
          <Strong key={w.id}>{plannedWords(w, standing)}</Strong>
        ))}
    </Card>
  );
}

function plannedWords({ visit, decision, checkId }: StandingWork, standing: Standing): string {
  const check = standing.verdicts.find((v) => v.check.id === checkId)?.check;
  const what = `${decision} ${check?.component.toLowerCase() ?? checkId}`;
  return visit
    ? `${weekdayWords(visit.startsOn)}, ${visit.technician}: ${what}`
    : `Not planned yet: ${what}`;
}

/** How it has been over the years; worked out when it is asked for. */
function OverTheYears({ file, standing }: { file: MachineFile; standing: Standing }) {
  const [open, setOpen] = useState(false);
  return open ? (
    <History file={file} standing={standing} />
  ) : (
    <Press
      title="Over the years: hours, forecasts, what was put right, parts, photos"
      testID="over the years"
      onPress={() => setOpen(true)}
    />
  );
}

function Walks({ file: { walks, readings } }: { file: MachineFile }) {
  return (
    <Card>
      <Heading>Walks</Heading>
      {[...walks].reverse().map((w) => (
        <Row key={w.id}>
          <Quiet style={styles.half}>
            {`${dayWords(w.startedAt.slice(0, 10))} ${w.startedAt.slice(0, 4)} · `}
            {`${printHours(w.hours)} · ${w.by}${w.finishedAt ? '' : ' · not finished'}`}
          </Quiet>
        </Row>
      ))}
      {walks.length ? null : (
        <Quiet>
          {readings.length ? `${readings.length} readings brought in without a walk.` : 'None yet.'}
        </Quiet>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({ half: { flex: 1 } });
