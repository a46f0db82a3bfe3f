import type { WorkItem } from '../contracts';
import type { ProposedWork } from './propose';

/** Who accepts some work, when, and how it was proposed where they changed it. */
export interface Accepting extends Pick<
  WorkItem,
  'id' | 'machineId' | 'acceptedBy' | 'acceptedAt'
> {
  readonly proposed?: WorkItem['proposed'];
}

/** Work as it is stored once a person has accepted it. */
export const accepted = (
  { subjects: _, ...work }: ProposedWork,
  { proposed = null, ...by }: Accepting,
): WorkItem => ({ ...work, ...by, proposed, worked: [], withdrawnAt: null });
