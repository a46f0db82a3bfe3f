import { later } from '../../ui';

export default later('the card', async () => (await import('../../walk/underWay')).CardScreen);
