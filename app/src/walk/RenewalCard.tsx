import { useState } from 'react';
import { View } from 'react-native';
import type { Check, MachineFile, ValueOf } from '@green-tally/core/contracts';
import { parseQuantity, printHours } from '@green-tally/core/units';
import { admissionTroubles, meterMarks, meterTroubles } from '@green-tally/core/walk';
import { put, useAction, useClock, useSession, useToday } from '../store';
import { Card, Choice, Heading, Notice, Press, Quiet, SPACE, TextEntry } from '../ui';
import { newRenewal } from './session';

type FittedBy = ValueOf<'renewal'>['fittedBy'];

/** A new part was fitted: at any time, by whom, which; it begins a new life on the strip. */
export function RenewalCard({ file, check }: { file: MachineFile; check: Check }) {
  const [open, setOpen] = useState(false);
  return open ? (
    <RenewalForm file={file} check={check} onDone={() => setOpen(false)} />
  ) : (
    <Press title="A new part was fitted" testID="renewed" small onPress={() => setOpen(true)} />
  );
}

const FITTERS: readonly { readonly value: FittedBy; readonly title: string }[] = [
  { value: 'owner', title: 'The owner' },
  { value: 'shop', title: 'We did' },
  { value: 'unknown', title: 'Not known' },
];

interface RenewalFormProps {
  readonly file: MachineFile;
  readonly check: Check;
  readonly onDone: () => void;
}

function RenewalForm({ file, check, onDone }: RenewalFormProps) {
  const clock = useClock();
  const today = useToday();
  const { data: session } = useSession();
  const [place, setPlace] = useState(check.places[0] ?? '');
  const [fittedBy, setFittedBy] = useState<FittedBy>('owner');
  const [part, setPart] = useState('');
  const [hours, setHours] = useState('');
  const [day, setDay] = useState('');
  const { machine } = file;
  const store = useAction(async () => {
    const now = clock();
    const on = day.trim() || today;
    if (!/^\d{4}-\d{2}-\d{2}$/.test(on)) throw new Error('Write the day like 2026-05-20.');
    const reading = newRenewal(
      { file, check, place, by: session?.person?.name ?? '' },
      { kind: 'renewal', fittedBy, part: part.trim() },
      {
        takenAt: on === today ? now.toISOString() : `${on}T12:00:00.000Z`,
        hours: hours.trim() ? parseQuantity(hours, 'time', 'h').value : machine.hours,
      },
    );
    const [trouble] = [
      ...admissionTroubles(reading, machine, file.sheets, { today }),
      ...meterTroubles(reading, machine, meterMarks(file.readings)),
    ];
    if (trouble) throw new Error(trouble.message);
    await put([{ kind: 'reading', body: reading }]);
    onDone();
  });
  return (
    <Card edge="blue" testID="renewal">
      <Heading>A new part was fitted</Heading>
      <Quiet>Its strip begins anew; it is due to be read, and again after its first hours.</Quiet>
      {check.places.length > 1 ? (
        <Choice
          label="Where"
          options={check.places.map((p) => ({ value: p, title: p }))}
          value={place}
          onChange={setPlace}
        />
      ) : null}
      <Choice label="Who fitted it" options={FITTERS} value={fittedBy} onChange={setFittedBy} />
      <TextEntry
        label="Which part, if known"
        value={part}
        onChange={setPart}
        hint={check.parts[0]?.number ?? ''}
      />
      <TextEntry
        label={`At how many separator hours (now ${printHours(machine.hours)})`}
        value={hours}
        onChange={setHours}
        hint={String(machine.hours)}
        numeric
      />
      <TextEntry label="On which day" value={day} onChange={setDay} hint={today} />
      {store.trouble ? <Notice tone="rust" title="Not kept" text={store.trouble} /> : null}
      <View style={{ gap: SPACE.s }}>
        <Press
          fill="blue"
          title="Record the new part"
          testID="record renewal"
          loading={store.busy}
          onPress={() => void store.run()}
        />
        <Press title="Not now" small onPress={onDone} />
      </View>
    </Card>
  );
}
