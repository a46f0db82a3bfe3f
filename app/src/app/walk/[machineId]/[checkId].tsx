export { CheckScreen as default } from '../../../walk/CheckScreen';
