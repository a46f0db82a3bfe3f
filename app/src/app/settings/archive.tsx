import { later } from '../../ui';

export default later('the archive', async () => (await import('../../forms')).ArchiveScreen);
