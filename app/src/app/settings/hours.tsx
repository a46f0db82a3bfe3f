import { later } from '../../ui';

export default later('hours', async () => (await import('../../forms')).HoursScreen);
