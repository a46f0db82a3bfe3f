import { later } from '../../ui';

export default later('the changeover', async () => (await import('../../forms')).ChangeoverScreen);
