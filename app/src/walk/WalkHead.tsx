import type { Machine } from '@green-tally/core/contracts';
import { SyncLine } from '../session/SyncLine';
import { HeadRow } from '../ui';

/** Above everything that a walk shows: back to its machine, and how sending stands. */
export function WalkHead({ machine: { id, model, serial } }: { machine: Machine }) {
  return (
    <HeadRow
      back={{
        to: `/machine/${id}`,
        title: `${model} · ${serial}`,
        label: 'Back to the machine',
      }}
    >
      <SyncLine />
    </HeadRow>
  );
}
