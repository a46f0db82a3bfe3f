import 'pino-http';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import { z, ZodError } from 'zod';
import type { Problem } from '@green-tally/core/contracts';
import { InputError } from '@green-tally/core/units';

/** An answer that is not a success: becomes RFC 9457 problem+json. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail?: string,
    readonly errors?: Problem['errors'],
  ) {
    super(detail ?? title);
  }
}

export const notFound = (what: string): ProblemError =>
  new ProblemError(404, 'Not found', `There is no such ${what}.`);

/** Last handler under /api: no route took it. */
export const noSuchRoute: RequestHandler = (req) => {
  throw new ProblemError(404, 'Not found', `There is nothing at ${req.method} ${req.originalUrl}.`);
};

/** Turns whatever was thrown into problem+json; the unexpected is logged and answered without its inside. */
export const answerProblem: ErrorRequestHandler = (error, req, res, next) => {
  if (res.headersSent) return next(error);
  const problem = problemOf(error);
  if (problem.status >= 500) req.log?.error({ err: error }, 'request failed');
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

function problemOf(error: unknown): Problem {
  const about = (
    status: number,
    title: string,
    detail?: string,
    errors?: Problem['errors'],
  ): Problem => ({
    type: 'about:blank',
    title,
    status,
    ...(detail ? { detail } : {}),
    ...(errors ? { errors } : {}),
  });
  if (error instanceof ProblemError)
    return about(error.status, error.title, error.detail, error.errors);
  if (error instanceof ZodError) {
    const errors = fieldErrors(error);
    return about(
      400,
      'Some of this cannot be used',
      errors
        .map((e) => `${e.field}: ${e.message}`)
        .slice(0, 5)
        .join('; '),
      errors,
    );
  }
  if (error instanceof InputError)
    return about(400, 'Some of this cannot be used', error.message, [
      { field: error.field, message: error.message },
    ]);
  const type = z.object({ type: z.string(), status: z.int() }).safeParse(error);
  if (type.success && type.data.type === 'entity.too.large')
    return about(
      413,
      'Too large',
      'This is more than the server takes in one go. Send it in smaller parts.',
    );
  if (type.success && type.data.type === 'entity.parse.failed')
    return about(400, 'Not JSON', 'The body is not well-formed JSON.');
  if (type.success && type.data.status < 500)
    return about(
      type.data.status,
      'Request refused',
      `The request could not be read (${type.data.type}).`,
    );
  return about(
    500,
    'Something broke here',
    'The server failed to do this. Nothing was stored. Try again; if it stays, tell whoever runs the server.',
  );
}

/** Zod's issues as field and message, the message saying what was wanted. */
export function fieldErrors(error: ZodError): { field: string; message: string }[] {
  return error.issues.map((issue) => ({
    field: issue.path.join('.') || 'body',
    message: issue.message.startsWith('Invalid') ? issue.message : `wanted ${issue.message}`,
  }));
}
