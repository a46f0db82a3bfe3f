import { later } from '../../ui';

export default later('the formats', async () => (await import('../../forms')).FormatsScreen);
