import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useSWRConfig } from 'swr';
import { v7 as uuidv7 } from 'uuid';
import { MARGIN_DAYS } from '@green-tally/core/plan';
import { printNumber } from '@green-tally/core/units';
import { labourHours, type ProposedWork } from '@green-tally/core/work';
import { SyncLine } from '../session/SyncLine';
import { api, put, troubleText, useClock, useMachine, useSession } from '../store';
import {
  Body,
  Card,
  DecisionBadge,
  Heading,
  Loading,
  Notice,
  Press,
  Quiet,
  Row,
  Rule,
  Screen,
  Strong,
  Tap,
  Title,
  useOnce,
  useWide,
} from '../ui';
import { dayWords, slackWords, weekdayWords } from '../yard/words';
import { VisitForm } from './VisitForm';

/** One machine's work: decisions to accept, accepted work, its hours and dates, and the visit. */
export function WorkScreen() {
  const { machineId } = useLocalSearchParams<{ machineId: string }>();
  const { file, standing, error, isLoading, again } = useMachine(machineId);
  const { data: session } = useSession();
  const { mutate } = useSWRConfig();
  const clock = useClock();
  const router = useRouter();
  const wide = useWide();
  const [trouble, setTrouble] = useState('');
  const accept = useOnce((items: readonly ProposedWork[]) =>
    put(
      items.map((p) => ({
        kind: 'work' as const,
        body: {
          ...p,
          id: uuidv7(),
          machineId,
          acceptedBy: session?.person?.name ?? '',
          acceptedAt: clock().toISOString(),
          withdrawnAt: null,
        },
      })),
    ),
  );
  if (!file || !standing) {
    return (
      <Screen>
        {isLoading ? (
          <Loading what="the work" />
        ) : (
          <Notice
            tone="rust"
            title="This work cannot be shown"
            text={troubleText(error)}
            action={{ title: 'Try again', onPress: again }}
          />
        )}
      </Screen>
    );
  }
  const { machine } = file;
  const open = standing.work.filter((w) => !w.done);
  const done = standing.work.filter((w) => w.done);
  const name = (checkId: string) =>
    standing.verdicts.find((v) => v.check.id === checkId)?.check.component ?? checkId;
  const slack = slackWords(standing.slack);
  const planner = session?.person?.role !== 'technician';
  const withdraw = async (id: string) => {
    setTrouble('');
    try {
      await api('DELETE', `/work/${id}`);
    } catch (e) {
      setTrouble(troubleText(e));
    }
    again();
    void mutate('/yard');
    void mutate('/visits');
  };
  const item = (w: ProposedWork, extra: React.ReactNode) => (
    <View key={w.checkId} style={{ gap: 6 }}>
      <Rule />
      <Row style={{ justifyContent: 'space-between' }}>
        <Strong style={{ flex: 1 }}>{name(w.checkId)}</Strong>
        <DecisionBadge decision={w.decision} />
      </Row>
      <Quiet>{w.reason}</Quiet>
      <Quiet>{`${w.places.length > 1 ? `${w.places.length} places · ` : ''}${printNumber(labourHours([w]), 2)} h${w.cover ? ` with ${w.cover.name}` : ''}${w.parts.length ? ` · ${w.parts.map((p) => `${p.quantity} × ${p.number} ${p.name}`).join(', ')}` : ''}`}</Quiet>
      {extra}
    </View>
  );
  return (
    <Screen testID="work" full={wide}>
      <Row style={{ justifyContent: 'space-between' }}>
        <Tap
          label="Back to the machine"
          onPress={() => router.replace(`/machine/${machine.id}`)}
          style={{ justifyContent: 'center' }}
        >
          <Strong>{`‹ ${machine.model} · ${machine.serial}`}</Strong>
        </Tap>
        <SyncLine />
      </Row>
      <Row style={{ justifyContent: 'space-between' }}>
        <Title>Work</Title>
        <Strong
          tone={standing.late ? 'rust' : 'ink'}
          testID="work slack"
        >{`${slack.figure} ${slack.words}`}</Strong>
      </Row>
      <Quiet>{`${machine.customer} · ${machine.harvest.crop} from ${weekdayWords(machine.harvest.start)}`}</Quiet>
      {trouble ? <Notice tone="rust" title="Not done" text={trouble} /> : null}
      <View
        style={{
          flexDirection: wide ? 'row' : 'column',
          gap: 14,
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        <View style={{ flex: wide ? 1 : undefined, gap: 12 }}>
          {standing.proposed.length ? (
            <Card edge="pine" testID="proposed">
              <Heading>{`Decided, not yet accepted: ${standing.proposed.length}`}</Heading>
              {standing.proposed.map((p) =>
                item(
                  p,
                  <Press
                    title="Accept into work"
                    label={`Accept into work: ${name(p.checkId)}`}
                    onPress={() => void accept([p])}
                    small
                  />,
                ),
              )}
              {standing.proposed.length > 1 ? (
                <Press
                  fill="pine"
                  title={`Accept all ${standing.proposed.length}`}
                  testID="accept all"
                  onPress={() => void accept(standing.proposed)}
                />
              ) : null}
            </Card>
          ) : null}
          {open.length ? (
            <Card testID="accepted">
              <Heading>{`In work: ${open.length}`}</Heading>
              {open.map((w) =>
                item(
                  w,
                  <Row style={{ justifyContent: 'space-between' }}>
                    <Quiet>{`accepted by ${w.acceptedBy}, ${dayWords(w.acceptedAt.slice(0, 10))}${w.visit ? `; visit ${weekdayWords(w.visit.startsOn)}` : ''}`}</Quiet>
                    <Press
                      title="Withdraw"
                      label={`Withdraw: ${name(w.checkId)}`}
                      onPress={() => void withdraw(w.id)}
                      small
                    />
                  </Row>,
                ),
              )}
            </Card>
          ) : null}
          {!standing.proposed.length && !open.length ? (
            <Notice
              tone="pine"
              title="No work due"
              text={
                standing.walkState === 'none'
                  ? 'Nothing is known yet: walk the machine first.'
                  : 'What was measured holds through this harvest.'
              }
              {...(standing.walkState === 'none'
                ? {
                    action: {
                      title: 'Start the walk',
                      onPress: () => router.push(`/walk/${machine.id}`),
                    },
                  }
                : {})}
            />
          ) : null}
          {done.length ? (
            <Card>
              <Heading>Put right</Heading>
              {done.map((w) => (
                <Quiet
                  key={w.id}
                >{`${name(w.checkId)}: ${w.decision}, closed by a reading that holds`}</Quiet>
              ))}
            </Card>
          ) : null}
        </View>
        <View style={{ flex: wide ? 1 : undefined, gap: 12 }}>
          {standing.hoursOpen > 0 ? (
            <Card edge={standing.late ? 'rust' : 'line'} testID="dates">
              <Heading>When</Heading>
              <Body testID="must start">{`${printNumber(standing.hoursOpen, 2)} h of work, covers opened once. Must start by ${weekdayWords(standing.mustStartBy)}: harvest ${dayWords(machine.harvest.start)}, less ${MARGIN_DAYS} days of margin.`}</Body>
              <Body>{`As it stands, finished ${weekdayWords(standing.finish)}${standing.late ? ': after harvest starts.' : '.'}`}</Body>
              {standing.walkState !== 'done' ? (
                <Quiet>{`${standing.checksDue} checks not walked yet count with their time.`}</Quiet>
              ) : null}
            </Card>
          ) : null}
          {open.length ? (
            planner ? (
              <VisitForm
                file={file}
                visit={open.find((w) => w.visit)?.visit}
                hours={labourHours(open)}
                onChanged={() => {
                  again();
                  void mutate('/yard');
                  void mutate('/visits');
                }}
              />
            ) : (
              <Quiet>
                {open.some((w) => w.visit)
                  ? `Visit: ${weekdayWords(open.find((w) => w.visit)?.visit?.startsOn ?? '')}, ${open.find((w) => w.visit)?.visit?.technician}.`
                  : 'A planner sets the visit.'}
              </Quiet>
            )
          ) : null}
        </View>
      </View>
    </Screen>
  );
}
