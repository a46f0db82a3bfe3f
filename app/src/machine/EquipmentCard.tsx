import { useState } from 'react';
import { useSWRConfig } from 'swr';
import type { MachineFile } from '@green-tally/core/contracts';
import { api, troubleText, useSession } from '../store';
import { Body, Card, Choice, Heading, Notice, Press, Row, useOnce } from '../ui';

/** How a machine is built, which decides which checks it has; a planner can put it right. */
export function EquipmentCard({ file, onChanged }: { file: MachineFile; onChanged: () => void }) {
  const { data: session } = useSession();
  const { mutate } = useSWRConfig();
  const { machine } = file;
  const sheet = file.sheets.find((s) => s.model === machine.model);
  const fitted = (id: string, first: string) => machine.equipment?.[id] ?? first;
  const [wish, setWish] = useState<Readonly<Record<string, string>> | undefined>();
  const [trouble, setTrouble] = useState('');
  const keep = useOnce(async () => {
    setTrouble('');
    try {
      await api('PATCH', `/machines/${machine.id}`, { equipment: { ...machine.equipment, ...wish } });
      setWish(undefined);
      onChanged();
      void mutate('/yard');
    } catch (error) {
      setTrouble(troubleText(error));
    }
  });
  if (!sheet?.equipment.length) return null;
  return (
    <Card testID="equipment">
      <Heading>As it is built</Heading>
      {wish ? (
        <>
          {sheet.equipment.map((e) => <Choice key={e.id} label={e.name} value={wish[e.id] ?? fitted(e.id, e.options[0]?.id ?? '')} onChange={(option: string) => setWish({ ...wish, [e.id]: option })} options={e.options.map((o) => ({ value: o.id, title: o.name }))} />)}
          {trouble ? <Notice tone="rust" title="Not changed" text={trouble} /> : null}
          <Row><Press fill="pine" title="Keep" onPress={() => void keep()} small /><Press title="Leave as it was" onPress={() => setWish(undefined)} small /></Row>
        </>
      ) : (
        <>
          <Body>{sheet.equipment.map((e) => `${e.name}: ${(e.options.find((o) => o.id === fitted(e.id, e.options[0]?.id ?? ''))?.name ?? '').toLowerCase()}`).join('. ')}.</Body>
          {session?.person && session.person.role !== 'technician' ? <Press title="Change how it is built" onPress={() => setWish({})} small /> : null}
        </>
      )}
    </Card>
  );
}
