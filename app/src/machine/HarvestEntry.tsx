import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { Day, type Machine } from '@green-tally/core/contracts';
import { harvestTroubles } from '@green-tally/core/harvest';
import { api, listsChanged, useAction, useToday } from '../store';
import { Notice, Press, Row } from '../ui';
import { Field, formNumber } from '../ui/form';

const HarvestForm = z
  .object({ start: Day, end: Day, areaHa: formNumber('an area above 0 ha') })
  .refine((h) => h.end >= h.start, { path: ['end'], message: 'a date on or after the start' });
type HarvestForm = z.infer<typeof HarvestForm>;

interface HarvestEntryProps {
  readonly machine: Machine;
  readonly onDone: (changed: boolean) => void;
}

/** Moving the harvest: its days and its area. */
export function HarvestEntry({ machine, onDone }: HarvestEntryProps) {
  const { start, end, areaHa } = machine.harvest;
  const { control, handleSubmit } = useForm({
    resolver: zodResolver(HarvestForm),
    values: { start, end, areaHa: areaHa as unknown },
  });
  const today = useToday();
  const keep = useAction(async (entry: HarvestForm) => {
    const harvest = { ...machine.harvest, ...entry };
    const [trouble] = harvestTroubles(harvest, { machine, today, before: machine.harvest });
    if (trouble) throw new Error(trouble.message);
    await api('PATCH /machines/{id}', {
      params: { id: machine.id },
      body: { harvest },
    });
    onDone(true);
    listsChanged();
  });
  return (
    <>
      <Field control={control} name="start" label="Starts on (year-month-day)" />
      <Field control={control} name="end" label="Ends on (year-month-day)" />
      <Field control={control} name="areaHa" label="Area, ha" keyboard="numeric" />
      {keep.trouble ? <Notice tone="rust" title="Not changed" text={keep.trouble} /> : null}
      <Row>
        <Press
          title="Keep"
          fill="pine"
          onPress={() => void handleSubmit((entry) => keep.run(entry))()}
          loading={keep.busy}
          small
        />
        <Press title="Leave as it was" onPress={() => onDone(false)} small />
      </Row>
    </>
  );
}
