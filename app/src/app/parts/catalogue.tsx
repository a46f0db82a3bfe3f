import { later } from '../../ui';

export default later(
  'the catalogue',
  async () => (await import('../../parts/place')).CatalogueScreen,
);
