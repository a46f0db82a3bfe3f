import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { Day, type MachineFile, type Visit } from '@green-tally/core/contracts';
import { visitEnd, workingDayFrom, workingDaysAfter } from '@green-tally/core/plan';
import { printNumber } from '@green-tally/core/units';
import { api, troubleText, usePeople, useToday } from '../store';
import { Body, Card, Choice, Field, Heading, Notice, Press, Row, Strong } from '../ui';
import { weekdayWords } from '../yard/words';

const VisitEntry = z.object({
  technicianId: z.uuid('Choose a technician.'),
  startsOn: Day,
  site: z.enum(['bay', 'farm']),
});
type VisitEntry = z.infer<typeof VisitEntry>;

interface VisitFormProps {
  readonly file: MachineFile;
  readonly visit: Visit | undefined;
  readonly hours: number;
  readonly onChanged: () => void;
}

/** Sets or moves a machine's visit: who, when, where. Its end follows from the hours. */
export function VisitForm({ file, visit, hours, onChanged }: VisitFormProps) {
  const { data: people } = usePeople();
  const today = useToday();
  const [trouble, setTrouble] = useState('');
  const [newId, setNewId] = useState(() => uuidv7());
  const { machine } = file;
  const { control, handleSubmit, setValue, formState } = useForm<VisitEntry>({
    resolver: zodResolver(VisitEntry),
    values: {
      technicianId: visit?.technicianId ?? '',
      startsOn: visit?.startsOn ?? workingDayFrom(today),
      site: visit?.site ?? 'bay',
    },
    resetOptions: { keepDirtyValues: true },
  });
  const technicians =
    people?.people.filter((p) => p.role === 'technician' && p.branch === machine.branch) ?? [];
  const startsOn = useWatch({ control, name: 'startsOn' });
  const day = Day.safeParse(startsOn);
  const end = day.success && hours > 0 ? visitEnd(day.data, hours) : undefined;
  const late = end !== undefined && end >= machine.harvest.start;
  const submit = handleSubmit(async (entry) => {
    setTrouble('');
    try {
      await api('PUT', `/visits/${visit?.id ?? newId}`, {
        ...entry,
        machineId: machine.id,
        version: visit?.version ?? null,
      });
    } catch (error) {
      setTrouble(troubleText(error));
    }
    onChanged();
  });
  const drop = async () => {
    if (!visit) return;
    setTrouble('');
    try {
      await api('DELETE', `/visits/${visit.id}`);
      setNewId(uuidv7());
    } catch (error) {
      setTrouble(troubleText(error));
    }
    onChanged();
  };
  return (
    <Card testID="visit">
      <Heading>{visit ? 'Visit planned' : 'Plan the visit'}</Heading>
      <Controller
        control={control}
        name="technicianId"
        render={({ field, fieldState }) => (
          <View style={{ gap: 4 }}>
            <Choice
              label="Technician"
              value={field.value || undefined}
              onChange={field.onChange}
              options={technicians.map((p) => ({ value: p.id, title: p.name }))}
            />
            {fieldState.error ? <Strong tone="rust">{fieldState.error.message}</Strong> : null}
            {people && technicians.length === 0 ? (
              <Body>{`No technician works for ${machine.branch} yet.`}</Body>
            ) : null}
          </View>
        )}
      />
      <Field control={control} name="startsOn" label="Starts on (year-month-day)" hint={today} />
      <Row gap={6}>
        <Press
          small
          title="A day earlier"
          onPress={() =>
            day.success &&
            setValue('startsOn', workingDaysAfter(day.data, -1), { shouldDirty: true })
          }
        />
        <Press
          small
          title="A day later"
          onPress={() =>
            day.success &&
            setValue('startsOn', workingDaysAfter(day.data, 1), { shouldDirty: true })
          }
        />
      </Row>
      <Controller
        control={control}
        name="site"
        render={({ field }) => (
          <Choice
            label="Where"
            value={field.value}
            onChange={field.onChange}
            options={[
              { value: 'bay', title: 'In the bay' },
              { value: 'farm', title: 'At the farm' },
            ]}
          />
        )}
      />
      {end ? (
        <Body
          {...(late ? { tone: 'rust' as const } : {})}
          testID="visit end"
        >{`${printNumber(hours, 2)} h: ends ${weekdayWords(end)}${late ? `, after harvest starts on ${weekdayWords(machine.harvest.start)}. It will be late.` : '.'}`}</Body>
      ) : null}
      {trouble ? <Notice tone="rust" title="The visit was not set" text={trouble} /> : null}
      <Press
        fill="pine"
        title={visit ? 'Move the visit' : 'Set the visit'}
        testID="set visit"
        onPress={() => void submit()}
        loading={formState.isSubmitting}
      />
      {visit ? <Press title="Drop the visit" onPress={() => void drop()} small /> : null}
    </Card>
  );
}
