import type { GoNoGoCheck, Reading } from '../../contracts';
import { GAUGE_BAD, type Finding } from '../../findings';
import { NOT_MEASURED, shown, type Seen, type Shown } from '../kind';

/** A profile gauge says good, or what the sheet has done then. */
export function judgeGauge(check: GoNoGoCheck, { main }: Seen): Shown {
  if (main.value.kind !== 'gonogo') return shown([NOT_MEASURED]);
  const numbers = { gauge: check.gauge, fits: main.value.fits };
  return numbers.fits === (check.good === 'fits')
    ? shown([{ id: 'inside', numbers: { shows: 'gauge', ...numbers } }])
    : shown([{ id: GAUGE_BAD[check.otherwise], numbers }]);
}

/** What is worn by its gauge stays so until it is renewed or turned; what is set wrong can be set. */
export function spoiltGauge(check: GoNoGoCheck, { value }: Reading): Finding | undefined {
  if (value.kind !== 'gonogo' || value.fits === (check.good === 'fits')) return undefined;
  return check.otherwise === 'adjust'
    ? undefined
    : { id: GAUGE_BAD[check.otherwise], numbers: { gauge: check.gauge, fits: value.fits } };
}
