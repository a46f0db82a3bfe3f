import { useState } from 'react';
import type { WorkLine } from '@green-tally/core/contracts';
import type { WorkPart } from '@green-tally/core/work';
import { useToday } from '../store';
import { Buttons, Press, TickLine } from '../ui';
import { Answers } from './Answers';
import type { Work } from './useWork';

/** Whose work it is, and how it is told of. */
export interface OfMachine {
  readonly machineId: string;
  readonly hours: number;
  readonly work: Work;
}

/** Yes, or something else. */
export function Decide({ line, machineId, work, hours }: OfMachine & { readonly line: WorkLine }) {
  const today = useToday();
  const [more, setMore] = useState(false);
  const name = line.component;
  return (
    <>
      <Buttons>
        <Press
          title="Accept into work"
          label={`Accept into work: ${line.component}`}
          disabled={work.accept.busy}
          onPress={() => void work.accept.run([{ machineId, work: line.work }])}
          small
        />
        <SomethingElse name={name} shown={!more} onPress={() => setMore(true)} />
      </Buttons>
      {more ? (
        <Answers
          line={line}
          name={name}
          now={{ today, hours }}
          busy={work.say.busy || work.accept.busy}
          onSay={(said) => work.say.run([{ machineId, work: line.work }], said)}
          onAccept={(changed, proposed) =>
            work.accept.run([{ machineId, work: changed, proposed: proposed ?? null }])
          }
          onClose={() => setMore(false)}
        />
      ) : null}
    </>
  );
}

interface SomethingElseProps {
  readonly name: string;
  readonly shown: boolean;
  readonly onPress: () => void;
}

/** Opens what else there is to say of some work. */
export function SomethingElse({ name, shown, onPress }: SomethingElseProps) {
  return shown ? (
    <Press title="Something else…" label={`Something else: ${name}`} small onPress={onPress} />
  ) : null;
}

interface HeavyPartsProps {
  readonly parts: readonly WorkPart[];
  /** numbers of those that the heavy one is taken for */
  readonly taken: readonly string[];
  readonly onToggle: (number: string) => void;
}

/** Where a part has a heavy one beside it, the one who accepts the work chooses. */
export function HeavyParts({ parts, taken, onToggle }: HeavyPartsProps) {
  const offered = parts.flatMap(({ number, name, heavy }) =>
    heavy ? [{ number, name, heavy }] : [],
  );
  if (!offered.length) return null;
  return (
    <>
      {offered.map(({ number, name, heavy }) => (
        <TickLine
          key={number}
          testID={`heavy ${number}`}
          line={`${heavy.name}, ${heavy.number}, in the place of ${name}${heavy.together ? `: all ${heavy.together} at once` : ''}`}
          about={heavy.because}
          on={taken.includes(number)}
          onPress={() => onToggle(number)}
        />
      ))}
    </>
  );
}
