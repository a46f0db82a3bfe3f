import { printHours } from '@green-tally/core/units';
import { useSession, useYard } from '../store';
import { Card, Go, Heading, later, Quiet, Strong } from '../ui';
import { machineName } from '../yard/words';
import { SettingsFrame } from './SettingsFrame';

const AddMachine = later('the form', async () => (await import('../forms')).AddMachine);

/** The machines on the books, and adding one. */
export function MachinesScreen() {
  const { data: yard } = useYard();
  const { data: session } = useSession();
  const machines = [...(yard?.rows ?? [])].sort((a, b) =>
    a.machine.serial.localeCompare(b.machine.serial),
  );
  return (
    <SettingsFrame title="Machines" testID="machines">
      {machines.length ? (
        <Card>
          <Heading>{`On the books: ${machines.length}`}</Heading>
          {machines.map(({ machine }) => (
            <Go key={machine.id} to={`/machine/${machine.id}`} label={machineName(machine)}>
              <Strong tone="pine">{machineName(machine)}</Strong>
              <Quiet>{`${machine.customer} · ${printHours(machine.hours)}`}</Quiet>
            </Go>
          ))}
        </Card>
      ) : null}
      {session?.person ? <AddMachine branch={session.person.branch} /> : null}
    </SettingsFrame>
  );
}
