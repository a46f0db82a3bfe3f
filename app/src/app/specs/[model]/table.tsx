import { later } from '../../../ui';

export default later('the table', async () => (await import('../../../forms')).SheetTableScreen);
