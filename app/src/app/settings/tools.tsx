import { later } from '../../ui';

export default later('your tools', async () => (await import('../../forms')).ToolsScreen);
