import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { z } from 'zod';
import { useDraft } from '../../store';
import { Buttons, Chip, Press, Quiet, Row, Rule, SPACE, Strong, TextEntry } from '../../ui';
import { ToMend } from '../grid/ToMend';
import type { Editing } from '../useEditing';
import {
  choicesOf,
  NEW_CHOICE,
  NEW_OPTION,
  withChoices,
  WrittenChoices,
  type ChoicesOf,
  type ChoiceTrouble,
  type WrittenChoice,
  type WrittenOption,
} from './choices';

interface ChoicesFormProps {
  readonly of: ChoicesOf;
  readonly editing: Editing;
  readonly onDone: () => void;
}

const Kept = z.object({ written: WrittenChoices.nullable() });
const NOTHING: z.infer<typeof Kept> = { written: null };

const WORDS = {
  equipment: { about: 'What it is', option: 'Option', add: 'Add equipment' },
  schools: { about: 'What people differ in', option: 'Way', add: 'Add a school' },
} as const;

/**
 * The equipment or the schools of a sheet, each with its options. What is typed survives a reload
 * until it is kept or dropped.
 */
export function ChoicesForm({ of, editing, onDone }: ChoicesFormProps) {
  const { sheet, busy, keep } = editing;
  const [{ written }, setKept] = useDraft(`spec-${of}|${sheet.model}`, Kept, NOTHING);
  const [troubles, setTroubles] = useState<readonly ChoiceTrouble[]>([]);
  const choices = written ?? choicesOf(sheet, of);
  const write = (next: WrittenChoice[]) => {
    setKept({ written: next });
    setTroubles([]);
  };
  const done = () => {
    setKept(NOTHING);
    onDone();
  };
  const save = async () => {
    const next = withChoices(sheet, of, choices);
    if ('troubles' in next) return setTroubles(next.troubles);
    if (await keep(next.sheet)) done();
  };
  return (
    <View style={styles.form} testID={`${of} form`}>
      {of === 'equipment' ? (
        <Quiet>
          The first option is taken where nothing is said of a machine, so it stays the first.
        </Quiet>
      ) : null}
      {choices.map((choice, i) => (
        <OneChoice
          // new ones have no id yet and are told apart by where they stand
          key={choice.id || `new ${i}`}
          of={of}
          choice={choice}
          at={i}
          troubles={troubles}
          onChange={(changed) => write(choices.map((c, j) => (j === i ? changed : c)))}
          onTakeOut={() => write(choices.filter((_, j) => j !== i))}
        />
      ))}
      <Press
        title={WORDS[of].add}
        testID={`add ${of}`}
        onPress={() => write([...choices, NEW_CHOICE])}
        small
      />
      <Said troubles={troubles} at="" />
      <ToMend count={troubles.filter((t) => t.at).length} about=", above." />
      <Buttons>
        <Press
          style={styles.grows}
          fill="pine"
          title="Keep in the draft"
          testID={`keep ${of}`}
          loading={busy}
          onPress={() => void save()}
          small
        />
        <Press style={styles.grows} title="Drop what I typed" onPress={done} small />
      </Buttons>
    </View>
  );
}

function Said({ troubles, at }: { troubles: readonly ChoiceTrouble[]; at: string }) {
  return (
    <>
      {troubles
        .filter((t) => t.at === at)
        .map(({ message }) => (
          <View key={message} role="alert">
            <Strong tone="rust">{message}</Strong>
          </View>
        ))}
    </>
  );
}

interface OneChoiceProps {
  readonly of: ChoicesOf;
  readonly choice: WrittenChoice;
  readonly at: number;
  readonly troubles: readonly ChoiceTrouble[];
  readonly onChange: (choice: WrittenChoice) => void;
  readonly onTakeOut: () => void;
}

function OneChoice({ of, choice, at, troubles, onChange, onTakeOut }: OneChoiceProps) {
  const { options, name } = choice;
  const words = WORDS[of];
  const write = (j: number, change: Partial<WrittenOption>) =>
    onChange({ ...choice, options: options.map((o, k) => (k === j ? { ...o, ...change } : o)) });
  return (
    <View role="group" aria-label={name || words.add} style={styles.choice}>
      <Rule />
      <TextEntry
        label={`${words.about} (${at + 1})`}
        value={name}
        onChange={(text) => onChange({ ...choice, name: text })}
      />
      <Said troubles={troubles} at={`${at}.name`} />
      {options.map((option, j) => (
        <View key={option.id || `new ${j}`} style={styles.option}>
          <TextEntry
            label={`${words.option} ${j + 1}`}
            value={option.name}
            onChange={(text) => write(j, { name: text })}
          />
          <Said troubles={troubles} at={`${at}.options.${j}.name`} />
          {of === 'schools' ? (
            <>
              <TextEntry
                label={`Why people do it so (${j + 1})`}
                value={option.why}
                onChange={(text) => write(j, { why: text })}
                lines={2}
              />
              <Said troubles={troubles} at={`${at}.options.${j}.why`} />
            </>
          ) : null}
          <Row>
            {of === 'schools' && option.id ? (
              <Chip
                title={choice.chosen === option.id ? 'In force' : 'Put in force'}
                label={`${option.name}: in force`}
                on={choice.chosen === option.id}
                onPress={() => onChange({ ...choice, chosen: option.id })}
              />
            ) : null}
            <Press
              title="Take out"
              label={`Take out ${option.name || `${words.option.toLowerCase()} ${j + 1}`}`}
              onPress={() => onChange({ ...choice, options: options.filter((_, k) => k !== j) })}
              small
            />
          </Row>
        </View>
      ))}
      <Said troubles={troubles} at={`${at}.options`} />
      <Row>
        <Press
          title={`One ${words.option.toLowerCase()} more`}
          label={`One ${words.option.toLowerCase()} more for ${name || 'this'}`}
          onPress={() => onChange({ ...choice, options: [...options, NEW_OPTION] })}
          small
        />
        <Press
          title="Take all of it out"
          label={`Take ${name || 'this'} out`}
          onPress={onTakeOut}
          small
        />
      </Row>
    </View>
  );
}

const styles = StyleSheet.create({
  form: { gap: SPACE.s },
  choice: { gap: SPACE.s },
  option: { gap: SPACE.xs, paddingLeft: SPACE.l },
  grows: { flex: 1 },
});
