import { later } from '../../ui';

export default later(
  'the machine',
  async () => (await import('../../machine/MachineScreen')).MachineScreen,
);
