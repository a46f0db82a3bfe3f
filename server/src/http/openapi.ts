import { z } from 'zod';
import * as contracts from '@green-tally/core/contracts';

/** OpenAPI 3.1 takes JSON Schema 2020-12 as it is, so the contracts' own schemas are the document's. */
export interface OpenApiDocument {
  readonly openapi: '3.1.0';
  readonly info: { readonly title: string; readonly version: string };
  readonly paths: Record<string, Record<string, object>>;
  readonly components: { readonly schemas: Record<string, object> };
}

let made: OpenApiDocument | undefined;

/** The API as OpenAPI 3.1, made from the same contracts that check it. */
export function openApiDocument(): OpenApiDocument {
  made ??= generate();
  return made;
}

const NAMED = [
  'Session',
  'SignIn',
  'Setup',
  'Person',
  'NewPerson',
  'Yard',
  'Machine',
  'MachineChange',
  'MachineFile',
  'SpecSheet',
  'Walk',
  'Reading',
  'ReadingBatch',
  'BatchAnswer',
  'ImportReport',
  'SpecPage',
  'RevisionPage',
  'SpecDetail',
  'SheetDraft',
  'DraftSave',
  'DraftPublish',
  'SheetChanges',
  'SheetImport',
  'RejudgeAnswer',
  'WorkBatch',
  'WorkItem',
  'VisitPlan',
  'Visit',
  'Problem',
] as const;
type Name = (typeof NAMED)[number];
type Body = Name | 'text/csv' | 'text/plain' | 'text/calendar' | null;

/** Method, path, what it does, what comes back, what goes in. */
const PATHS: readonly (readonly [
  'get' | 'post' | 'put' | 'patch' | 'delete',
  string,
  string,
  Body,
  Body?,
])[] = [
  ['get', '/session', 'Who is signed in, and what day it is here', 'Session'],
  ['post', '/session', 'Sign in', 'Session', 'SignIn'],
  ['delete', '/session', 'Sign out', null],
  ['post', '/setup', 'First admin and branch of an empty place', 'Session', 'Setup'],
  ['get', '/people', 'People of this place', 'Person'],
  ['post', '/people', 'Add a person (admin)', 'Person', 'NewPerson'],
  ['get', '/yard', 'Machines by slack', 'Yard'],
  ['get', '/machines/{id}', 'Everything needed to judge one machine', 'MachineFile'],
  ['post', '/machines', 'Add a machine (planner)', 'Machine', 'Machine'],
  ['patch', '/machines/{id}', 'Change hours or harvest (planner)', 'Machine', 'MachineChange'],
  ['get', '/specs', 'Current spec sheets', 'SpecSheet'],
  ['get', '/spec-models', 'Models with their newest revision: ?cursor&limit', 'SpecPage'],
  ['get', '/specs/{model}', 'One revision, the newest unless ?revision=', 'SpecDetail'],
  ['get', '/specs/{model}/revisions', 'Revisions, newest first: ?cursor&limit', 'RevisionPage'],
  ['get', '/specs/{model}/checks', 'Checks of a revision: ?cursor&limit&revision', 'SpecSheet'],
  ['get', '/specs/{model}/diff', 'What changed: ?from&to', 'SheetChanges'],
  ['get', '/specs/{model}/file', 'The sheet as its file', 'SpecSheet'],
  ['get', '/specs/schema.json', 'JSON Schema of a sheet file', null],
  [
    'post',
    '/specs/import',
    'Import a sheet, JSON or YAML: ?preview=yes|no (planner)',
    'SheetImport',
    'text/plain',
  ],
  ['get', '/specs/{model}/draft', 'The draft that is open, if one is (planner)', 'SheetDraft'],
  ['put', '/specs/{model}/draft', 'Keep the draft (planner)', 'SheetDraft', 'DraftSave'],
  ['delete', '/specs/{model}/draft', 'Drop the draft (planner)', null],
  [
    'post',
    '/specs/{model}/publish',
    'Publish the draft as the next revision (planner)',
    null,
    'DraftPublish',
  ],
  [
    'get',
    '/machines/{id}/checks',
    'Checks of a machine as it is built: ?cursor&limit',
    'SpecSheet',
  ],
  [
    'get',
    '/machines/{id}/rejudge',
    'What judging under another revision would change: ?model&revision',
    'RejudgeAnswer',
  ],
  [
    'post',
    '/machines/{id}/rejudge',
    'Judge its readings under that revision (planner)',
    'RejudgeAnswer',
    null,
  ],
  ['post', '/specs', 'Store a spec sheet as a revision (planner)', 'SpecSheet', 'SpecSheet'],
  ['put', '/walks/{id}', 'Begin, make safe or finish a walk', 'Walk', 'Walk'],
  [
    'post',
    '/readings:batch',
    'Store readings; each is answered accepted, duplicate or rejected',
    'BatchAnswer',
    'ReadingBatch',
  ],
  [
    'post',
    '/readings/import',
    'Import a readings CSV: ?mode=all|valid&preview=yes|no (planner)',
    'ImportReport',
    'text/csv',
  ],
  ['get', '/readings.csv', 'Readings as CSV', 'text/csv'],
  ['post', '/work', 'Accept decisions into work', 'WorkItem', 'WorkBatch'],
  ['delete', '/work/{id}', 'Withdraw a work item', 'WorkItem'],
  ['get', '/visits', 'Planned visits', 'Visit'],
  ['put', '/visits/{id}', 'Plan or move a visit (planner)', 'Visit', 'VisitPlan'],
  ['delete', '/visits/{id}', 'Drop a visit (planner)', null],
  ['get', '/plan.ics', 'The plan as iCalendar', 'text/calendar'],
];

function generate(): OpenApiDocument {
  const registry = z.registry<{ id: string }>();
  for (const name of NAMED) registry.add(contracts[name], { id: name });
  const { schemas } = z.toJSONSchema(registry, {
    uri: (id) => `#/components/schemas/${id}`,
    io: 'input',
    unrepresentable: 'any',
  });
  const paths: OpenApiDocument['paths'] = {};
  for (const [method, url, summary, answer, body] of PATHS) {
    const operation = {
      summary,
      ...(url.includes('{')
        ? {
            parameters: [
              {
                name: url.includes('{id}') ? 'id' : 'model',
                in: 'path',
                required: true,
                schema: url.includes('{id}')
                  ? { type: 'string', format: 'uuid' }
                  : { type: 'string' },
              },
            ],
          }
        : {}),
      ...(body ? { requestBody: { required: true, content: contentOf(body) } } : {}),
      responses: {
        '2XX': answer
          ? { description: summary, content: contentOf(answer) }
          : { description: summary },
        '4XX': {
          description: 'Refused: what was wrong and what was wanted',
          content: { 'application/problem+json': { schema: refTo('Problem') } },
        },
      },
    };
    paths[`/api${url}`] = { ...paths[`/api${url}`], [method]: operation };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Green Tally', version: '0.1.0' },
    paths,
    components: { schemas: Object.fromEntries(Object.entries(schemas)) },
  };
}

const refTo = (name: Name): object => ({ $ref: `#/components/schemas/${name}` });
const contentOf = (body: Exclude<Body, null>): object =>
  body === 'text/csv' || body === 'text/plain' || body === 'text/calendar'
    ? { [body]: { schema: { type: 'string' } } }
    : { 'application/json': { schema: refTo(body) } };
