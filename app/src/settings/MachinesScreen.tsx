import { useState } from 'react';
import { printHours, printNumber } from '@green-tally/core/units';
import { useSession, useYard } from '../store';
import { Card, Go, Heading, later, More, Quiet, Strong, TextEntry, useSettled } from '../ui';
import { machineName } from '../yard/words';
import { SettingsFrame } from './SettingsFrame';

const AddMachine = later('the form', async () => (await import('../forms')).AddMachine);

/** The machines on the books, and adding one. */
export function MachinesScreen() {
  const [find, setFind] = useState('');
  const q = useSettled(find.trim()) || undefined;
  const { yard, more } = useYard({ order: 'serial', q });
  const { data: session } = useSession();
  const shown = yard ? [...yard.rows, ...yard.apart].map((r) => r.machine) : [];
  return (
    <SettingsFrame title="Machines" testID="machines">
      {yard?.all.machines ? (
        <Card>
          <Heading>{`On the books: ${printNumber(yard.all.machines, 0)}`}</Heading>
          <TextEntry
            label="Find a machine"
            value={find}
            onChange={setFind}
            hint="serial, model, customer"
          />
          {shown.map((machine) => (
            <Go key={machine.id} to={`/machine/${machine.id}`} label={machineName(machine)}>
              <Strong tone="pine">{machineName(machine)}</Strong>
              <Quiet>{`${machine.customer} · ${printHours(machine.hours)}`}</Quiet>
            </Go>
          ))}
          <More more={more} />
        </Card>
      ) : null}
      {session?.person ? <AddMachine branch={session.person.branch} /> : null}
    </SettingsFrame>
  );
}
