import { later } from '../../ui';

export default later('the record', async () => (await import('../../forms')).AuditScreen);
