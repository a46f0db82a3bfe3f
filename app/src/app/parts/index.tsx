export { PartsScreen as default } from '../../parts/PartsScreen';
