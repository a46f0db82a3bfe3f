import { later } from '../../../ui';

export default later(
  'the sheet',
  async () => (await import('../../../specs/SheetScreen')).SheetScreen,
);
