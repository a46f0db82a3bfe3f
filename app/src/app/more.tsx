export { MoreScreen as default } from '../settings/MoreScreen';
