import { later } from '../ui';

export default later('practice', async () => (await import('../walk/underWay')).PracticeScreen);
