import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { isDeepStrictEqual } from 'node:util';
import express, { Router, type Request, type RequestHandler, type Response } from 'express';
import { z } from 'zod';
import {
  ROUTES,
  type Given,
  type Read,
  type Route,
  type RouteId,
  type Routes,
  type BytesType,
  FileType,
  type TextType,
} from '@green-tally/core/api';
import type { Person } from '@green-tally/core/contracts';
import { whileDoing, type Database } from '../db';
import { NotFound } from '../errors';
import { isLoose, jsonBody, keptAsIs } from './bodies';
import { nameRoute } from './metrics';
import { allow, personOf } from './session';

/** An answer that is text, with the name it is saved under. */
export interface TextAnswer {
  readonly text: string;
  readonly filename?: string;
}

/** An answer that is text made while it is sent, so that it is never held whole. */
export interface StreamAnswer {
  readonly stream: Readable;
  readonly filename: string;
}

/** An answer that is bytes, such as a picture. */
export interface BytesAnswer {
  readonly bytes: Uint8Array;
  /** by which it is kept, where it is looked at in the browser first */
  readonly filename?: string;
}

/** Says that what the client has is still so: 304. */
export const UNCHANGED = Symbol('unchanged');

type Part<R, K extends string> = R extends { readonly [P in K]: infer T } ? T : undefined;

/** A request, read and checked by its route. */
export interface Asked<R extends Route> {
  readonly params: Read<Part<R, 'params'>>;
  readonly query: Read<Part<R, 'query'>>;
  readonly body: Read<Part<R, 'body'>>;
  readonly person: R['door'] extends 'anyone' ? undefined : Person;
  readonly req: Request;
  readonly res: Response;
  /** tags the answer for the client's cache; true when the client has it already */
  unchanged(tag: string): boolean;
}

type Answer<R extends Route> = R['answer'] extends TextType
  ? TextAnswer | StreamAnswer
  : R['answer'] extends FileType
    ? StreamAnswer
    : R['answer'] extends BytesType
      ? BytesAnswer | typeof UNCHANGED
      : R['answer'] extends null
        ? void
        : Given<R['answer']> | TextAnswer | typeof UNCHANGED;

export type Handler<R extends Route> = (asked: Asked<R>) => Promise<Answer<R>> | Answer<R>;

/** A handler for every route: the compiler lists those that lack theirs. */
export type Handlers = { readonly [K in RouteId]: Handler<Routes[K]> };

/**
 * How routes are mounted. `gates`: what stands before a route; `checkAnswers`: in tests, every
 * answer is held against its contract.
 */
export interface Mounting {
  readonly db: Database;
  readonly now: () => Date;
  readonly gates?: { readonly [K in RouteId]?: RequestHandler };
  readonly checkAnswers?: boolean;
}

/**
 * A router with every route of the table: door, body, parameters, query and answer as the table
 * says.
 */
export function mountRoutes(handlers: Handlers, mounting: Mounting): Router {
  const router = Router();
  for (const id of Object.keys(ROUTES) as RouteId[]) mountOne(router, id, handlers[id], mounting);
  return router;
}

function mountOne<K extends RouteId>(
  router: Router,
  id: K,
  handle: Handler<Routes[K]>,
  mounting: Mounting,
): void {
  const { gates = {}, checkAnswers = false } = mounting;
  const route: Route = ROUTES[id];
  const [method, path] = splitId(id);
  const steps: RequestHandler[] = [
    ...(gates[id] ? [gates[id]] : []),
    ...(route.door === 'anyone'
      ? []
      : [allow(route.door, { first: id === OWN_PASSWORD, route: id, now: mounting.now })]),
    ...bodyReader(route),
  ];
  const named: RequestHandler = (_req, res, next) => {
    nameRoute(res, id);
    next();
  };
  router[method](expressPath(path), named, ...steps, async (req, res) => {
    // read by the schemas of this very route
    const asked = read(route, req, res) as Asked<Routes[K]> & Audited;
    const answer: unknown = await audited(mounting.db, id, asked, () => handle(asked));
    if (checkAnswers) holdToContract(id, route, answer);
    await send(route, res, answer);
  });
}

/** What one may do who is to set their own password first. */
const OWN_PASSWORD: RouteId = 'POST /session/password';

/** Facts say themselves who took them and when; whatever else is written is kept with who did it. */
const FACTS: ReadonlySet<RouteId> = new Set<RouteId>([
  'PUT /walks/{id}',
  'POST /readings:batch',
  'POST /ticks',
  'POST /work/{id}/worked',
  'PUT /photos/{id}',
  'POST /photos/{id}/parts',
  'POST /breakdowns',
  'POST /visits/{id}/note',
  'POST /stock/ask',
  'POST /report/{key}/answers',
]);

async function audited(
  { sequelize }: Database,
  id: RouteId,
  { person, params, body }: Audited,
  work: () => unknown,
): Promise<unknown> {
  if (!person || id.startsWith('GET ') || FACTS.has(id)) return work();
  const named = Object.values(Object(params) as Record<string, unknown>).map(String);
  const about = { by: person.name, personId: person.id, what: id };
  return whileDoing(
    sequelize,
    { ...about, subject: named.join(' '), detail: fieldsOf(body) },
    async () => work(),
  );
}

/** Which fields were given; what was in them is with what was changed. */
const fieldsOf = (body: unknown): string =>
  typeof body === 'object' && body !== null && !Array.isArray(body)
    ? Object.keys(body).slice(0, 20).join(', ')
    : '';

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

/** Method and path of a route's id, the path as OpenAPI writes it. */
export function splitId(id: RouteId): [Method, string] {
  const [method = '', path = ''] = id.split(' ');
  return [method.toLowerCase() as Method, path];
}

const expressPath = (path: string): string =>
  path.replaceAll(':', '\\:').replace(/\{(\w+)\}/g, ':$1');

const BYTES: BytesType = 'image/jpeg';
const FILE: FileType = 'application/zip';

function bodyReader({ body, limit = 2 }: Route): RequestHandler[] {
  // a file is taken by who handles it, as it comes
  if (body === undefined || body === FILE) return [];
  if (body === BYTES) return [express.raw({ type: () => true, limit: `${limit}mb` })];
  return typeof body === 'string'
    ? [express.text({ type: () => true, limit: `${limit}mb` })]
    : [jsonBody(limit)];
}

interface Audited {
  readonly person: Person | undefined;
  readonly params: unknown;
  readonly body: unknown;
}

type AnyAsked = {
  readonly [K in keyof Asked<Route>]: K extends 'unchanged' ? Asked<Route>[K] : unknown;
};

function read(route: Route, req: Request, res: Response): AnyAsked {
  keptAsIs(req.params, req.query, isLoose(req) || typeof route.body === 'string' ? {} : req.body);
  const params = route.params?.safeParse(req.params);
  if (params?.success === false) throw new NotFound(route.of ?? 'thing');
  return {
    params: params?.data,
    query: route.query?.parse(req.query),
    body: bodyOf(route, req),
    person: personOf(res),
    req,
    res,
    unchanged(tag) {
      res.set('etag', tag).set('cache-control', 'private, no-cache');
      return req.fresh;
    },
  };
}

function bodyOf({ body }: Route, req: Request): unknown {
  if (body === undefined || body === FILE) return undefined;
  if (body === BYTES) return req.body instanceof Uint8Array ? req.body : new Uint8Array();
  if (typeof body === 'string') return typeof req.body === 'string' ? req.body : '';
  return body.parse(req.body ?? {});
}

async function send(route: Route, res: Response, answer: unknown): Promise<void> {
  if (res.headersSent) return;
  if (answer === UNCHANGED) return void res.status(304).end();
  res.status(route.status ?? 200);
  if (route.answer === null) return void res.end();
  if (isBytes(answer)) {
    if (answer.filename) res.set('content-disposition', `inline; filename="${answer.filename}"`);
    return void res
      .type(typeof route.answer === 'string' ? route.answer : BYTES)
      .send(Buffer.from(answer.bytes));
  }
  const streamed = isStream(answer);
  if (!streamed && !isText(answer)) return void res.json(answer);
  if (answer.filename !== undefined) res.attachment(answer.filename);
  const type = typeof route.answer === 'string' ? route.answer : 'application/json';
  res.type(type.startsWith('text/') ? `${type}; charset=utf-8` : type);
  if (!streamed) return void res.send(answer.text);
  try {
    await pipeline(answer.stream, res);
  } catch (error) {
    // half a file must not look like a whole one: the connection is cut
    res.destroy();
    throw error;
  }
}

const isBytes = (answer: unknown): answer is BytesAnswer =>
  typeof answer === 'object' &&
  answer !== null &&
  'bytes' in answer &&
  answer.bytes instanceof Uint8Array;

const isStream = (answer: unknown): answer is StreamAnswer =>
  typeof answer === 'object' &&
  answer !== null &&
  'stream' in answer &&
  answer.stream instanceof Readable;

const isText = (answer: unknown): answer is TextAnswer =>
  z.object({ text: z.string(), filename: z.string().optional() }).strict().safeParse(answer)
    .success;

/** Nothing leaves that its contract does not name, and nothing that it names is missing. */
function holdToContract(id: RouteId, route: Route, answer: unknown): void {
  if (route.answer === null || typeof route.answer === 'string' || answer === UNCHANGED) return;
  const sent: unknown = JSON.parse(isText(answer) ? answer.text : JSON.stringify(answer));
  const kept: unknown = JSON.parse(JSON.stringify(route.answer.parse(sent)));
  if (!isDeepStrictEqual(sent, kept))
    throw new Error(`the answer of ${id} is not what its contract says`);
}
