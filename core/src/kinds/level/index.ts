import type { Kind } from '../kind';
import { judgeLevel } from './judge';

/** Low, right or high at its eye, and the colour where it tells something. */
export const level: Kind<'level'> = {
  name: 'Level',
  takes: ['level'],
  wants: (check) => `right at the ${check.eye}`,
  drawn: (check) => `level at the ${check.eye}, ${check.product}`,
  admit: () => [],
  judge: judgeLevel,
};
