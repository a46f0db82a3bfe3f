import { later } from '../../ui';

export default later('the hours', async () => (await import('../../board/planning')).CrewScreen);
