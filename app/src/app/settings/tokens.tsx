import { later } from '../../ui';

export default later('tokens', async () => (await import('../../forms')).TokensScreen);
