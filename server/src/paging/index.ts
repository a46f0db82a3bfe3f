import type { z } from 'zod';
import { invalidField, type Invalid } from '../errors';

/** A page of something: what is on it, and the cursor of the next. */
export interface Page<T> {
  readonly items: T[];
  readonly next: string | null;
}

/** The one rule for cursors: one that names nothing in its list is refused. */
export const unknownCursor = (cursor: string, list: string): Invalid =>
  invalidField(
    'cursor',
    `"${cursor}" is no place in the list of ${list}.`,
    'the cursor of the page before',
  );

/** Which page of a list is asked for. */
export interface PageAsked {
  readonly cursor?: string | undefined;
  readonly limit: number;
}

/**
 * A page of a list that is at hand.
 * @param keyOf what a place in the list is called
 * @throws Invalid when the cursor is no place in it
 */
export function pageOf<T>(
  all: readonly T[],
  { cursor, limit }: PageAsked,
  keyOf: (item: T) => string,
  list: string,
): Page<T> {
  const from = cursor === undefined ? 0 : all.findIndex((item) => keyOf(item) === cursor) + 1;
  if (cursor !== undefined && from === 0) throw unknownCursor(cursor, list);
  const items = all.slice(from, from + limit);
  const last = items.at(-1);
  return { items, next: from + limit < all.length && last !== undefined ? keyOf(last) : null };
}

/** A page of rows read with one more than asked for, which tells whether there is a next. */
export function pageOfRows<T>(
  rows: readonly T[],
  limit: number,
  keyOf: (item: T) => string,
): Page<T> {
  const items = rows.slice(0, limit);
  const last = items.at(-1);
  return { items, next: rows.length > limit && last !== undefined ? keyOf(last) : null };
}

/** The cursor that stands for a place in an ordered list: what it is sorted by, as text. */
export const cursorAt = (place: readonly string[]): string => JSON.stringify(place);

/** The place that a cursor stands for. @throws Invalid when it stands for none */
export function placeAt<T extends readonly string[]>(
  cursor: string,
  contract: z.ZodType<T>,
  list: string,
): T {
  try {
    const read = contract.safeParse(JSON.parse(cursor));
    if (read.success) return read.data;
  } catch {
    // not one of ours
  }
  throw unknownCursor(cursor, list);
}
