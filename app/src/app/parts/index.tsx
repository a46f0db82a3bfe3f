import { later } from '../../ui';

export default later('the parts', async () => (await import('../../parts/place')).PartsScreen);
