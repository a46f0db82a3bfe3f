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

/** Sends a request under /api; JSON in and out unless `text` is given. @throws ApiProblem, Unreachable */
export async function api(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  text?: string,
): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      credentials: 'same-origin',
      headers: {
        accept: 'application/json',
        ...(text !== undefined
          ? { 'content-type': 'text/plain' }
          : body !== undefined
            ? { 'content-type': 'application/json' }
            : {}),
      },
      ...(text !== undefined
        ? { body: text }
        : body !== undefined
          ? { body: JSON.stringify(body) }
          : {}),
    });
  } catch {
    throw new Unreachable();
  }
  if (response.status === 204) return undefined;
  const type = response.headers.get('content-type') ?? '';
  if (!type.includes('json')) throw new Unreachable();
  const answer: unknown = await response.json();
  if (response.ok) {
    const session = /^\/(session|setup)$/.test(path) ? Session.safeParse(answer) : undefined;
    if (session?.success) setClock(session.data.now);
    return answer;
  }
  const problem = Problem.safeParse(answer);
  throw new ApiProblem(
    problem.success
      ? problem.data
      : { type: 'about:blank', title: 'Refused', status: response.status },
  );
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
