import { later } from '../../ui';

export default later('the report', async () => (await import('../../report/place')).ReportScreen);
