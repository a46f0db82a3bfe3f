import type { RouteId } from '@green-tally/core/api';
import { call, type AnswerOf, type Asked } from './api';
import { sentBefore } from './outbox';

/**
 * Asks a route of the API. What is written goes after what was taken here before it: a visit after
 * the work it is for, however slow the signal.
 * @throws ApiProblem, Unreachable
 */
export async function api<K extends RouteId>(id: K, asked: Asked<K>): Promise<AnswerOf<K>> {
  if (!id.startsWith('GET ')) await sentBefore();
  return call(id, asked);
}
