export { WorkListScreen as default } from '../../work/WorkListScreen';
