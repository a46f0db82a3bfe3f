import { randomUUID } from 'node:crypto';
import type { RequestHandler } from 'express';
import pino from 'pino';
import { pinoHttp, type HttpLogger } from 'pino-http';
import { z } from 'zod';

/** What is told of an error: never what was asked with, which a database repeats in its message. */
const Told = z.object({
  name: z.string().optional(),
  code: z.string().optional(),
  constraint: z.string().optional(),
  stack: z.string().optional(),
});

/** Where it broke, without the message. */
const frames = (stack = ''): string[] =>
  stack
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 12)
    .map((line) => line.trim());

/** An error as it is logged, with what it wraps. */
export function toldOf(error: unknown, depth = 3): object | undefined {
  const { data } = Told.safeParse(error);
  if (!data) return error === undefined ? undefined : { name: typeof error };
  const { name, code, constraint, stack } = data;
  const inner: unknown =
    Reflect.get(Object(error), 'parent') ?? Reflect.get(Object(error), 'cause');
  return {
    ...{ name: name ?? 'Error', code, constraint, at: frames(stack) },
    ...(depth && inner ? { because: toldOf(inner, depth - 1) } : {}),
  };
}

/** A path as it is logged: what was searched for, and keys of links, are left out. */
export const pathTold = (url: string): string =>
  url
    .replace(/\?.*/s, '')
    .replace(/\/(card|feeds?|shared)\/[^/]+/g, '/$1/…')
    .slice(0, 200);

/** Logs each request by who asked what and how it went: no cookie, no body, nobody's search. */
export const logRequests = (level = 'warn', into?: pino.DestinationStream): RequestHandler => {
  const logger: HttpLogger = pinoHttp({
    logger: into ? pino({ level }, into) : pino({ level }),
    genReqId: () => randomUUID(),
    serializers: {
      req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
        ...{ id, method, path: pathTold(url) },
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
      err: (error: unknown) => toldOf(error),
    },
    // the serializers of pino-http wrap ours, and would hand them their own words of the error
    wrapSerializers: false,
  });
  return logger as RequestHandler;
};
