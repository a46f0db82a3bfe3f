import { later } from '../../../ui';

export default later(
  'the check',
  async () => (await import('../../../walk/CheckScreen')).CheckScreen,
);
