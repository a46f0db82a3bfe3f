import type { Given, Read, RouteId, Routes } from '@green-tally/core/api';
import { Problem, Session } from '@green-tally/core/contracts';
import { setClock } from './clock';

/** The server refused: its problem, in words and by field. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ?? problem.title);
  }
  /** Field by field, for forms. */
  get fields(): readonly { field: string; message: string }[] {
    return this.problem.errors ?? [];
  }
}

/** The server could not be reached: no signal, or it is down. */
export class Unreachable extends Error {
  constructor() {
    super('The server cannot be reached.');
  }
}

type PartOf<K extends RouteId, P extends string> = Routes[K] extends { readonly [Q in P]: infer T }
  ? { readonly [Q in P]: Given<T> }
  : unknown;
type QueryOf<K extends RouteId> = Routes[K] extends { readonly query: infer T }
  ? { readonly query?: Partial<Given<T>> }
  : unknown;

/**
 * What a route is asked with: its path's parameters, query and body, as the route table has them.
 */
export type Asked<K extends RouteId> = PartOf<K, 'params'> & PartOf<K, 'body'> & QueryOf<K>;

/** What a route answers. */
export type AnswerOf<K extends RouteId> = Read<Routes[K]['answer']>;

/** The same for any route, when it is read and not written. */
interface AnyAsked {
  readonly params?: Readonly<Record<string, unknown>>;
  readonly query?: Readonly<Record<string, unknown>>;
  readonly body?: unknown;
}

/**
 * The path of a route under /api, which is also the name its answer is kept under.
 * @example pathOf('GET /machines/{id}', { params: { id } }) // "/machines/0197…"
 */
export function pathOf<K extends RouteId>(id: K, asked: Omit<Asked<K>, 'body'>): string {
  const { params = {}, query = {} }: AnyAsked = asked;
  const path = id
    .slice(id.indexOf(' ') + 1)
    .replace(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(String(params[name])));
  const search = Object.entries(query)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => `${name}=${encodeURIComponent(String(value))}`)
    .join('&');
  return search ? `${path}?${search}` : path;
}

/**
 * Asks a route of the API at once; screens ask by `api` of inTurn.ts. The answer is taken as its
 * contract says: the server's own tests hold every answer to it.
 * @throws ApiProblem, Unreachable
 */
export async function call<K extends RouteId>(id: K, asked: Asked<K>): Promise<AnswerOf<K>> {
  const { body } = asked as AnyAsked;
  return (await request(id.slice(0, id.indexOf(' ')), pathOf(id, asked), body)) as AnswerOf<K>;
}

/**
 * Sends a request under /api; a body that is text goes as it is, anything else as JSON. @throws
 * ApiProblem, Unreachable
 */
export async function request(method: string, path: string, body?: unknown): Promise<unknown> {
  const response = await reach(`/api${path}`, { method, ...bodyOf(body) });
  if (response.status === 204) return undefined;
  const type = response.headers.get('content-type') ?? '';
  if (!type.includes('json')) throw new Unreachable();
  const answer: unknown = await response.json();
  if (!response.ok) throw new ApiProblem(problemOf(answer, response.status));
  if (/^\/(session|setup)$/.test(path)) heedClock(answer);
  return answer;
}

/** Asks for bytes under /api. @throws ApiProblem, Unreachable */
export async function bytesOf(path: string): Promise<ArrayBuffer> {
  const response = await reach(`/api${path}`, { method: 'GET' });
  if (response.ok) return response.arrayBuffer();
  throw new ApiProblem(problemOf(await response.json().catch(() => undefined), response.status));
}

/** No answer after so long is none, ms; what is sent with little signal takes longer by its size. */
const PATIENCE_MS = 30_000;
const BYTES_A_MS = 2;

/** The server is there and cannot work just now: what is only asked for is asked again so soon, ms. */
const AGAIN_AFTER_MS = [700, 2100];
const NOT_NOW: ReadonlySet<number> = new Set([502, 503, 504]);

/**
 * Asks, within a time limit. A server that cannot work just now is as one that cannot be reached:
 * what waits here goes later.
 * @throws Unreachable
 */
async function reach(url: string, init: RequestInit): Promise<Response> {
  const tries = init.method === 'GET' ? AGAIN_AFTER_MS : [];
  for (const pause of [...tries, undefined]) {
    const response = await once(url, init);
    if (!NOT_NOW.has(response.status)) return response;
    if (pause === undefined) break;
    await new Promise((done) => setTimeout(done, pause));
  }
  throw new Unreachable();
}

async function once(url: string, init: RequestInit): Promise<Response> {
  const headers = { accept: 'application/json', ...init.headers };
  const limit = new AbortController();
  const timer = setTimeout(() => limit.abort(), PATIENCE_MS + sizeOf(init.body) / BYTES_A_MS);
  // nobody stays for it: under Node a test that has ended would
  (timer as { unref?: () => void }).unref?.();
  try {
    return await fetch(url, { credentials: 'same-origin', ...init, headers, signal: limit.signal });
  } catch {
    // whatever stopped it, nothing came through
    throw new Unreachable();
  } finally {
    clearTimeout(timer);
  }
}

const sizeOf = (body: RequestInit['body']): number =>
  typeof body === 'string' ? body.length : body instanceof Blob ? body.size : 0;

function bodyOf(body: unknown): RequestInit {
  if (body === undefined) return {};
  // a file as it was chosen, sent as it is read
  if (body instanceof Blob) return { headers: { 'content-type': body.type }, body };
  if (body instanceof Uint8Array)
    return { headers: { 'content-type': 'image/jpeg' }, body: new Blob([new Uint8Array(body)]) };
  return typeof body === 'string'
    ? { headers: { 'content-type': 'text/plain' }, body }
    : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
}

function problemOf(answer: unknown, status: number): Problem {
  const problem = Problem.safeParse(answer);
  return problem.success ? problem.data : { type: 'about:blank', title: 'Refused', status };
}

function heedClock(answer: unknown): void {
  const session = Session.safeParse(answer);
  if (session.success) setClock(session.data.now);
}

/** What went wrong, in words for a screen. */
export function troubleText(error: unknown): string {
  if (error instanceof ApiProblem)
    return [
      error.message,
      ...error.fields
        .filter((f) => !error.message.includes(f.message))
        .map((f) => `${f.field}: ${f.message}`),
    ].join(' ');
  if (error instanceof Error) return error.message;
  return 'Something went wrong.';
}
