import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { Schematic } from '../schematics/Schematic';
import { useDraft } from '../store';
import { Card, Choice, Field, Heading, Press, Quiet, Row, Strong } from '../ui';
import { fieldsOf, formSchema, nameOf, toForm, type FormValues } from './checkForm';

interface CheckFormProps {
  readonly sheet: SpecSheet;
  readonly check: Check;
  readonly busy: boolean;
  /** keeps the changed check; true when it is kept */
  readonly onKeep: (check: Check) => Promise<boolean>;
  readonly onDone: () => void;
}

/** Changing one check. What is typed survives a reload until it is kept or dropped; every trouble stands at its field. */
export function CheckForm({ sheet, check, busy, onKeep, onDone }: CheckFormProps) {
  const [kept, setKept] = useDraft(`check-form|${sheet.model}|${check.id}`);
  const { control, handleSubmit, formState } = useForm<FormValues, unknown, Check>({
    resolver: zodResolver(formSchema(sheet, check)),
    defaultValues: { ...toForm(check), ...readKept(kept) },
  });
  const written = JSON.stringify(useWatch({ control }));
  const first = useRef(written);
  useEffect(() => {
    if (written !== first.current) setKept(written);
    // setKept is made anew each time and stands for the same key
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [written]);
  const done = () => {
    setKept('');
    onDone();
  };
  const submit = handleSubmit(async (changed) => {
    if (await onKeep(changed)) done();
  });
  const wrong = Object.keys(formState.errors).length;
  return (
    <Card testID="check form">
      <Heading>{check.component}</Heading>
      <Quiet>{`id ${check.id}: readings and knock-ons name it, so it stays`}</Quiet>
      <Schematic check={check} />
      {kept ? (
        <Strong tone="violet">
          Not kept yet. It stays on this device until you keep or drop it.
        </Strong>
      ) : null}
      {fieldsOf(check).map((field) =>
        field.as === 'choice' && field.options ? (
          <Controller
            key={field.path}
            control={control}
            name={nameOf(field.path)}
            render={({ field: f }) => (
              <Choice
                label={field.label}
                value={f.value}
                onChange={f.onChange}
                options={field.options ?? []}
              />
            )}
          />
        ) : (
          <Field
            key={field.path}
            control={control}
            name={nameOf(field.path)}
            label={`${field.label}${field.optional && field.as !== 'lines' ? ' (may be empty)' : ''}`}
            keyboard={field.as === 'number' || field.as === 'whole' ? 'numeric' : 'default'}
            lines={field.as === 'long' || field.as === 'lines' ? 3 : 1}
          />
        ),
      )}
      {wrong ? (
        <Strong tone="rust">{`${wrong} ${wrong === 1 ? 'field needs' : 'fields need'} another look, above.`}</Strong>
      ) : null}
      <Row>
        <Press
          style={{ flex: 1 }}
          fill="pine"
          title="Keep in the draft"
          testID="keep check"
          loading={busy}
          onPress={() => void submit()}
        />
        <Press style={{ flex: 1 }} title="Drop what I typed" onPress={done} />
      </Row>
    </Card>
  );
}

function readKept(text: string): FormValues {
  try {
    return text ? (JSON.parse(text) as FormValues) : {};
  } catch {
    return {};
  }
}
