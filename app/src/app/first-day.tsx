import { later } from '../ui';

export default later('the first day', async () => (await import('../forms')).FirstDay);
