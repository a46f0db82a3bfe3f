import { later } from '../../ui';

export default later('costs', async () => (await import('../../forms')).CostsScreen);
