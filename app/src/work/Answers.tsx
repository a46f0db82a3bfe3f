import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { OwnerAnswer, WorkLine } from '@green-tally/core/contracts';
import { parseUntil, type DeferNow } from '@green-tally/core/plan';
import { InputError } from '@green-tally/core/units';
import { edited, parseMinutes, type ProposedWork } from '@green-tally/core/work';
import { Body, Choice, Press, Quiet, SPACE, TextEntry } from '../ui';
import { Stepper } from '../ui/Stepper';
import type { Said, ToAccept } from './useWork';
import { ANSWER_WORDS } from './words';

interface AnswersProps {
  readonly line: WorkLine;
  readonly name: string;
  readonly now: DeferNow;
  readonly busy: boolean;
  readonly onSay: (said: Said) => Promise<boolean>;
  readonly onClose: () => void;
  /** absent for work that is accepted already */
  readonly onAccept?: (work: ProposedWork, proposed: ToAccept['proposed']) => Promise<boolean>;
}

type Way = 'change' | 'putOff' | 'leave' | 'owner';

/** What else there is to say of some work than yes: changed, put off, left, and what its owner says. */
export function Answers({ line, name, now, busy, onSay, onAccept, onClose }: AnswersProps) {
  const [way, setWay] = useState<Way | undefined>();
  const done = (ok: boolean) => {
    if (ok) onClose();
  };
  const verdict = line.work.from === 'verdict';
  const ways = [
    ...(onAccept && verdict ? [{ value: 'change' as const, title: 'Change it, then accept' }] : []),
    ...(onAccept && !line.guardsPeople
      ? [
          { value: 'putOff' as const, title: 'Put it off' },
          { value: 'leave' as const, title: 'Leave it' },
        ]
      : []),
    { value: 'owner' as const, title: 'Owner’s answer' },
  ];
  const say = async (said: Said) => done(await onSay(said));
  return (
    <View style={styles.form} testID="answers">
      <Choice label={`${name}: what then`} options={ways} value={way} onChange={setWay} />
      {line.guardsPeople ? (
        <Quiet>Somebody can be hurt when it fails: it is neither put off nor left.</Quiet>
      ) : null}
      {way === 'change' && onAccept ? (
        <Change
          line={line}
          busy={busy}
          onAccept={async (...args) => done(await onAccept(...args))}
        />
      ) : null}
      {way === 'putOff' ? <PutOff now={now} busy={busy} onSay={say} /> : null}
      {way === 'leave' ? (
        <Leave
          busy={busy}
          said={line.owner?.answer === 'notNow' ? 'The owner said not now' : ''}
          onSay={say}
        />
      ) : null}
      {way === 'owner' ? <Owner busy={busy} onSay={say} /> : null}
      <Press title="Never mind" small onPress={onClose} />
    </View>
  );
}

interface FormProps {
  readonly busy: boolean;
  readonly onSay: (said: Said) => Promise<void>;
}

function PutOff({ now, busy, onSay }: FormProps & { readonly now: DeferNow }) {
  const [until, setUntil] = useState('');
  const [why, setWhy] = useState('');
  const [trouble, setTrouble] = useState('');
  const press = () => {
    try {
      void onSay({ what: 'defer', until: parseUntil(until, now), note: why });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setTrouble(`Type ${error.wanted}.`);
    }
  };
  return (
    <>
      <TextEntry
        label="Until: a day, or an hour of the machine"
        hint="2026-07-20 or 640 h"
        value={until}
        onChange={(text) => {
          setUntil(text);
          setTrouble('');
        }}
      />
      {trouble ? (
        <Body tone="rust" testID="until trouble">
          {trouble}
        </Body>
      ) : null}
      <TextEntry label="Why" value={why} onChange={setWhy} />
      <Press
        title="Put it off"
        testID="put off"
        disabled={!until.trim() || !why.trim()}
        loading={busy}
        onPress={press}
        small
      />
    </>
  );
}

function Leave({ busy, said, onSay }: FormProps & { readonly said: string }) {
  const [why, setWhy] = useState(said);
  return (
    <>
      <TextEntry label="Why it is left" value={why} onChange={setWhy} />
      <Press
        title="Leave it"
        testID="leave"
        disabled={!why.trim()}
        loading={busy}
        onPress={() => void onSay({ what: 'leave', note: why })}
        small
      />
    </>
  );
}

const ANSWERS = (Object.keys(ANSWER_WORDS) as OwnerAnswer[]).map((value) => ({
  value,
  title: ANSWER_WORDS[value],
}));

function Owner({ busy, onSay }: FormProps) {
  const [answer, setAnswer] = useState<OwnerAnswer | undefined>();
  const [note, setNote] = useState('');
  return (
    <>
      <Choice label="The owner says" options={ANSWERS} value={answer} onChange={setAnswer} />
      <TextEntry label="Who said it, and what" value={note} onChange={setNote} />
      <Press
        title="Note the answer"
        testID="note owner"
        disabled={!answer}
        loading={busy}
        onPress={() => (answer ? void onSay({ what: 'owner', answer, note }) : undefined)}
        small
      />
    </>
  );
}

const DECISIONS = ['replace', 'shorten', 'adjust', 'turn', 'remeasure'] as const;
const MOST_PARTS = 999;

interface ChangeProps {
  readonly line: WorkLine;
  readonly busy: boolean;
  readonly onAccept: (work: ProposedWork, proposed: ToAccept['proposed']) => Promise<void>;
}

/** Another decision, other minutes, other numbers of parts; how it was proposed stands beside it. */
function Change({ line: { work }, busy, onAccept }: ChangeProps) {
  const [decision, setDecision] = useState(work.decision);
  const [minutes, setMinutes] = useState(String(work.minutes));
  const [quantities, setQuantities] = useState<Readonly<Record<string, number>>>({});
  const [trouble, setTrouble] = useState('');
  const press = () => {
    try {
      const read = parseMinutes('minutes', minutes);
      const change = edited(work, { decision, minutes: read, quantities });
      void onAccept(change.work, change.proposed);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setTrouble(`Type ${error.wanted}.`);
    }
  };
  return (
    <>
      <Choice
        label="Decision"
        options={DECISIONS.map((d) => ({ value: d, title: d }))}
        value={DECISIONS.find((d) => d === decision)}
        onChange={setDecision}
      />
      <TextEntry
        label={`Minutes, without covers (proposed ${work.minutes})`}
        numeric
        value={minutes}
        onChange={(text) => {
          setMinutes(text);
          setTrouble('');
        }}
      />
      {trouble ? <Body tone="rust">{trouble}</Body> : null}
      {work.parts.map((part) => (
        <Stepper
          key={part.number}
          label={`${part.number} ${part.name}`}
          value={quantities[part.number] ?? part.quantity}
          max={MOST_PARTS}
          onChange={(quantity) => setQuantities({ ...quantities, [part.number]: quantity })}
        />
      ))}
      <Press
        title="Accept as changed"
        testID="accept changed"
        loading={busy}
        onPress={press}
        small
      />
    </>
  );
}

const styles = StyleSheet.create({ form: { gap: SPACE.s } });
