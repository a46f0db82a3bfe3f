import { later } from '../../ui';

export default later('insight', async () => (await import('../../insight/place')).WalksScreen);
