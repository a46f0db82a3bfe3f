import { later } from '../../ui';

export default later('the bench', async () => (await import('../../bench/place')).BenchListScreen);
