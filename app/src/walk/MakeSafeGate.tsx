import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { MachineFile } from '@green-tally/core/contracts';
import { parseQuantity, printHours, printNumber } from '@green-tally/core/units';
import { meterMarks, meterTroubles, walkPlan } from '@green-tally/core/walk';
import { put, troubleText, useAction, useClock, useSession, useTextDraft } from '../store';
import { Card, Heading, Press, Quiet, Screen, Strong, TextEntry, TickLine, Title } from '../ui';
import { dayWords } from '../yard/words';
import { KeepBook } from './KeepBook';
import { usePlanDraft, type PlannedWalk } from './planDraft';
import { newWalk } from './session';
import { WalkHead } from './WalkHead';
import { minutesWords } from './walkWords';

const GATE = [
  'Engine stopped, all motion run down.',
  'Key out and kept on you. Isolator off, locked for longer work.',
  'Feeder-house lift stop latched; header and reel stops set before anyone goes under.',
  'Wheels held. Cut-proof gloves at knives. Mind stored spring force, hot oil and coolant.',
  'Drives are turned by hand only; a check that needs running says so and is its own step.',
];

interface MakeSafeGateProps {
  readonly file: MachineFile;
  readonly planned: PlannedWalk;
  /** back to the plan; undefined where its checks were named elsewhere */
  readonly onPlanAgain: (() => void) | undefined;
}

/**
 * Nobody walks a machine that was not made safe: each line is confirmed, then the hours are read.
 */
export function MakeSafeGate({ file, planned: given, onPlanAgain }: MakeSafeGateProps) {
  // as long as it stands here
  const [planned] = useState(given);
  const { machine } = file;
  const { data: session } = useSession();
  const clock = useClock();
  const [hoursText, setHoursText] = useTextDraft(`walk-hours|${machine.id}`);
  const [noticed, setNoticed] = useTextDraft(`walk-noticed|${machine.id}`);
  const [confirmed, setConfirmed] = useState<readonly number[]>([]);
  const all = confirmed.length === GATE.length;
  const plan = useMemo(
    () => walkPlan(machine, file.sheets, planned),
    [machine, file.sheets, planned],
  );
  const { checks } = plan;
  const minutes = checks.reduce((sum, c) => sum + c.labour.measure, plan.minutes);
  const draft = usePlanDraft(machine.id);
  const start = useAction(async () => {
    const hours = readHours(hoursText, file, clock());
    const by = session?.person?.name ?? '';
    const body = newWalk(file, clock(), {
      ...planned,
      hours,
      by,
      noticed: noticed.trim(),
      // what the machine does not have is passed over
      checks: planned.checks && checks.map((c) => c.id),
    });
    await put([{ kind: 'walk', body }]);
    setHoursText('');
    setNoticed('');
    draft.forget();
  });
  const toggle = (line: number) =>
    setConfirmed(
      confirmed.includes(line) ? confirmed.filter((c) => c !== line) : [...confirmed, line],
    );
  return (
    <Screen
      testID="gate"
      title={`Make safe: ${machine.serial}`}
      footer={
        <>
          {start.trouble ? (
            <View role="alert">
              <Strong tone="rust">{start.trouble}</Strong>
            </View>
          ) : null}
          <Press
            fill="pine"
            title={all ? 'Made safe: begin the walk' : `Confirm all ${GATE.length} first`}
            disabled={!all}
            loading={start.busy}
            onPress={() => void start.run()}
          />
        </>
      }
    >
      <WalkHead machine={machine} />
      <Title>Make safe first</Title>
      <Quiet>{`${planned.checks ? 'A short walk: ' : ''}${checks.length} ${checks.length === 1 ? 'check' : 'checks'}, about ${minutesWords(minutes)} with moving the machine. Harvest ${dayWords(machine.harvest.start)}.`}</Quiet>
      {onPlanAgain ? <Press title="Change the walk" onPress={onPlanAgain} small /> : null}
      {GATE.map((line, i) => (
        <TickLine
          key={line}
          line={line}
          testID={`gate ${i}`}
          on={confirmed.includes(i)}
          onPress={() => toggle(i)}
        />
      ))}
      <Quiet>
        The maker's manual, the site's lock-out rules and local law go before anything said here.
      </Quiet>
      <KeepBook file={file} />
      <Card>
        <Heading>On arrival</Heading>
        <TextEntry
          label={`Separator hours (books: ${printHours(machine.hours)})`}
          value={hoursText}
          onChange={(text) => {
            setHoursText(text);
            start.clear();
          }}
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

/** A meter cannot run back, and more hours than a busy year are questioned. */
const MOST_MORE = 2000;

/** @throws Error in words when the hours cannot be */
function readHours(text: string, { machine, readings }: MachineFile, now: Date): number {
  const books = machine.hours;
  if (!text.trim()) return books;
  const hours = parseHours(text);
  const [trouble] = meterTroubles(
    { hours, takenAt: now.toISOString() },
    machine,
    meterMarks(readings),
  );
  if (hours < books)
    throw new Error(
      `The books say ${printHours(books)} already. Read the separator hours again, not the engine hours.`,
    );
  if (trouble) throw new Error(trouble.message);
  if (hours > books + MOST_MORE)
    throw new Error(
      `${printHours(hours)} is ${printHours(hours - books)} more than the books say. Read the meter again.`,
    );
  return hours;
}

function parseHours(text: string): number {
  try {
    return parseQuantity(text, 'time', 'h').value;
  } catch (error) {
    throw new Error(troubleText(error));
  }
}
