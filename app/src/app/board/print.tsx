import { later } from '../../ui';

export default later('the plan', async () => (await import('../../board/planning')).PrintScreen);
