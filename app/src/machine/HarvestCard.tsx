import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useSWRConfig } from 'swr';
import { z } from 'zod';
import { Day, type Machine } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { api, troubleText, useSession } from '../store';
import { Body, Card, Field, formNumber, Heading, Notice, Press, Row } from '../ui';
import { dayWords } from '../yard/words';

const HarvestForm = z
  .object({ start: Day, end: Day, areaHa: formNumber('an area above 0 ha') })
  .refine((h) => h.end >= h.start, { path: ['end'], message: 'a date on or after the start' });

interface HarvestCardProps {
  readonly machine: Machine;
  readonly seasonHours: number;
  readonly onChanged: () => void;
}

/** The harvest ahead; a planner can move it. */
export function HarvestCard({ machine, seasonHours, onChanged }: HarvestCardProps) {
  const { data: session } = useSession();
  const { mutate } = useSWRConfig();
  const [editing, setEditing] = useState(false);
  const [trouble, setTrouble] = useState('');
  const { harvest } = machine;
  const { control, handleSubmit, formState } = useForm({
    resolver: zodResolver(HarvestForm),
    values: { start: harvest.start, end: harvest.end, areaHa: harvest.areaHa as unknown },
  });
  const save = handleSubmit(async (entry) => {
    setTrouble('');
    try {
      await api('PATCH', `/machines/${machine.id}`, { harvest: { ...harvest, ...entry } });
      setEditing(false);
      onChanged();
      void mutate('/yard');
    } catch (error) {
      setTrouble(troubleText(error));
    }
  });
  return (
    <Card>
      <Heading>Harvest</Heading>
      {editing ? (
        <>
          <Field control={control} name="start" label="Starts on (year-month-day)" />
          <Field control={control} name="end" label="Ends on (year-month-day)" />
          <Field control={control} name="areaHa" label="Area, ha" keyboard="numeric" />
          {trouble ? <Notice tone="rust" title="Not changed" text={trouble} /> : null}
          <Row>
            <Press
              title="Keep"
              fill="pine"
              onPress={() => void save()}
              loading={formState.isSubmitting}
              small
            />
            <Press title="Leave as it was" onPress={() => setEditing(false)} small />
          </Row>
        </>
      ) : (
        <>
          <Body>{`${harvest.crop}, ${dayWords(harvest.start)} to ${dayWords(harvest.end)}: ${printNumber(harvest.areaHa, 0)} ha at ${printNumber(harvest.widthM, 1)} m and ${printNumber(harvest.speedKmh, 1)} km/h take about ${printNumber(seasonHours, 0)} h.`}</Body>
          {session?.person && session.person.role !== 'technician' ? (
            <Press title="Change the harvest" onPress={() => setEditing(true)} small />
          ) : null}
        </>
      )}
    </Card>
  );
}
