export { YouScreen as default } from '../../settings/YouScreen';
