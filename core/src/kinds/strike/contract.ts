import { z } from 'zod';
import { ShortText } from '../../contracts/common';

/** Nothing was read: the reading it `strikes` was wrong, and why. Nothing takes its place. */
export const StrikeValue = z.object({ kind: z.literal('strike'), why: ShortText });
