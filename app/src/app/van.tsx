export { VanScreen as default } from '../parts/VanScreen';
