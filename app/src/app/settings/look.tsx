export { LookScreen as default } from '../../settings/LookScreen';
