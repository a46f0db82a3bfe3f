import { later } from '../../ui';

export default later('people', async () => (await import('../../forms')).StaffScreen);
