import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { useSWRConfig } from 'swr';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { Day, ShortText } from '@green-tally/core/contracts';
import { api, troubleText, useSpecs } from '../store';
import { Card, Choice, Field, formNumber, Heading, Notice, Press, Quiet } from '../ui';

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

/** Field efficiency of a combine at work: textbook middle value; kept with the machine and changed there. */
const EFFICIENCY = 0.7;
const NO_HEADER = 'none';

/** Puts a machine on the books of the planner's branch. */
export function AddMachine({ branch }: { branch: string }) {
  const { data: specs } = useSpecs();
  const { mutate } = useSWRConfig();
  const [trouble, setTrouble] = useState('');
  const [added, setAdded] = useState('');
  const { control, handleSubmit, reset, formState } = useForm({
    resolver: zodResolver(MachineEntry),
    defaultValues: {
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
    },
  });
  const submit = handleSubmit(async (m) => {
    setTrouble('');
    setAdded('');
    try {
      await api('POST', '/machines', {
        id: uuidv7(),
        branch,
        serial: m.serial,
        model: m.model,
        customer: m.customer,
        builtOn: m.builtOn,
        hours: m.hours,
        header:
          m.headerModel === NO_HEADER
            ? null
            : { model: m.headerModel, serial: m.headerSerial || 'no serial' },
        harvest: {
          crop: m.crop,
          start: m.start,
          end: m.end,
          areaHa: m.areaHa,
          widthM: m.widthM,
          speedKmh: m.speedKmh,
          efficiency: EFFICIENCY,
        },
      });
      setAdded(m.serial);
      reset();
      void mutate('/yard');
    } catch (error) {
      setTrouble(troubleText(error));
    }
  });
  const models = (kind: 'combine' | 'header') =>
    specs?.sheets
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
      {trouble ? <Notice tone="rust" title="Not added" text={trouble} /> : null}
      {added ? <Notice tone="pine" title={`${added} is on the books`} /> : null}
      <Press
        title="Add the machine"
        onPress={() => void submit()}
        loading={formState.isSubmitting}
        small
      />
    </Card>
  );
}
