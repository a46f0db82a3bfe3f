export { BreakdownScreen as default } from '../insight/BreakdownScreen';
