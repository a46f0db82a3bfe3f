import { z } from 'zod';
import { ROUTES, type Route, type RouteId } from '@green-tally/core/api';
import * as contracts from '@green-tally/core/contracts';
import { TOKEN_READS } from '@green-tally/core/contracts/tokens';
import { splitId } from './mount';

/** An OpenAPI 3.1 document. It takes JSON Schema 2020-12 as it is, which is what Zod writes. */
export interface OpenApiDocument {
  readonly openapi: '3.1.0';
  readonly info: { readonly title: string; readonly version: string };
  readonly paths: Record<string, Record<string, object>>;
  readonly components: {
    readonly schemas: Record<string, object>;
    readonly securitySchemes: Record<string, object>;
  };
}

let made: OpenApiDocument | undefined;

/** The API as OpenAPI 3.1, made from the same route table that is mounted. */
export function openApiDocument(): OpenApiDocument {
  made ??= generate();
  return made;
}

function generate(): OpenApiDocument {
  const paths: Record<string, Record<string, object>> = {};
  for (const [id, route] of Object.entries(ROUTES)) {
    const [method, path] = splitId(id as RouteId);
    paths[`/api${path}`] = { ...paths[`/api${path}`], [method]: operationOf(route, id) };
  }
  const { schemas } = z.toJSONSchema(NAMED, { uri: refTo, io: 'input', unrepresentable: 'any' });
  return {
    openapi: '3.1.0',
    info: { title: 'Green Tally', version: '0.1.0' },
    paths,
    components: {
      schemas,
      securitySchemes: {
        session: { type: 'apiKey', in: 'cookie', name: 'green-tally' },
        token: {
          type: 'http',
          scheme: 'bearer',
          description: 'A token of one branch that reads some lists; an admin makes it.',
        },
      },
    },
  };
}

const refTo = (name: string): string => `#/components/schemas/${name}`;

/** The contracts under their own names; the document refers to them instead of repeating them. */
const NAMED = z.registry<{ id: string }>();
const names = new Map<z.ZodType, string>();
for (const [name, contract] of Object.entries(contracts))
  if (contract instanceof z.ZodObject || contract instanceof z.ZodDiscriminatedUnion) {
    NAMED.add(contract, { id: name });
    names.set(contract, name);
  }

/** A contract of its own is referred to; what only one route uses is written out. */
function schemaOf(schema: z.ZodType): object {
  const name = names.get(schema);
  if (name !== undefined) return { $ref: refTo(name) };
  if (schema instanceof z.ZodObject) {
    const properties = Object.entries<z.ZodType>(schema.shape);
    return {
      type: 'object',
      properties: Object.fromEntries(properties.map(([key, of]) => [key, schemaOf(of)])),
      required: properties.filter(([, of]) => !of.safeParse(undefined).success).map(([key]) => key),
    };
  }
  if (schema instanceof z.ZodArray)
    return { type: 'array', items: schemaOf(schema.element as z.ZodType) };
  const { $schema: _, ...plain } = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
  return plain;
}

/** Routes that a token may read by, whatever its scope. */
const BY_TOKEN: ReadonlySet<string> = new Set(Object.values(TOKEN_READS).flat());

function operationOf(route: Route, id: string): object {
  const body = route.documented ?? route.body;
  const { status = 200, answer, summary, door } = route;
  return {
    summary,
    description: door === 'anyone' ? 'Needs no signing in.' : `Needs the right "${door}".`,
    security:
      door === 'anyone' ? [] : [{ session: [] }, ...(BY_TOKEN.has(id) ? [{ token: [] }] : [])],
    parameters: [...parametersOf(route.params, 'path'), ...parametersOf(route.query, 'query')],
    ...(body === undefined ? {} : { requestBody: { required: true, content: contentOf(body) } }),
    responses: {
      [status]:
        answer === null
          ? { description: summary }
          : { description: summary, content: contentOf(answer) },
      '4XX': {
        description: 'Refused: what was wrong and what was wanted',
        content: { 'application/problem+json': { schema: schemaOf(contracts.Problem) } },
      },
    },
  };
}

function parametersOf(of: z.ZodObject | undefined, where: 'path' | 'query'): object[] {
  return Object.entries<z.ZodType>(of?.shape ?? {}).map(([name, schema]) => ({
    name,
    in: where,
    required: !schema.safeParse(undefined).success,
    schema: schemaOf(schema),
  }));
}

const contentOf = (of: NonNullable<Route['answer'] | Route['body']>): object =>
  typeof of === 'string'
    ? { [of]: { schema: { type: 'string' } } }
    : { 'application/json': { schema: schemaOf(of) } };
