import type { Kind } from '../kind';
import { judgeCondition, spoiltCondition } from './judge';

/** Sound, marked or damaged, with what was seen. */
export const condition: Kind<'condition'> = {
  name: 'Look',
  takes: ['condition'],
  wants: (check) => `looked for: ${check.looksFor.join(', ')}`,
  drawn: (check) => `look for ${check.looksFor.join(', ')}`,
  admit: () => [],
  spoilt: spoiltCondition,
  judge: judgeCondition,
};
