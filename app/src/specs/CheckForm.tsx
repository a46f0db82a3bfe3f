import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Controller, useForm, useWatch, type Control } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { Schematic } from '../schematics/Schematic';
import {
  Buttons,
  Card,
  Chip,
  Choice,
  Heading,
  Press,
  Quiet,
  Row,
  Rule,
  SPACE,
  Strong,
} from '../ui';
import { Field } from '../ui/form';
import {
  formSchema,
  nameOf,
  reshaped,
  sectionsOf,
  shapedBy,
  shapes,
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
  const { control, handleSubmit, formState, setValue } = useForm<FormValues, unknown, Check>({
    resolver: zodResolver(formSchema(sheet, check)),
    defaultValues: { ...toForm(check, sheet), ...typed },
  });
  const values = useKept(control, setTyped);
  const reshape = (path: string, value: string) => {
    const next = reshaped(check, values, { [nameOf(path)]: value }, sheet);
    for (const [name, text] of Object.entries(next))
      if (text !== values[name]) setValue(name, text, { shouldDirty: true });
  };
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
      {sectionsOf(shapedBy(check, values), sheet).map(({ title, fields }) => (
        <FormPart
          key={title}
          title={title}
          empty={fields.every((f) => f.optional && !values[nameOf(f.path)])}
          wrong={fields.some((f) => formState.errors[nameOf(f.path)])}
        >
          {fields.map((field) => (
            <FormEntry key={field.path} control={control} field={field} onShape={reshape} />
          ))}
        </FormPart>
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

interface FormPartProps {
  readonly title: string;
  /** nothing is written in it, and nothing has to be */
  readonly empty: boolean;
  readonly wrong: boolean;
  readonly children: ReactNode;
}

/** Fields that belong together; folded while none of them says anything. */
function FormPart({ title, empty, wrong, children }: FormPartProps) {
  const [folded, setFolded] = useState(empty);
  const shown = !folded || wrong;
  return (
    <View style={styles.section} role="group" aria-label={title}>
      <Rule />
      <Row apart>
        <Heading>{title}</Heading>
        {shown ? null : (
          <Press title="Show" label={`Show: ${title}`} small onPress={() => setFolded(false)} />
        )}
      </Row>
      {shown ? children : null}
    </View>
  );
}

type FormControl = Control<FormValues, unknown, Check>;

/**
 * Keeps what is typed on this device as it is typed; what the form began with is not typed.
 * @returns what the form says now
 */
function useKept(control: FormControl, keep: (typed: FormValues) => void): FormValues {
  const values = useWatch({ control }) as FormValues;
  const written = JSON.stringify(values);
  const first = useRef(written);
  useEffect(() => {
    if (written !== first.current) keep(JSON.parse(written) as FormValues);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `keep` is made anew each time, of one key
  }, [written]);
  return values;
}

/** Fields with room for several lines. */
const LONG: ReadonlySet<FormField['as']> = new Set([
  'long',
  'lines',
  'rows',
  'perPlace',
  'versions',
]);

interface FormEntryProps {
  readonly control: FormControl;
  readonly field: FormField;
  /** a choice that decides which fields there are */
  readonly onShape: (path: string, value: string) => void;
}

function FormEntry({ control, field, onShape }: FormEntryProps) {
  const { path, label, as, options, optional } = field;
  if (options)
    return (
      <Controller
        control={control}
        name={nameOf(path)}
        render={({ field: f, fieldState: { error } }) => (
          <>
            {as === 'ways' ? (
              <Ways label={label} options={options} value={f.value ?? ''} onChange={f.onChange} />
            ) : (
              <Choice
                label={label}
                value={f.value}
                onChange={shapes(path) ? (value) => onShape(path, value) : f.onChange}
                options={options}
              />
            )}
            {error?.message ? (
              <View role="alert">
                <Strong tone="rust">{`Wanted: ${error.message}`}</Strong>
              </View>
            ) : null}
          </>
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

interface WaysProps {
  readonly label: string;
  readonly options: NonNullable<FormField['options']>;
  /** the chosen ones by commas; empty: all of them */
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** Any of some; none chosen means that it does not matter. */
function Ways({ label, options, value, onChange }: WaysProps) {
  const chosen = value ? value.split(',') : [];
  const toggle = (one: string) =>
    onChange(
      options
        .map((o) => o.value)
        .filter((v) => (v === one ? !chosen.includes(v) : chosen.includes(v)))
        .join(','),
    );
  return (
    <View role="group" aria-label={label} style={styles.ways}>
      <Strong>{label}</Strong>
      <Row>
        {options.map((o) => (
          <Chip
            key={o.value}
            title={o.title}
            label={`${label}: ${o.title}`}
            on={chosen.includes(o.value)}
            onPress={() => toggle(o.value)}
          />
        ))}
      </Row>
      {chosen.length ? null : <Quiet>With any of them.</Quiet>}
    </View>
  );
}

const styles = StyleSheet.create({
  half: { flex: 1 },
  section: { gap: SPACE.s },
  ways: { gap: SPACE.s },
});
