import { useState } from 'react';
import { LONGEST_WALK, type MachineFile } from '@green-tally/core/contracts';
import type { Candidate, FittedWalk } from '@green-tally/core/choose';
import { Card, Choice, Heading, Press, Quiet, Strong, TextEntry, TickLine, useWide } from '../ui';
import { fitWords, KIND_WORDS, leftOutWords, minutesWords } from './walkWords';
import { KINDS, Minutes, type Kind } from './planDraft';

const TIMES = [30, 60, 90, 120] as const;

interface KindChoiceProps {
  readonly kind: Kind;
  readonly counts: Readonly<Record<Kind, number>>;
  readonly onChange: (kind: Kind) => void;
}

/** What the walk is for; the others unfold, or stand there where there is room. */
export function KindChoice({ kind, counts, onChange }: KindChoiceProps) {
  const wide = useWide();
  const [unfolded, setOpen] = useState(false);
  const open = unfolded || wide;
  const shown = KINDS.filter((k) => k === kind || (open && counts[k] > 0));
  return (
    <>
      <Choice
        label="What it is for"
        options={shown.map((value) => ({
          value,
          title: `${KIND_WORDS[value]}: ${counts[value]}`,
        }))}
        value={kind}
        onChange={(value) => {
          onChange(value);
          setOpen(false);
        }}
      />
      {open ? null : (
        <Press
          title="Another kind of walk"
          testID="other kinds"
          onPress={() => setOpen(true)}
          small
        />
      )}
    </>
  );
}

/** To the make-safe gate, with what is walked then. */
export function ToGate({ fit, onPress }: { fit: FittedWalk | undefined; onPress: () => void }) {
  return (
    <Press
      fill="pine"
      testID="to gate"
      title={
        fit
          ? `Make safe next: ${fit.taken.length} ${fit.taken.length === 1 ? 'check' : 'checks'}, ${minutesWords(fit.minutes)}`
          : 'Choosing the checks'
      }
      disabled={!fit?.taken.length}
      loading={!fit}
      onPress={onPress}
    />
  );
}

interface FitCardProps {
  readonly fit: FittedWalk | undefined;
  /** what is in whatever the time; '' for nothing */
  readonly musts: string;
  readonly file: Pick<MachineFile, 'costs'>;
}

/** What is walked in the time there is, and what leaving the rest out may cost. */
export function FitCard({ fit, musts, file: { costs } }: FitCardProps) {
  return (
    <Card edge={fit?.over ? 'rust' : 'pine'} testID="fit">
      <Heading>{fit ? fitWords(fit) : 'Choosing the checks'}</Heading>
      {fit?.over ? (
        <Strong tone="rust">{`What must be walked takes ${minutesWords(fit.over)} more than there is.`}</Strong>
      ) : null}
      {musts ? <Quiet>{musts}</Quiet> : null}
      {fit?.leftOut.length ? <Strong>{leftOutWords(fit, costs?.currency)}</Strong> : null}
    </Card>
  );
}

/** The time there is. */
export function TimeChoice({
  minutes,
  onChange,
}: {
  minutes: number | null;
  onChange: (minutes: number | null) => void;
}) {
  // a time that was typed is there again after a reload
  const [text, setText] = useState(
    minutes === null || TIMES.some((t) => t === minutes) ? '' : String(minutes),
  );
  const wrong = text.trim() !== '' && !Minutes.safeParse(Number(text)).success;
  return (
    <>
      <Choice
        label="Minutes there are"
        options={[
          { value: '', title: 'All' },
          ...TIMES.map((t) => ({ value: String(t), title: String(t) })),
        ]}
        value={minutes === null ? '' : String(minutes)}
        onChange={(value) => {
          setText('');
          onChange(value === '' ? null : Number(value));
        }}
      />
      <TextEntry
        label="Other minutes"
        value={text}
        onChange={(next) => {
          setText(next);
          const read = Minutes.safeParse(Number(next));
          if (next.trim() && read.success) onChange(read.data);
        }}
        hint="45"
        numeric
      />
      {wrong ? <Strong tone="rust">{`Whole minutes from 1 to ${LONGEST_WALK}.`}</Strong> : null}
    </>
  );
}

interface StationsProps {
  readonly candidates: readonly Candidate[];
  readonly out: readonly number[];
  readonly onToggle: (station: number) => void;
}

/** Stations of the walk, to be taken out; what must be walked stays. */
export function Stations({ candidates, out, onToggle }: StationsProps) {
  const wide = useWide();
  const [unfolded, setOpen] = useState(false);
  const stations = [...new Map(candidates.map((c) => [c.check.station, c.check.stationName]))];
  if (stations.length < 2) return null;
  if (!unfolded && !wide && !out.length)
    return <Press title="Choose stations" onPress={() => setOpen(true)} small />;
  return (
    <Card>
      <Heading>Stations</Heading>
      {stations.map(([station, name]) => {
        const own = candidates.filter((c) => c.check.station === station);
        const must = own.filter((c) => c.must).length;
        return (
          <TickLine
            key={station}
            testID={`station ${station}`}
            line={`${station} ${name}: ${own.length}`}
            about={out.includes(station) && must ? `${must} stay in` : ''}
            on={!out.includes(station)}
            onPress={() => onToggle(station)}
          />
        );
      })}
    </Card>
  );
}
