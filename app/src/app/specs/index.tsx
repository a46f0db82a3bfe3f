export { SpecsScreen as default } from '../../specs/SpecsScreen';
