import { Quiet } from '../../ui';
import type { SeenKind } from './seenKind';

/** A profile gauge: it fits or it does not. */
export const gonogo: SeenKind<'gonogo'> = {
  question: 'Try the gauge',
  answers: () => [
    { value: 'fits', title: 'It fits' },
    { value: 'doesNotFit', title: 'It does not fit' },
  ],
  usual: (check) => check.good,
  value: (_, { choice }) => ({ value: { kind: 'gonogo', fits: choice === 'fits' } }),
  Wanted: ({ check }) => (
    <Quiet>{`Good when the gauge ${check.good === 'fits' ? 'fits' : 'does not fit'}`}</Quiet>
  ),
};
