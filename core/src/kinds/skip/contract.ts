import { z } from 'zod';
import { ShortText } from '../../contracts/common';

/** Not taken, and why. */
export const SkipValue = z.object({ kind: z.literal('skip'), why: ShortText });
