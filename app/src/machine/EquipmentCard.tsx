import { useState } from 'react';
import type { Equipment, MachineFile } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { api, listsChanged, useAction, useSession } from '../store';
import { Body, Card, Choice, Heading, Notice, Press, Row } from '../ui';

type Build = Readonly<Record<string, string>>;
type Part = 'combine' | 'header';

/** A choice of build, and what it stands at now. */
interface Fitted {
  readonly part: Part;
  readonly equipment: Equipment;
  readonly now: Equipment['options'][number] | undefined;
}

/**
 * How a machine and the header on it are built, which decides which checks they have; a planner can
 * put it right.
 */
export function EquipmentCard({ file, onChanged }: { file: MachineFile; onChanged: () => void }) {
  const { data: session } = useSession();
  const [wish, setWish] = useState<Readonly<Record<Part, Build>> | undefined>();
  const fitted = [...fittedTo(file, 'combine'), ...fittedTo(file, 'header')];
  const keep = useAction(async (built: Readonly<Record<Part, Build>>) => {
    await api('PATCH /machines/{id}', {
      params: { id: file.machine.id },
      body: changeOf(file, built),
    });
    setWish(undefined);
    onChanged();
    listsChanged();
  });
  if (!fitted.length) return null;
  const mayChange = session?.person && mayDo(session.person.role, 'keepMachines');
  const words = fitted.map((f) => `${f.equipment.name}: ${(f.now?.name ?? '').toLowerCase()}`);
  return (
    <Card testID="equipment">
      <Heading>As it is built</Heading>
      {wish ? (
        <>
          {fitted.map(({ part, equipment: e, now }) => (
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
          {keep.trouble ? <Notice tone="rust" title="Not changed" text={keep.trouble} /> : null}
          <Row>
            <Press
              fill="pine"
              title="Keep"
              testID="keep build"
              loading={keep.busy}
              onPress={() => void keep.run(wish)}
              small
            />
            <Press title="Leave as it was" onPress={() => setWish(undefined)} small />
          </Row>
        </>
      ) : (
        <>
          <Body>{`${words.join('. ')}.`}</Body>
          {mayChange ? (
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

function fittedTo({ machine, sheets }: MachineFile, part: Part): Fitted[] {
  const built = part === 'combine' ? machine : machine.header;
  const sheet = sheets.find((s) => s.machine === part && s.model === built?.model);
  const options: Build = built?.equipment ?? {};
  return (sheet?.equipment ?? []).map((e) => ({
    part,
    equipment: e,
    now: e.options.find((o) => o.id === options[e.id]) ?? e.options[0],
  }));
}

/** The machine's build with what was chosen laid over it. */
const changeOf = ({ machine }: MachineFile, built: Readonly<Record<Part, Build>>) => ({
  equipment: { ...machine.equipment, ...built.combine },
  ...(machine.header
    ? {
        header: {
          ...machine.header,
          equipment: { ...machine.header.equipment, ...built.header },
        },
      }
    : {}),
});
