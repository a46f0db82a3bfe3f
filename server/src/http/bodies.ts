import express, { type Request, type RequestHandler } from 'express';
import { Invalid, textTroubles } from '../errors';

/** Nothing that is sent nests deeper than this. */
const DEEPEST = 32;
/** Commas of a body: what the largest sheet has, and a thousand readings, several times over. */
const MOST_COMMAS = 300_000;

const [QUOTE, BACKSLASH, COMMA] = [0x22, 0x5c, 0x2c];
const OPEN = new Set([0x5b, 0x7b]);
const CLOSE = new Set([0x5d, 0x7d]);

/**
 * Looks through JSON before it is read: what nests too deep or has too many parts would keep this
 * process from everybody else.
 * @throws Invalid
 */
export function boundedJson(bytes: Uint8Array): void {
  let [depth, commas, text] = [0, 0, false];
  for (let i = 0; i < bytes.length; i += 1) {
    const byte = bytes[i] ?? 0;
    if (text) {
      if (byte === BACKSLASH) i += 1;
      else if (byte === QUOTE) text = false;
    } else if (byte === QUOTE) text = true;
    else if (byte === COMMA) commas += 1;
    else if (OPEN.has(byte)) depth += 1;
    else if (CLOSE.has(byte)) depth -= 1;
    if (depth > DEEPEST) throw tooMuch(`nests more than ${DEEPEST} deep`);
    if (commas > MOST_COMMAS) throw tooMuch(`has more than ${MOST_COMMAS} parts`);
  }
}

const tooMuch = (what: string) =>
  new Invalid('Too much at once', `What was sent ${what}. Send it in smaller parts.`);

/** Reads a JSON body of at most so many MB. */
export const jsonBody = (limit: number): RequestHandler =>
  express.json({
    limit: `${limit}mb`,
    verify: (_req, _res, bytes) => boundedJson(bytes),
  });

/** Refuses text that cannot be kept. @throws Invalid naming the fields */
export function keptAsIs(...parts: readonly unknown[]): void {
  const troubles = parts.flatMap((p) => textTroubles(p));
  if (troubles.length)
    throw new Invalid(
      'Some of this cannot be used',
      troubles
        .slice(0, 5)
        .map((t) => `${t.field}: ${t.message}`)
        .join('; '),
      troubles.slice(0, 20),
    );
}

/** Whether a body is taken apart item by item, each with its own answer. */
export const isLoose = (req: Request): boolean => req.path.endsWith(':batch');
