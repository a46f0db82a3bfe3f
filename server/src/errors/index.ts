import type { ZodError } from 'zod';
import { textTrouble, type FieldTrouble } from '@green-tally/core/contracts';

/**
 * What the rooms throw when something cannot be done; `http/problem.ts` turns it into an answer.
 */
export abstract class Refusal extends Error {
  /** @param errors fields at fault, with the remedy */
  constructor(
    readonly title: string,
    detail: string,
    readonly errors?: readonly FieldTrouble[],
  ) {
    super(detail);
  }
}

/** There is no such thing. */
export class NotFound extends Refusal {
  constructor(what: string) {
    super('Not found', `There is no such ${what}.`);
  }
}

/** Somebody else was faster, or it is there already. */
export class Conflict extends Refusal {}

/** Nobody is signed in, or not rightly. */
export class NotSignedIn extends Refusal {}

/** Signed in, but not theirs to do. */
export class Forbidden extends Refusal {}

/** Tried too often. */
export class TooMany extends Refusal {}

/** Something this place leans on does not answer just now; the same may be asked again. */
export class Away extends Refusal {}

/** What was given cannot be used. */
export class Invalid extends Refusal {}

/** One field cannot be used. @param wanted the remedy */
export const invalidField = (field: string, detail: string, wanted: string): Invalid =>
  new Invalid('Some of this cannot be used', detail, [{ field, message: `wanted ${wanted}` }]);

/** Zod's issues as field and message, the message saying what was wanted. */
export function fieldErrors(error: ZodError): FieldTrouble[] {
  return error.issues.map((issue) => ({
    field: issue.path.join('.') || 'body',
    message: issue.message.startsWith('Invalid') ? issue.message : `wanted ${issue.message}`,
  }));
}

/**
 * Text that cannot be kept as it is (half a character, a NUL) anywhere in what was sent, by field.
 * Nothing is silently changed, so it is refused.
 */
export function textTroubles(value: unknown, path = ''): FieldTrouble[] {
  if (typeof value === 'string') {
    const trouble = textTrouble(value);
    return trouble ? [{ field: path || 'body', message: `wanted ${trouble}` }] : [];
  }
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, part]) => {
    const here = path ? `${path}.${key}` : key;
    return [...textTroubles(key, here), ...textTroubles(part, here)];
  });
}
