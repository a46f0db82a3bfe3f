import type { Yard } from '@green-tally/core/contracts';
import { Card, Go, Heading, Quiet, Strong } from '../ui';
import { machineName } from './words';

/** A machine that cannot be judged says so and why; it never takes the others down. */
export function Apart({ machine, trouble }: Yard['apart'][number]) {
  return (
    <Go
      testID={`apart ${machine.serial}`}
      label={`${machineName(machine)}, ${trouble ?? 'not judged yet'}`}
      to={`/machine/${machine.id}`}
    >
      <Card edge={trouble ? 'rust' : 'line'} fill={trouble ? 'rustTint' : 'card'}>
        <Heading>{machineName(machine)}</Heading>
        <Quiet>{machine.customer}</Quiet>
        <Strong tone={trouble ? 'rust' : 'ink'}>
          {trouble ? 'Cannot be judged: nothing is said of its slack' : 'Being judged'}
        </Strong>
        {trouble ? <Quiet>{trouble}</Quiet> : null}
      </Card>
    </Go>
  );
}
