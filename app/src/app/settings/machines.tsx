export { MachinesScreen as default } from '../../settings/MachinesScreen';
