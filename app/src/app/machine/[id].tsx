export { MachineScreen as default } from '../../machine/MachineScreen';
