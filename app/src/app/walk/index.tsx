export { WalkListScreen as default } from '../../walk/WalkListScreen';
