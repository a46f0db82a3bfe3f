import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { MachineFile } from '@green-tally/core/contracts';
import { parseQuantity, printHours, printNumber } from '@green-tally/core/units';
import { checksFor, nextStop, walkPlan, walkStops, type WalkStop } from '@green-tally/core/walk';
import type { Standing } from '@green-tally/core/plan';
import { suspectsFor, symptomsIn } from '@green-tally/core/symptoms';
import { SyncLine } from '../session/SyncLine';
import { put, troubleText, useClock, useDraft, useMachine, useSession } from '../store';
import {
  Body,
  Card,
  DecisionBadge,
  FONT,
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
  useOnce,
  usePalette,
} from '../ui';
import { dayWords } from '../yard/words';
import { TextEntry } from './TextEntry';
import { newWalk } from './session';

/** A walk: the make-safe gate first, then the checks in order. */
export function WalkScreen() {
  const { machineId } = useLocalSearchParams<{ machineId: string }>();
  const { file, standing, error, isLoading, again } = useMachine(machineId);
  if (!file || !standing) {
    return (
      <Screen>
        {isLoading ? (
          <Loading what="the walk" />
        ) : (
          <Notice
            tone="rust"
            title="This walk cannot be shown"
            text={troubleText(error)}
            action={{ title: 'Try again', onPress: again }}
          />
        )}
      </Screen>
    );
  }
  const running = standing.walk && !standing.walk.finishedAt ? standing.walk : undefined;
  return running ? (
    <WalkOverview file={file} standing={standing} walkId={running.id} />
  ) : (
    <MakeSafeGate file={file} />
  );
}

const GATE = [
  'Engine stopped, all motion run down.',
  'Key out and kept on you. Isolator off, locked for longer work.',
  'Feeder-house lift stop latched; header and reel stops set before anyone goes under.',
  'Wheels held. Cut-proof gloves at knives. Mind stored spring force, hot oil and coolant.',
  'Drives are turned by hand only; a check that needs running says so and is its own step.',
];

function MakeSafeGate({ file }: { file: MachineFile }) {
  const { machine } = file;
  const { data: session } = useSession();
  const clock = useClock();
  const router = useRouter();
  const palette = usePalette();
  const [hoursText, setHoursText] = useDraft(`walk-hours|${machine.id}`);
  const [noticed, setNoticed] = useDraft(`walk-noticed|${machine.id}`);
  const [confirmed, setConfirmed] = useState<readonly number[]>([]);
  const [trouble, setTrouble] = useState('');
  const [starting, setStarting] = useState(false);
  const all = confirmed.length === GATE.length;
  const checks = checksFor(machine, file.sheets);
  const start = useOnce(async () => {
    setTrouble('');
    let hours = machine.hours;
    try {
      if (hoursText.trim()) hours = parseQuantity(hoursText, 'time', 'h').value;
    } catch (error) {
      return setTrouble(troubleText(error));
    }
    if (hours < machine.hours)
      return setTrouble(
        `The books say ${printHours(machine.hours)} already. Read the separator hours again, not the engine hours.`,
      );
    if (hours > machine.hours + 2000)
      return setTrouble(
        `${printHours(hours)} is ${printHours(hours - machine.hours)} more than the books say. Read the meter again.`,
      );
    setStarting(true);
    await put([
      {
        kind: 'walk',
        body: newWalk(file, hours, clock(), session?.person?.name ?? '', noticed.trim()),
      },
    ]);
    setHoursText('');
    setNoticed('');
  });
  return (
    <Screen
      testID="gate"
      footer={
        <>
          {trouble ? (
            <View role="alert">
              <Strong tone="rust">{trouble}</Strong>
            </View>
          ) : null}
          <Press
            fill="pine"
            title={all ? 'Made safe: begin the walk' : `Confirm all ${GATE.length} first`}
            disabled={!all}
            loading={starting}
            onPress={() => void start()}
          />
        </>
      }
    >
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
      <Title>Make safe first</Title>
      <Quiet>{`${checks.length} checks, about ${Math.max(5, Math.round(checks.reduce((s, c) => s + c.labour.measure, 0) / 5) * 5)} minutes. Harvest ${dayWords(machine.harvest.start)}.`}</Quiet>
      {GATE.map((line, i) => {
        const on = confirmed.includes(i);
        return (
          <Tap
            key={line}
            testID={`gate ${i}`}
            label={`${line} ${on ? 'Confirmed' : 'Confirm'}`}
            onPress={() => setConfirmed(on ? confirmed.filter((c) => c !== i) : [...confirmed, i])}
          >
            <Card
              edge={on ? 'pine' : 'line'}
              fill={on ? 'pineTint' : 'card'}
              style={{ flexDirection: 'row', alignItems: 'center', minHeight: 60 }}
            >
              <View
                style={{
                  width: 36,
                  height: 36,
                  borderRadius: 8,
                  borderWidth: 3,
                  borderColor: palette.pine,
                  alignItems: 'center',
                  justifyContent: 'center',
                }}
              >
                {on ? <Glyph decision="replace" color={palette.pine} size={22} /> : null}
              </View>
              <Body style={{ flex: 1 }}>{line}</Body>
            </Card>
          </Tap>
        );
      })}
      <Quiet>
        The maker's manual, the site's lock-out rules and local law go before anything said here.
      </Quiet>
      <Card>
        <Heading>On arrival</Heading>
        <TextEntry
          label={`Separator hours (books: ${printHours(machine.hours)})`}
          value={hoursText}
          onChange={setHoursText}
          hint={printNumber(machine.hours, 0)}
          numeric
        />
        <TextEntry
          label="What the operator noticed"
          value={noticed}
          onChange={setNoticed}
          hint="nothing"
        />
      </Card>
    </Screen>
  );
}

/** From so many checks on stations are folded. */
const MANY = 20;

const STATE_WORDS: Readonly<Record<WalkStop['state'], string>> = {
  due: 'to do',
  begun: 'begun',
  done: 'done',
  again: 'look again',
};

function WalkOverview({
  file,
  standing,
  walkId,
}: {
  file: MachineFile;
  standing: Standing;
  walkId: string;
}) {
  const { machine } = file;
  const router = useRouter();
  const clock = useClock();
  const palette = usePalette();
  const walk = file.walks.find((w) => w.id === walkId);
  const plan = useMemo(() => walkPlan(machine, file.sheets), [machine, file.sheets]);
  const stops = walkStops(plan.checks, { id: walkId }, file.readings);
  const [toggled, setToggled] = useState<readonly number[]>([]);
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const next = nextStop(stops);
  const done = stops.filter((s) => s.state === 'done').length;
  const finish = useOnce(async () => {
    if (!walk) return;
    await put([{ kind: 'walk', body: { ...walk, finishedAt: clock().toISOString() } }]);
    router.replace(`/work/${machine.id}`);
  });
  return (
    <Screen
      testID="walk"
      footer={
        next ? (
          <Press
            fill="pine"
            title={`${done ? 'Next' : 'First'}: ${next.check.component}`}
            onPress={() => router.push(`/walk/${machine.id}/${next.check.id}`)}
          />
        ) : (
          <Press
            fill="pine"
            title="Finish the walk and see the work"
            onPress={() => void finish()}
          />
        )
      }
    >
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
      <Title>{`Walk: ${done} of ${stops.length}`}</Title>
      <Quiet>{`Made safe ${walk?.madeSafeAt ? dayWords(walk.madeSafeAt.slice(0, 10)) : ''} · ${printHours(walk?.hours ?? machine.hours)} · front to back${plan.saved >= 5 ? `, in the order that saves ${printNumber(plan.saved, 0)} min of moving the machine` : ''}${walk?.noticed ? ` · noticed: ${walk.noticed}` : ''}`}</Quiet>
      <LookFirst
        noticed={walk?.noticed ?? ''}
        stops={stops}
        onOpen={(id) => router.push(`/walk/${machine.id}/${id}`)}
      />
      {stops.length > MANY ? (
        <TextEntry
          label="Find a check"
          value={search}
          onChange={setSearch}
          hint="belt, oil, knife"
        />
      ) : null}
      {[...new Set(stops.map((s) => s.check.station))].map((station) => {
        const own = stops.filter((s) => s.check.station === station);
        const found = own.filter(
          (s) =>
            !wanted ||
            `${s.check.id} ${s.check.component} ${s.check.measures}`.toLowerCase().includes(wanted),
        );
        const left = own.filter((s) => s.state !== 'done');
        // the station with the next check, and any that must be looked at again, stand open
        const openByItself =
          stops.length <= MANY ||
          wanted !== '' ||
          station === next?.check.station ||
          own.some((s) => s.state === 'again');
        const open = toggled.includes(station) !== openByItself;
        if (wanted && !found.length) return null;
        return (
          <View key={station} style={{ gap: 8 }}>
            <Tap
              testID={`station ${station}`}
              label={`${own[0]?.check.stationName}, ${own.length - left.length} of ${own.length} done, ${open ? 'fold' : 'open'}`}
              onPress={() =>
                setToggled(
                  toggled.includes(station)
                    ? toggled.filter((s) => s !== station)
                    : [...toggled, station],
                )
              }
              style={{ justifyContent: 'center' }}
            >
              <Row style={{ justifyContent: 'space-between' }}>
                <Heading>{`${station} · ${own[0]?.check.stationName ?? ''}`}</Heading>
                <Strong
                  tone={left.length ? 'quiet' : 'pine'}
                >{`${own.length - left.length} of ${own.length}${open ? '' : ' ›'}`}</Strong>
              </Row>
            </Tap>
            {open
              ? found.map((stop) => {
                  const verdict = standing.verdicts.find((v) => v.check.id === stop.check.id);
                  const current = verdict?.places.some((p) => p.round === walkId);
                  return (
                    <Tap
                      key={stop.check.id}
                      testID={`stop ${stop.check.id}`}
                      label={`${stop.check.component}, ${STATE_WORDS[stop.state]}`}
                      onPress={() => router.push(`/walk/${machine.id}/${stop.check.id}`)}
                    >
                      <Card
                        edge={
                          stop.state === 'again'
                            ? 'violet'
                            : next?.check.id === stop.check.id
                              ? 'pine'
                              : 'line'
                        }
                      >
                        <Row style={{ justifyContent: 'space-between' }}>
                          <View style={{ flex: 1 }}>
                            <Strong style={{ fontFamily: FONT.bold }}>
                              {stop.check.component}
                            </Strong>
                            <Quiet>{stop.check.measures}</Quiet>
                          </View>
                          {current && verdict && stop.state !== 'begun' ? (
                            <DecisionBadge decision={verdict.decision} />
                          ) : (
                            <Strong tone={stop.state === 'due' ? 'quiet' : 'ink'}>
                              {STATE_WORDS[stop.state]}
                            </Strong>
                          )}
                        </Row>
                        {stop.because ? (
                          <Row>
                            <Glyph decision="remeasure" color={palette.violet} size={20} />
                            <Body
                              style={{ flex: 1 }}
                            >{`Look again: ${stop.because.component.toLowerCase()} was worked on, ${stop.because.why}.`}</Body>
                          </Row>
                        ) : null}
                      </Card>
                    </Tap>
                  );
                })
              : null}
          </View>
        );
      })}
      {next && done > 0 ? (
        <Press title="Finish early: the rest stays due" onPress={() => void finish()} small />
      ) : null}
    </Screen>
  );
}

/** What the operator noticed, and the checks it points to, likeliest first. */
function LookFirst({
  noticed,
  stops,
  onOpen,
}: {
  noticed: string;
  stops: readonly WalkStop[];
  onOpen: (checkId: string) => void;
}) {
  const symptoms = symptomsIn(noticed);
  const suspects = suspectsFor(
    symptoms.map((s) => s.id),
    stops.map((s) => s.check),
  )
    .filter((s) => stops.find((stop) => stop.check.id === s.check.id)?.state !== 'done')
    .slice(0, 5);
  if (!suspects.length) return null;
  return (
    <Card edge="violet" testID="look first">
      <Heading>{`Look first: ${symptoms.map((s) => s.noticed.toLowerCase()).join('; ')}`}</Heading>
      {suspects.map((s) => (
        <Tap
          key={s.check.id}
          label={`${s.check.component}: ${s.why.join('; ')}`}
          onPress={() => onOpen(s.check.id)}
          style={{ justifyContent: 'center' }}
        >
          <Strong tone="pine">{s.check.component}</Strong>
          <Quiet>{s.why.join('; ')}</Quiet>
        </Tap>
      ))}
    </Card>
  );
}
