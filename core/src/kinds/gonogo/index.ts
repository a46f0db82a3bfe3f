import type { GoNoGoCheck } from '../../contracts';
import type { Kind } from '../kind';
import { judgeGauge, spoiltGauge } from './judge';
import { gaugeWords } from './words';

/** A profile gauge that fits or does not. */
export const gonogo: Kind<'gonogo'> = {
  name: 'Gauge',
  takes: ['gonogo'],
  wants: (check) => good(check),
  drawn: (check) => `good when the ${good(check)}`,
  admit: () => [],
  spoilt: spoiltGauge,
  judge: judgeGauge,
};

const good = ({ gauge, good: shows }: GoNoGoCheck): string =>
  gaugeWords({ gauge, fits: shows === 'fits' });
