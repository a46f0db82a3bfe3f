import { useState } from 'react';
import type { MachineFile, Reading } from '@green-tally/core/contracts';
import type { Standing, StandingWork } from '@green-tally/core/plan';
import { InputError } from '@green-tally/core/units';
import { admissionTroubles } from '@green-tally/core/walk';
import { parseMinutes } from '@green-tally/core/work';
import { useClock, usePeople, useToday } from '../store';
import { Card, Heading, Notice, Press, Quiet, TextEntry, TickLine } from '../ui';
import { Stepper } from '../ui/Stepper';
import { newRenewal } from '../walk/session';
import type { Work } from './useWork';

interface WorkedFormProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly item: StandingWork;
  readonly name: string;
  readonly work: Work;
  readonly onDone: () => void;
}

const MOST_PARTS = 999;

/** After the work: who did it, how long it took, what was fitted. A new part begins a new life. */
export function WorkedForm({ file, standing, item, name, work, onDone }: WorkedFormProps) {
  const { data: people } = usePeople();
  const clock = useClock();
  const today = useToday();
  const crew = (people?.people ?? []).filter(
    (p) => p.role === 'technician' && p.branch === file.machine.branch && !p.suspended,
  );
  const names = [...new Set([work.by, ...crew.map((p) => p.name)])].filter(Boolean);
  const [hands, setHands] = useState<readonly string[]>([work.by]);
  const [minutes, setMinutes] = useState('');
  const [note, setNote] = useState('');
  const [used, setUsed] = useState<Readonly<Record<string, number>>>({});
  const [trouble, setTrouble] = useState('');
  const renews = item.decision === 'replace' && item.from === 'verdict';
  const [fitted, setFitted] = useState<readonly string[]>(renews ? item.places : []);
  const toggle = (list: readonly string[], one: string) =>
    list.includes(one) ? list.filter((x) => x !== one) : [...list, one];

  const submit = async () => {
    try {
      const read = parseMinutes('minutes', minutes, 1);
      const renewals = fitted.map((place) => renewalOf(place));
      const done = {
        ...{ hands: [...hands], minutes: read, note: note.trim(), strikes: null },
        hours: file.machine.hours,
        parts: item.parts.map(({ number, name: title, quantity }) => ({
          ...{ number, name: title },
          quantity: used[number] ?? quantity,
        })),
      };
      const refused = renewals.flatMap((r) =>
        admissionTroubles(r, file.machine, file.sheets, { today }),
      );
      if (refused[0]) return setTrouble(refused[0].message);
      if (await work.worked.run(item, done, renewals)) onDone();
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setTrouble(`Type ${error.wanted}.`);
    }
  };
  const renewalOf = (place: string): Reading => {
    const check = standing.verdicts.find((v) => v.check.id === item.checkId)?.check;
    if (!check) throw new InputError('check', item.checkId, 'a check that the machine has');
    return newRenewal(
      { file, check, place, by: work.by },
      { kind: 'renewal', fittedBy: 'shop', part: item.parts[0]?.number ?? '' },
      { takenAt: clock().toISOString(), hours: file.machine.hours },
    );
  };
  return (
    <Card edge="blue" testID="worked form">
      <Heading>{`Done: ${name}`}</Heading>
      {names.map((who) => (
        <TickLine
          key={who}
          testID={`hand ${who}`}
          line={who}
          on={hands.includes(who)}
          onPress={() => setHands(toggle(hands, who))}
        />
      ))}
      <TextEntry
        label={`Minutes, all hands together, without covers (reckoned ${item.minutes})`}
        numeric
        value={minutes}
        onChange={(text) => {
          setMinutes(text);
          setTrouble('');
        }}
      />
      {item.parts.length ? <Quiet>Parts that were used</Quiet> : null}
      {item.parts.map((part) => (
        <Stepper
          key={part.number}
          label={`${part.number} ${part.name}`}
          value={used[part.number] ?? part.quantity}
          max={MOST_PARTS}
          onChange={(quantity) => setUsed({ ...used, [part.number]: quantity })}
        />
      ))}
      {renews
        ? item.places.map((place) => (
            <TickLine
              key={place}
              testID={`fitted ${place}`}
              line={`New at ${place}`}
              about="its strip begins anew, and it is due to be read"
              on={fitted.includes(place)}
              onPress={() => setFitted(toggle(fitted, place))}
            />
          ))
        : null}
      <TextEntry label="Note" value={note} onChange={setNote} />
      {trouble ? <Notice tone="rust" title="Not kept" text={trouble} /> : null}
      <Press
        fill="blue"
        title="Keep it"
        testID="keep worked"
        disabled={!hands.length || !minutes.trim()}
        loading={work.worked.busy}
        onPress={() => void submit()}
      />
      <Press title="Not yet" small onPress={onDone} />
    </Card>
  );
}
