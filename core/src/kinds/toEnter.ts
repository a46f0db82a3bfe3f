import type { CheckKind, CheckOf, MeasuredCheck } from '../contracts';
import type { ToEnter } from '../findings';

/** What of a check nobody has entered yet: until then it takes readings, and never holds. */
export const toEnter = <K extends CheckKind>(check: CheckOf<K> & { kind: K }): readonly ToEnter[] =>
  WANTS[check.kind](check);

const NOTHING: readonly ToEnter[] = [];
const nothing = () => NOTHING;

const travel = ({ takeUpToEnter }: { readonly takeUpToEnter?: true | undefined }) =>
  takeUpToEnter ? (['takeUp'] as const) : NOTHING;

const limitAndTravel = (check: MeasuredCheck): readonly ToEnter[] =>
  check.limit.type === 'open' ? ['limit', ...travel(check)] : travel(check);

/** What each kind has from the maker's manual. The compiler lists here what a new kind needs. */
const WANTS: { readonly [K in CheckKind]: (check: CheckOf<K>) => readonly ToEnter[] } = {
  measure: limitAndTravel,
  series: limitAndTravel,
  mark: travel,
  feel: travel,
  count: ({ total }) => (total === undefined ? ['total'] : NOTHING),
  service: ({ asks, amount }) => (asks !== 'done' && amount === undefined ? ['amount'] : NOTHING),
  setting: ({ expected }) => (expected.length ? NOTHING : ['options']),
  gonogo: nothing,
  condition: nothing,
  level: nothing,
};
