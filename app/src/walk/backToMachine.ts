import type { MachineFile } from '@green-tally/core/contracts';

/** The way back from what belongs to a machine. */
export const backToMachine = ({ machine }: Pick<MachineFile, 'machine'>) => ({
  to: `/machine/${machine.id}` as const,
  title: `${machine.model} · ${machine.serial}`,
  label: 'Back to the machine',
});
