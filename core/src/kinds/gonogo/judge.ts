import type { GoNoGoCheck } from '../../contracts';
import { GAUGE_BAD } from '../../findings';
import { NOT_MEASURED, shown, type Seen, type Shown } from '../kind';

/** A profile gauge says good, or what the sheet has done then. */
export function judgeGauge(check: GoNoGoCheck, { main }: Seen): Shown {
  if (main.value.kind !== 'gonogo') return shown([NOT_MEASURED]);
  const numbers = { gauge: check.gauge, fits: main.value.fits };
  return numbers.fits === (check.good === 'fits')
    ? shown([{ id: 'inside', numbers: { shows: 'gauge', ...numbers } }])
    : shown([{ id: GAUGE_BAD[check.otherwise], numbers }]);
}
