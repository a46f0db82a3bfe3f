import { later } from '../../../ui';

export default later(
  'the comparison',
  async () => (await import('../../../specs/CompareScreen')).CompareScreen,
);
