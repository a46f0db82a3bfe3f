import 'pino-http';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import { z, ZodError } from 'zod';
import type { FieldTrouble, Problem } from '@green-tally/core/contracts';
import { InputError } from '@green-tally/core/units';
import { databaseAway, inTheWay, refusedValue } from '../db';
import {
  Away,
  Conflict,
  fieldErrors,
  Forbidden,
  Invalid,
  NotFound,
  NotSignedIn,
  Refusal,
  TooMany,
} from '../errors';

/** What each refusal of the rooms is in HTTP. */
const STATUS: readonly (readonly [new (...args: never[]) => Refusal, number])[] = [
  [NotSignedIn, 401],
  [Forbidden, 403],
  [NotFound, 404],
  [Conflict, 409],
  [TooMany, 429],
  [Away, 503],
  [Invalid, 400],
];

/** Last handler under /api: no route took it. */
export const noSuchRoute: RequestHandler = (req) => {
  throw new NotFound(`thing as ${req.method} ${req.originalUrl}`);
};

/**
 * Turns whatever was thrown into problem+json; the unexpected is logged and answered without its
 * inside.
 */
export const answerProblem: ErrorRequestHandler = (error, req, res, next) => {
  if (res.headersSent) return next(error);
  const problem = problemOf(error);
  if (problem.status >= 500) req.log?.error({ err: error }, 'request failed');
  if (problem.status === 503) res.set('retry-after', String(AWAY_S));
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

function problemOf(error: unknown): Problem {
  if (error instanceof Refusal) {
    const status = STATUS.find(([kind]) => error instanceof kind)?.[1] ?? 400;
    return about(status, error.title, error.message, error.errors);
  }
  if (error instanceof ZodError) return unusable(fieldErrors(error));
  if (error instanceof InputError)
    return unusable([{ field: error.field, message: error.message }], error.message);
  return unreadable(error) ?? databaseSaid(error) ?? about(500, 'Something broke here', BROKE);
}

/** When a database that is away is worth asking again, s. */
const AWAY_S = 3;

/** What the database made of it; undefined for any other error. */
function databaseSaid(error: unknown): Problem | undefined {
  if (databaseAway(error) || inTheWay(error)) return about(503, 'Not just now', AWAY);
  switch (refusedValue(error)) {
    case 'there':
      return about(
        409,
        'Somebody was faster',
        'This is there already, or what it belongs to is gone. Nothing was stored: look at it as it is now.',
      );
    case 'unusable':
      return about(
        400,
        'Some of this cannot be kept',
        'A number or a date of it is beyond what can be kept, or its text cannot be written. Nothing was stored.',
      );
    case undefined:
      return undefined;
  }
}

const AWAY =
  'The database is away for the moment. Nothing was stored by this; what is sent again is stored once.';

const BROKE =
  'The server failed to do this. Nothing was stored. Try again; if it stays, tell whoever runs the server.';

function about(
  status: number,
  title: string,
  detail: string,
  errors?: readonly FieldTrouble[],
): Problem {
  return { type: 'about:blank', title, status, detail, ...(errors ? { errors: [...errors] } : {}) };
}

function unusable(errors: readonly FieldTrouble[], detail?: string): Problem {
  const told = errors.slice(0, 5).map((e) => `${e.field}: ${e.message}`);
  return about(400, 'Some of this cannot be used', detail ?? told.join('; '), errors);
}

/** What the body readers and the router say of a request they could not read. */
const Unread = z.object({ type: z.string().optional(), status: z.int().min(400).max(499) });

/** A body that could not be read; undefined for anything else that went wrong. */
function unreadable(error: unknown): Problem | undefined {
  const { data } = Unread.safeParse(error);
  if (!data) return undefined;
  if (data.type === 'entity.too.large')
    return about(
      413,
      'Too large',
      'This is more than the server takes in one go. Send it in smaller parts.',
    );
  if (data.type === 'entity.parse.failed')
    return about(400, 'Not JSON', 'The body is not well-formed JSON.');
  return about(
    data.status,
    'Request refused',
    `The request could not be read${data.type ? ` (${data.type})` : ''}.`,
  );
}
