export { WorkScreen as default } from '../../work/WorkScreen';
