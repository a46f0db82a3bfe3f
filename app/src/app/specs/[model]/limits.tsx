import { later } from '../../../ui';

export default later('the limits', async () => (await import('../../../forms')).LimitsScreen);
