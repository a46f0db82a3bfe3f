import { later } from '../../ui';

export default later('the season', async () => (await import('../../report/place')).SeasonScreen);
