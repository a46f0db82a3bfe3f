import { useMemo, useState, type ReactNode } from 'react';
import type { MachineFile } from '@green-tally/core/contracts';
import { candidatesFor, kindFor, type Candidate } from '@green-tally/core/choose';
import { dueOf, type Standing } from '@green-tally/core/plan';
import { useTextDraft, useToday } from '../store';
import { Quiet, Screen, TextEntry, TickLine, Title, useWide } from '../ui';
import { Columns } from '../ui/Columns';
import { dayWords } from '../yard/words';
import { suspectsOf } from './suspects';
import { useFit } from './useFit';
import { FitCard, KindChoice, Stations, TimeChoice, ToGate } from './PlanParts';
import { KINDS, usePlanDraft, type Kind, type PlannedWalk } from './planDraft';
import { mustWords } from './walkWords';
import { WalkHead } from './WalkHead';

interface PlanWalkProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly onPlanned: (walk: PlannedWalk) => void;
}

/**
 * Before a walk: what it is for, the time there is, how many checks that makes, and what is left out
 * and what that may cost.
 */
export function PlanWalk({ file, standing, onPlanned }: PlanWalkProps) {
  const { machine } = file;
  const today = useToday();
  const [noticed, setNoticed] = useTextDraft(`walk-noticed|${machine.id}`);
  const draft = usePlanDraft(machine.id);
  const kind = draft.kind ?? kindFor(machine.harvest, today);
  const { minutes } = draft;
  const [more, setMore] = useState(false);
  const [out, setOut] = useState<readonly number[]>([]);
  const kinds = useCandidates(file, standing, suspectsOf(noticed, file).join(' '));
  const belongs = kinds[kind];
  const due = useMemo(() => belongs.filter(isAsked), [belongs]);
  const counts = useMemo(() => countsOf(kinds), [kinds]);
  // what is read already is walked again only where it is asked for, or there is nothing else
  const asked = more || !due.length ? belongs : due;
  const candidates = useMemo(
    () => asked.filter((c) => c.must !== undefined || !out.includes(c.check.station)),
    [asked, out],
  );
  const fit = useFit(candidates, file, minutes);
  const toggle = (station: number) =>
    setOut(out.includes(station) ? out.filter((s) => s !== station) : [...out, station]);
  const whole = kind === 'whole' && minutes === null && !out.length;
  const go = () =>
    fit &&
    onPlanned({
      kind: kind === 'whole' ? null : kind,
      minutes,
      checks: whole ? null : [...fit.taken],
    });
  return (
    <Screen
      testID="plan walk"
      title={`Plan the walk: ${machine.serial}`}
      full
      footer={<ToGate fit={fit} onPress={go} />}
    >
      <WalkHead machine={machine} />
      <Title>The walk</Title>
      <Quiet>{`Harvest ${dayWords(machine.harvest.start)}.`}</Quiet>
      <AskedAndFit
        asked={
          <>
            <KindChoice
              kind={kind}
              counts={counts}
              onChange={(value) => {
                draft.change({ kind: value });
                setOut([]);
              }}
            />
            <TimeChoice minutes={minutes} onChange={(value) => draft.change({ minutes: value })} />
          </>
        }
        fit={
          <FitCard fit={fit} musts={minutes === null ? '' : mustWords(candidates)} file={file} />
        }
        noticed={
          <TextEntry
            label="What the operator noticed"
            value={noticed}
            onChange={setNoticed}
            hint="nothing"
          />
        }
      >
        {due.length && due.length < belongs.length ? (
          <TickLine
            testID="also not due"
            line={`Also what is not due: ${belongs.length - due.length} more`}
            on={more}
            onPress={() => setMore(!more)}
          />
        ) : null}
        <Stations candidates={asked} out={out} onToggle={toggle} />
      </AskedAndFit>
    </Screen>
  );
}

interface AskedAndFitProps {
  readonly asked: ReactNode;
  readonly fit: ReactNode;
  readonly noticed: ReactNode;
  readonly children: ReactNode;
}

/** What is asked and what comes of it: one below the other, or side by side where there is room. */
function AskedAndFit({ asked, fit, noticed, children }: AskedAndFitProps) {
  if (!useWide())
    return (
      <>
        {asked}
        {fit}
        {noticed}
        {children}
      </>
    );
  return (
    <Columns
      left={
        <>
          {asked}
          {noticed}
        </>
      }
      right={
        <>
          {fit}
          {children}
        </>
      }
    />
  );
}

/** What was read already for this walk is asked for again where there is a reason of its own. */
const isAsked = ({ due, must }: Candidate): boolean =>
  due || (must !== undefined && must !== 'safety');

/** How many checks of each kind are asked for. */
const countsOf = (kinds: Readonly<Record<Kind, readonly Candidate[]>>) =>
  Object.fromEntries(
    KINDS.map((kind) => [kind, kinds[kind].filter(isAsked).length || kinds[kind].length]),
  ) as Record<Kind, number>;

/** The checks of every kind of walk there could be. */
const useCandidates = (
  file: MachineFile,
  standing: Standing,
  noticed: string,
): Readonly<Record<Kind, readonly Candidate[]>> =>
  useMemo(() => {
    const from = { file, standing, due: dueOf(file, standing), noticed: noticed.split(' ') };
    return Object.fromEntries(
      KINDS.map((kind) => [kind, candidatesFor(kind === 'whole' ? null : kind, from)]),
    ) as Record<Kind, Candidate[]>;
  }, [file, standing, noticed]);
