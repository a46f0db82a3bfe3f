import type { CountCheck, FieldTrouble, ReadingValue } from '../../contracts';
import type { Kind } from '../kind';
import { judgeCount, spoiltCount } from './judge';

/** What is missing, broken or bent out of a total. */
export const count: Kind<'count'> = {
  name: 'Count',
  takes: ['count'],
  wants: ({ total, counted, allowed }) =>
    `all ${total === undefined ? '' : `${total} `}${counted}${allowed ? `, ${allowed} may wait` : ''}`,
  drawn: ({ total, counted, renew }) =>
    `${total === undefined ? '' : `${total} `}${counted}, a bad one is renewed ${RENEWED[renew]}`,
  admit: admitCount,
  spoilt: spoiltCount,
  judge: judgeCount,
};

const RENEWED: Readonly<Record<CountCheck['renew'], string>> = {
  each: 'alone',
  opposite: 'with its opposite mate',
  hangers: 'with all on its hanger and on the opposite one',
  set: 'with the whole set',
};

function admitCount({ total, counted }: CountCheck, value: ReadingValue): FieldTrouble[] {
  if (value.kind !== 'count') return [];
  const all = value.missing + value.damaged + value.oneEdge + value.bothEdges;
  if (total === undefined || all <= total) return [];
  const message = `${all} ${counted} counted, but there are ${total}. Count each one once.`;
  return [{ field: 'value', message }];
}
