import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm, useWatch, type Control } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { Day, type MachineFile, type Visit } from '@green-tally/core/contracts';
import { visitEnd, workingDayFrom, workingDaysAfter } from '@green-tally/core/plan';
import { printNumber } from '@green-tally/core/units';
import { api, useAction, usePeople, useToday } from '../store';
import { Body, Card, Choice, Heading, Notice, Press, Row, SPACE, Strong } from '../ui';
import { Field, kept } from '../ui/form';
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

/** The visit as it was answered, until the machine's file tells of it. */
function useNewest(file: MachineFile, known: Visit | undefined) {
  const [answered, setAnswered] = useState<{
    readonly visit?: Visit;
    readonly file: MachineFile;
  }>();
  const own = answered?.visit;
  // a file that was on its way already may tell of the version before
  const isBehind = answered?.file === file || (own?.id === known?.id && isOlder(known, own));
  const visit = answered && isBehind ? own : known;
  return [
    visit,
    (answer?: Visit) => setAnswered({ ...(answer && { visit: answer }), file }),
  ] as const;
}

const isOlder = (visit: Visit | undefined, than: Visit | undefined): boolean =>
  Boolean(visit && than && visit.version < than.version);

/** Sets or moves a machine's visit: who, when, where. Its end follows from the hours. */
export function VisitForm({ file, visit: known, hours, onChanged }: VisitFormProps) {
  const { machine } = file;
  const today = useToday();
  const [visit, answered] = useNewest(file, known);
  const [newId, setNewId] = useState(() => uuidv7());
  const form = useForm<VisitEntry>({
    resolver: zodResolver(VisitEntry),
    values: {
      technicianId: visit?.technicianId ?? '',
      startsOn: visit?.startsOn ?? workingDayFrom(today),
      site: visit?.site ?? 'bay',
    },
    // what others plan comes in beside what is typed here, and beside what is said of it
    resetOptions: { keepDirtyValues: true, keepErrors: true, keepIsSubmitted: true },
  });
  const { control, handleSubmit, setValue } = form;
  const startsOn = useWatch({ control, name: 'startsOn' });
  const set = useAction(async (entry: VisitEntry) => {
    try {
      const answer = await api('PUT /visits/{id}', {
        params: { id: visit?.id ?? newId },
        body: { ...entry, machineId: machine.id, version: visit?.version ?? null },
      });
      answered(answer);
      kept(form, entry);
    } finally {
      onChanged();
    }
  });
  const drop = useAction(async (id: string) => {
    await api('DELETE /visits/{id}', { params: { id } });
    answered(undefined);
    setNewId(uuidv7());
    onChanged();
  });
  const submit = handleSubmit((entry) => set.run(entry));
  const trouble = set.trouble || drop.trouble;
  const step = (days: number) => {
    const day = Day.safeParse(startsOn);
    if (day.success) setValue('startsOn', workingDaysAfter(day.data, days), { shouldDirty: true });
  };
  return (
    <Card testID="visit">
      <Heading>{visit ? 'Visit planned' : 'Plan the visit'}</Heading>
      {visit && visit.startsOn !== startsOn ? (
        <Body testID="visit stands">{`It stands for ${weekdayWords(visit.startsOn)}.`}</Body>
      ) : null}
      <Technician control={control} branch={machine.branch} />
      <Field control={control} name="startsOn" label="Starts on (year-month-day)" hint={today} />
      <Row gap={SPACE.s}>
        <Press small title="A day earlier" onPress={() => step(-1)} />
        <Press small title="A day later" onPress={() => step(1)} />
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
      <VisitEnd startsOn={startsOn} hours={hours} harvest={machine.harvest.start} />
      {trouble ? <Notice tone="rust" title="The visit was not set" text={trouble} /> : null}
      <Press
        fill="pine"
        title={visit ? 'Move the visit' : 'Set the visit'}
        testID="set visit"
        onPress={() => void submit()}
        loading={set.busy}
      />
      {visit ? (
        <Press
          title="Drop the visit"
          loading={drop.busy}
          onPress={() => void drop.run(visit.id)}
          small
        />
      ) : null}
    </Card>
  );
}

/** Who does it: the technicians of the machine's branch. */
function Technician({ control, branch }: { control: Control<VisitEntry>; branch: string }) {
  const { data: people } = usePeople();
  const technicians =
    people?.people.filter((p) => p.role === 'technician' && p.branch === branch && !p.suspended) ??
    [];
  return (
    <Controller
      control={control}
      name="technicianId"
      render={({ field, fieldState }) => (
        <View style={styles.technician}>
          <Choice
            label="Technician"
            value={field.value || undefined}
            onChange={field.onChange}
            options={technicians.map((p) => ({ value: p.id, title: p.name }))}
          />
          {fieldState.error ? <Strong tone="rust">{fieldState.error.message}</Strong> : null}
          {people && technicians.length === 0 ? (
            <Body>{`No technician works for ${branch} yet.`}</Body>
          ) : null}
        </View>
      )}
    />
  );
}

interface VisitEndProps {
  readonly startsOn: string;
  readonly hours: number;
  /** first day of harvest */
  readonly harvest: Day;
}

/** When the visit would end, and whether that is too late. */
function VisitEnd({ startsOn, hours, harvest }: VisitEndProps) {
  const day = Day.safeParse(startsOn);
  if (!day.success || hours <= 0) return null;
  const end = visitEnd(day.data, hours);
  const late = end >= harvest;
  const said = `${printNumber(hours, 2)} h: ends ${weekdayWords(end)}`;
  return (
    <Body tone={late ? 'rust' : 'ink'} testID="visit end">
      {late
        ? `${said}, after harvest starts on ${weekdayWords(harvest)}. It will be late.`
        : `${said}.`}
    </Body>
  );
}

const styles = StyleSheet.create({ technician: { gap: SPACE.xs } });
