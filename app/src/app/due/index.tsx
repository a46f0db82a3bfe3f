export { DueScreen as default } from '../../due/DueScreen';
