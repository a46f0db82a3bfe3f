import type { Bench } from './bench';
import { CHAIN_FIELDS, type ChainField } from './chainFields';
import { ELONGATED, SPROCKETS } from './chainGrown';
import { LOOP, SAG } from './chainLoop';
import { TAKE_UP } from './chainTakeUp';

/** Chain and take-up. */
export const CHAIN_BENCH: Bench<ChainField> = {
  id: 'chain',
  title: 'Chain and take-up',
  about: 'How far a chain has grown, how it rides, what to do at its adjuster.',
  fields: CHAIN_FIELDS,
  sections: [ELONGATED, SPROCKETS, TAKE_UP, LOOP, SAG],
};
