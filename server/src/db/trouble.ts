import { z } from 'zod';

/** What drivers and Sequelize say of an error; each wraps the one below it. */
const Said = z.object({
  name: z.string().optional(),
  code: z.string().optional(),
  message: z.string().optional(),
  constraint: z.string().optional(),
  parent: z.unknown().optional(),
});
type Said = z.infer<typeof Said>;

/** The error and those it wraps, at most so many deep. */
function layersOf(error: unknown, depth = 4): Said[] {
  const { data } = Said.safeParse(error);
  if (!data) return [];
  return depth && data.parent ? [data, ...layersOf(data.parent, depth - 1)] : [data];
}

/** PostgreSQL's codes for a server that goes down, comes up, or is no primary any more. */
const AWAY =
  /^(08...|57P01|57P02|57P03|25006|53300|ECONN\w+|EPIPE|ETIMEDOUT|ENOTFOUND|EHOSTUNREACH)$/;
/** Sequelize's names for want of a connection. */
const NO_CONNECTION =
  /^Sequelize(Connection|ConnectionRefused|ConnectionTimedOut|ConnectionAcquireTimeout|HostNotFound|HostNotReachable)Error$/;
/** The driver has no codes for these. */
const CUT =
  /^(Connection terminated|timeout expired|Query read timeout|timeout exceeded when trying to connect|Client has encountered a connection error|Client was closed)/;

/**
 * Whether the database cannot be reached, or was lost in the middle: nothing is wrong with what was
 * asked, and the same may be asked again.
 */
export const databaseAway = (error: unknown): boolean =>
  layersOf(error).some(
    ({ name = '', code = '', message = '' }) =>
      AWAY.test(code) || NO_CONNECTION.test(name) || CUT.test(message),
  );

/** Whether two transactions were in each other's way: tried once more, one comes after the other. */
export const inTheWay = (error: unknown): boolean =>
  layersOf(error).some(({ code }) => code === '40001' || code === '40P01');

/** Why PostgreSQL would not have a value; undefined for any other error. */
export function refusedValue(error: unknown): 'there' | 'unusable' | undefined {
  const codes = layersOf(error).flatMap(({ code }) => code ?? []);
  if (codes.some((c) => c === '23505' || c === '23503' || c === '23001')) return 'there';
  // 22…: numbers beyond their range, days that are none, bytes that are no text; 23514: a CHECK
  return codes.some((c) => c.startsWith('22') || c === '23514' || c === '54000')
    ? 'unusable'
    : undefined;
}
