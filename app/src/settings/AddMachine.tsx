import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { Day, ShortText } from '@green-tally/core/contracts';
import { api, listsChanged, useAction, useSpecModels } from '../store';
import { Card, Choice, Heading, Notice, Press, Quiet } from '../ui';
import { Field, formNumber } from '../ui/form';

const MachineEntry = z
  .object({
    serial: ShortText,
    model: ShortText,
    customer: ShortText,
    builtOn: Day,
    hours: formNumber('a number of hours, 0 or more', 'zeroOrMore'),
    headerModel: z.string(),
    headerSerial: z.string().trim(),
    crop: ShortText,
    start: Day,
    end: Day,
    areaHa: formNumber('an area above 0 ha'),
    widthM: formNumber('a width above 0 m'),
    speedKmh: formNumber('a speed above 0 km/h'),
  })
  .refine((m) => m.end >= m.start, {
    path: ['end'],
    message: 'a date on or after the harvest start',
  });

/**
 * Field efficiency of a combine at work: textbook middle value; kept with the machine and changed
 * there.
 */
const EFFICIENCY = 0.7;
const NO_HEADER = 'none';

type MachineEntry = z.infer<typeof MachineEntry>;

const EMPTY = {
  serial: '',
  model: '',
  customer: '',
  builtOn: '',
  hours: '' as unknown,
  headerModel: NO_HEADER,
  headerSerial: '',
  crop: '',
  start: '',
  end: '',
  areaHa: '' as unknown,
  widthM: '' as unknown,
  speedKmh: '6' as unknown,
};

/** The machine that a form's entries tell of. */
function machineOf(entry: MachineEntry) {
  const { serial, model, customer, builtOn, hours } = entry;
  const { crop, start, end, areaHa, widthM, speedKmh, headerModel, headerSerial } = entry;
  return {
    serial,
    model,
    customer,
    builtOn,
    hours,
    header:
      headerModel === NO_HEADER
        ? null
        : { model: headerModel, serial: headerSerial || 'no serial' },
    harvest: { crop, start, end, areaHa, widthM, speedKmh, efficiency: EFFICIENCY },
  };
}

/** Puts a machine on the books of the planner's branch. */
export function AddMachine({ branch }: { branch: string }) {
  const { data: specs } = useSpecModels();
  const [added, setAdded] = useState('');
  const { control, handleSubmit, reset } = useForm({
    resolver: zodResolver(MachineEntry),
    defaultValues: EMPTY,
  });
  const add = useAction(async (m: MachineEntry) => {
    setAdded('');
    await api('POST /machines', { body: { id: uuidv7(), branch, ...machineOf(m) } });
    setAdded(m.serial);
    reset();
    listsChanged();
  });
  const models = (kind: 'combine' | 'header') =>
    specs?.items
      .filter((s) => s.machine === kind)
      .map((s) => ({ value: s.model, title: `${s.maker} ${s.model}` })) ?? [];
  return (
    <Card testID="add machine">
      <Heading>Add a machine</Heading>
      {models('combine').length ? (
        <Controller
          control={control}
          name="model"
          render={({ field }) => (
            <Choice
              label="Model"
              value={field.value || undefined}
              onChange={field.onChange}
              options={models('combine')}
            />
          )}
        />
      ) : (
        <Quiet>Import a spec sheet for its model first, under Specs.</Quiet>
      )}
      <Field control={control} name="serial" label="Serial" />
      <Field control={control} name="customer" label="Customer" />
      <Field control={control} name="builtOn" label="Built on (year-month-day)" />
      <Field control={control} name="hours" label="Separator hours" keyboard="numeric" />
      <Controller
        control={control}
        name="headerModel"
        render={({ field }) => (
          <Choice
            label="Header on it"
            value={field.value}
            onChange={field.onChange}
            options={[{ value: NO_HEADER, title: 'None' }, ...models('header')]}
          />
        )}
      />
      <Field control={control} name="headerSerial" label="Header serial" />
      <Field control={control} name="crop" label="Next crop" />
      <Field control={control} name="start" label="Harvest starts on (year-month-day)" />
      <Field control={control} name="end" label="Harvest ends on (year-month-day)" />
      <Field control={control} name="areaHa" label="Area, ha" keyboard="numeric" />
      <Field control={control} name="widthM" label="Header width, m" keyboard="numeric" />
      <Field control={control} name="speedKmh" label="Ground speed, km/h" keyboard="numeric" />
      {add.trouble ? <Notice tone="rust" title="Not added" text={add.trouble} /> : null}
      {added ? <Notice tone="pine" title={`${added} is on the books`} /> : null}
      <Press
        title="Add the machine"
        onPress={() => void handleSubmit((entry) => add.run(entry))()}
        loading={add.busy}
        small
      />
    </Card>
  );
}
