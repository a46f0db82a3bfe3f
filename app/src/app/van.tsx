import { later } from '../ui';

export default later('the van list', async () => (await import('../parts/place')).VanScreen);
