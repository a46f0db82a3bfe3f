import { z } from 'zod';
import { Check, Id, Revision } from '../contracts';

/** What the paths and queries of several rooms hold, and their answers. */
export const ById = z.object({ id: Id });
export const ByModel = z.object({ model: z.string().min(1).max(120) });
export const revision = z.coerce.number('a revision').pipe(Revision);
export const OneRevision = z.object({ revision: revision.optional() });
export const Preview = z.object({ preview: z.enum(['yes', 'no']).default('no') });
export const Paging = z.object({
  cursor: z.string().max(120).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
export const CheckPage = z.object({ items: z.array(Check), next: z.string().nullable() });
