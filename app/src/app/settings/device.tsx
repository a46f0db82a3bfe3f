export { DeviceScreen as default } from '../../settings/DeviceScreen';
