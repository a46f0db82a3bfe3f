import { useState } from 'react';
import { useSWRConfig } from 'swr';
import type { MachineFile } from '@green-tally/core/contracts';
import { api, troubleText, useSession } from '../store';
import { Body, Card, Choice, Heading, Notice, Press, Row, useOnce } from '../ui';

type Build = Readonly<Record<string, string>>;

/** How a machine and the header on it are built, which decides which checks they have; a planner can put it right. */
export function EquipmentCard({ file, onChanged }: { file: MachineFile; onChanged: () => void }) {
  const { data: session } = useSession();
  const { mutate } = useSWRConfig();
  const { machine } = file;
  const [wish, setWish] = useState<
    { readonly combine: Build; readonly header: Build } | undefined
  >();
  const [trouble, setTrouble] = useState('');
  const parts = (['combine', 'header'] as const).flatMap((part) => {
    const sheet = file.sheets.find(
      (s) =>
        s.machine === part &&
        s.model === (part === 'combine' ? machine.model : machine.header?.model),
    );
    const fitted: Build =
      (part === 'combine' ? machine.equipment : machine.header?.equipment) ?? {};
    return (
      sheet?.equipment.map((e) => ({
        part,
        equipment: e,
        now: e.options.find((o) => o.id === fitted[e.id]) ?? e.options[0],
      })) ?? []
    );
  });
  const keep = useOnce(async () => {
    setTrouble('');
    try {
      await api('PATCH', `/machines/${machine.id}`, {
        equipment: { ...machine.equipment, ...wish?.combine },
        ...(machine.header
          ? {
              header: {
                ...machine.header,
                equipment: { ...machine.header.equipment, ...wish?.header },
              },
            }
          : {}),
      });
      setWish(undefined);
      onChanged();
      void mutate('/yard');
    } catch (error) {
      setTrouble(troubleText(error));
    }
  });
  if (!parts.length) return null;
  return (
    <Card testID="equipment">
      <Heading>As it is built</Heading>
      {wish ? (
        <>
          {parts.map(({ part, equipment: e, now }) => (
            <Choice
              key={`${part} ${e.id}`}
              label={e.name}
              value={wish[part][e.id] ?? now?.id}
              onChange={(option: string) =>
                setWish({ ...wish, [part]: { ...wish[part], [e.id]: option } })
              }
              options={e.options.map((o) => ({ value: o.id, title: o.name }))}
            />
          ))}
          {trouble ? <Notice tone="rust" title="Not changed" text={trouble} /> : null}
          <Row>
            <Press fill="pine" title="Keep" testID="keep build" onPress={() => void keep()} small />
            <Press title="Leave as it was" onPress={() => setWish(undefined)} small />
          </Row>
        </>
      ) : (
        <>
          <Body>{`${parts.map(({ equipment: e, now }) => `${e.name}: ${(now?.name ?? '').toLowerCase()}`).join('. ')}.`}</Body>
          {session?.person && session.person.role !== 'technician' ? (
            <Press
              title="Change how it is built"
              onPress={() => setWish({ combine: {}, header: {} })}
              small
            />
          ) : null}
        </>
      )}
    </Card>
  );
}
