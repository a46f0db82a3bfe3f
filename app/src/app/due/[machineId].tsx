export { MachineDueScreen as default } from '../../due/MachineDueScreen';
