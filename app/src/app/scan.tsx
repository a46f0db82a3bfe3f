import { later } from '../ui';

export default later('the scanner', async () => (await import('../report/place')).ScanScreen);
