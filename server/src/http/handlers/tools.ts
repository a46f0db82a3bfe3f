import { dropTool, keepTool, listTools } from '../../tools/tools';
import type { Handlers } from '../mount';
import type { Setting } from '../setting';

/** What a person measures with. */
export function toolHandlers({ clock }: Setting) {
  return {
    'GET /tools': async ({ person }) => ({ tools: await listTools(person) }),
    'PUT /tools/{id}': ({ params, body, person }) =>
      keepTool({ ...body, id: params.id }, person, clock.today()),
    'DELETE /tools/{id}': ({ params, person }) => dropTool(params.id, person),
  } satisfies Partial<Handlers>;
}
