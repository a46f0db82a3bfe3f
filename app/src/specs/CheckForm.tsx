import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef } from 'react';
import { Controller, useForm, useWatch, type Control } from 'react-hook-form';
import { StyleSheet } from 'react-native';
import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { Schematic } from '../schematics/Schematic';
import { Buttons, Card, Choice, Heading, Press, Quiet, Strong } from '../ui';
import { Field } from '../ui/form';
import {
  fieldsOf,
  formSchema,
  nameOf,
  toForm,
  useTypedCheck,
  type FormField,
  type FormValues,
} from './form';

interface CheckFormProps {
  readonly sheet: SpecSheet;
  readonly check: Check;
  readonly busy: boolean;
  /** keeps the changed check; true when it is kept */
  readonly onKeep: (check: Check) => Promise<boolean>;
  readonly onDone: () => void;
}

/**
 * Changing one check. What is typed survives a reload until it is kept or dropped; every trouble
 * stands at its field.
 */
export function CheckForm({ sheet, check, busy, onKeep, onDone }: CheckFormProps) {
  const [typed, setTyped] = useTypedCheck(sheet.model, check.id);
  const { control, handleSubmit, formState } = useForm<FormValues, unknown, Check>({
    resolver: zodResolver(formSchema(sheet, check)),
    defaultValues: { ...toForm(check), ...typed },
  });
  useKept(control, setTyped);
  const done = () => {
    setTyped({});
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
      {Object.keys(typed).length ? (
        <Strong tone="violet">
          Not kept yet. It stays on this device until you keep or drop it.
        </Strong>
      ) : null}
      {fieldsOf(check).map((field) => (
        <FormEntry key={field.path} control={control} field={field} />
      ))}
      {wrong ? (
        <Strong tone="rust">
          {`${wrong} ${wrong === 1 ? 'field needs' : 'fields need'} another look, above.`}
        </Strong>
      ) : null}
      <Buttons>
        <Press
          style={styles.half}
          fill="pine"
          title="Keep in the draft"
          testID="keep check"
          loading={busy}
          onPress={() => void submit()}
        />
        <Press style={styles.half} title="Drop what I typed" onPress={done} />
      </Buttons>
    </Card>
  );
}

type FormControl = Control<FormValues, unknown, Check>;

/** Keeps what is typed on this device as it is typed; what the form began with is not typed. */
function useKept(control: FormControl, keep: (typed: FormValues) => void): void {
  const values = useWatch({ control });
  const written = JSON.stringify(values);
  const first = useRef(written);
  useEffect(() => {
    if (written !== first.current) keep(JSON.parse(written) as FormValues);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `keep` is made anew each time, of one key
  }, [written]);
}

/** Fields with room for several lines. */
const LONG: ReadonlySet<FormField['as']> = new Set(['long', 'lines', 'perPlace', 'versions']);

function FormEntry({ control, field }: { control: FormControl; field: FormField }) {
  const { path, label, as, options, optional } = field;
  if (as === 'choice' && options)
    return (
      <Controller
        control={control}
        name={nameOf(path)}
        render={({ field: f }) => (
          <Choice label={label} value={f.value} onChange={f.onChange} options={options} />
        )}
      />
    );
  return (
    <Field
      control={control}
      name={nameOf(path)}
      label={`${label}${optional && !LONG.has(as) ? ' (may be empty)' : ''}`}
      keyboard={as === 'number' || as === 'whole' ? 'numeric' : 'default'}
      lines={LONG.has(as) ? 3 : 1}
    />
  );
}

const styles = StyleSheet.create({ half: { flex: 1 } });
