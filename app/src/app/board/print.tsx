export { PrintScreen as default } from '../../board/PrintScreen';
