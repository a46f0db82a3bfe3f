import type { ReactNode } from 'react';
import type { MachineFile } from '@green-tally/core/contracts';
import type { Standing } from '@green-tally/core/plan';
import { troubleText, Unreachable, useMachine } from '../store';
import { Waiting } from '../ui';

interface WithMachineProps {
  readonly id: string;
  /** what is waited for: "this walk" */
  readonly what: string;
  readonly children: (known: Known) => ReactNode;
}

/** A machine as it is known here and now; `again` asks the server anew. */
export interface Known {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly again: () => void;
}

/** Shows what a machine is needed for; until it is here, that it is waited for or why it cannot be. */
export function WithMachine({ id, what, children }: WithMachineProps) {
  const { file, standing, error, isLoading, again } = useMachine(id);
  if (!file || !standing)
    return <Waiting what={what} trouble={isLoading ? undefined : whyNot(error)} again={again} />;
  return children({ file, standing, again });
}

/** Why a machine is not shown, and what helps. */
const whyNot = (error: unknown): string =>
  error instanceof Unreachable
    ? `${error.message} This machine was not taken along: look at it, or take it along, where there is signal.`
    : troubleText(error);
